import { bodyShutters, type Film, focusPositionsM, isoCeilingOf, lensApertures, rollIso } from '../../kit/index.js';
import { blurDiscMm } from '../../optics/index.js';
import { type Approach, APPROACHES, type IntentKind } from '../../stop/index.js';
import { markedBetween, snapToMark } from '../../units/index.js';
import { exposureUsed, figuresOf, type SetUpInput, supportsOf } from './searchInput.js';

/** What floats when the hand has set what it sets. */
export type CameraMode = 'shutterThenIso' | 'isoFloats' | 'shutterFloats' | 'nothingFloats';

/** The control that stands beside aperture and focus: its kind, its marks ascending. */
export interface Dial {
  readonly kind: 'slowestAuto' | 'shutter' | 'iso' | 'support';
  /** Seconds, ISO, or places in APPROACHES.support. */
  readonly values: readonly number[];
}

/** Everything that the hand can set for one stop, in marks, and what the camera then does. */
export interface Controls {
  readonly exposure: Approach['exposure'];
  readonly mode: CameraMode;
  /** Ascending. */
  readonly fNumbers: readonly number[];
  readonly dial: Dial;
  /** Ascending, metres. */
  readonly focusM: readonly number[];
  readonly isoBase: number;
  readonly isoCeiling: number;
  /** The fastest that the camera may use: the sync time with flash. */
  readonly fastestS: number;
  readonly slowestS: number;
  /** Past its threshold a film takes less of a long exposure than its length: null for a sensor. */
  readonly reciprocity: { readonly thresholdLog2: number; readonly exponent: number } | null;
}

/** Marks are compared with a little room, because 2^2.5 and a lens's own 5.6 are the same click. */
const CLICK = 1.02;
const DEEP_FROM = 8;
const CONTEXTUAL: readonly [number, number] = [4, 2 ** 2.5];
/** Bulb exposures of fireworks are not metered: f/11 holds the trails' colour (practice). */
const FIREWORKS_F_NUMBER = 11;
const CONTEXTUAL_BY_DEFAULT: ReadonlySet<IntentKind> = new Set(['silhouette', 'brightBackdrop']);
const TIMED: ReadonlySet<IntentKind> = new Set(['longExposure', 'fireworks']);

/** The school of depth in force: silhouettes and bright backdrops are contextual unless told otherwise. */
export function depthSchool({ intent, approach }: Pick<SetUpInput, 'intent' | 'approach'>): Approach['depth'] {
  return approach.depth === 'free' && CONTEXTUAL_BY_DEFAULT.has(intent.kind) ? 'contextual' : approach.depth;
}

function withinOrNearest(marks: readonly number[], low: number, high: number): readonly number[] {
  const within = marks.filter((mark) => mark * CLICK >= low && mark <= high * CLICK);
  if (within.length > 0) return within;
  return [snapToMark({ value: low, marks, direction: 'nearest' }) as number];
}

export interface ControlOptions {
  /** Whether an intent brings its own school of depth where the approach leaves it free; true by default. */
  readonly schoolByIntent?: boolean;
}

/** Apertures of the lens that belong to the school; where it has none of them, the nearest that it has. */
function aperturesOf(input: SetUpInput, { schoolByIntent = true }: ControlOptions): readonly number[] {
  const marks = lensApertures(input.lens, input.focalLengthMm);
  if (input.intent.kind === 'fireworks') return withinOrNearest(marks, FIREWORKS_F_NUMBER, FIREWORKS_F_NUMBER);
  switch (schoolByIntent ? depthSchool(input) : input.approach.depth) {
    case 'deep':
      return withinOrNearest(marks, DEEP_FROM, Infinity);
    case 'contextual':
      return withinOrNearest(marks, ...CONTEXTUAL);
    case 'free':
    case 'isolating':
      return marks;
  }
}

function focusesOf({ approach, subject, lens }: SetUpInput): readonly number[] {
  return approach.focus === 'fixedZone' ? focusPositionsM(lens) : [Math.max(subject.medianM, lens.closestFocusM)];
}

const atLeast = (marks: readonly number[], least: number): readonly number[] => {
  const kept = marks.filter((mark) => mark >= least * (1 - 1e-9));
  return kept.length > 0 ? kept : [least];
};

/** Flash may not be faster than its sync: a hard limit on every shutter, the hand's and the camera's. */
function fastestOf({ body, intent }: SetUpInput): number {
  return intent.kind === 'flashLift' ? Math.max(body.fastestShutterS, body.flashSyncS) : body.fastestShutterS;
}

function dialOf(input: SetUpInput, exposure: Approach['exposure'], isTimed: boolean, isoCeiling: number): Dial {
  const { body } = input;
  const fastestS = fastestOf(input);
  if (isTimed) return { kind: 'shutter', values: atLeast(bodyShutters(body), fastestS) };
  switch (exposure) {
    case 'aperturePriority': {
      const offered = [...body.slowestAutoShuttersS]
        .filter((s) => s >= body.fastestShutterS * (1 - 1e-9) && s <= body.slowestShutterS * (1 + 1e-9))
        .sort((a, b) => a - b);
      return { kind: 'slowestAuto', values: atLeast(offered, fastestS) };
    }
    case 'bothHeld':
    case 'film':
      return { kind: 'shutter', values: atLeast(bodyShutters(body), fastestS) };
    case 'fixedIso':
      return { kind: 'iso', values: markedBetween('iso', body.markStep, body.baseIso, isoCeiling) };
    case 'baseIsoLong':
      return { kind: 'support', values: supportsOf(input).map((support) => APPROACHES.support.indexOf(support)) };
  }
}

const MODES: Readonly<Record<Approach['exposure'], CameraMode>> = {
  aperturePriority: 'shutterThenIso',
  bothHeld: 'isoFloats',
  fixedIso: 'shutterFloats',
  baseIsoLong: 'shutterFloats',
  film: 'nothingFloats',
};

/**
 * Marks that the approach has the hand set. Pictures of a wanted time (long exposure, fireworks) are set by hand
 * altogether at base ISO, whatever the approach. Source: docs/formulas.md#search.
 */
export function controlsOf(input: SetUpInput, options: ControlOptions = {}): Controls {
  const { body, film, standard } = input;
  const exposure = exposureUsed(input);
  const isTimed = TIMED.has(input.intent.kind);
  const roll = exposure === 'film' ? (film === null ? body.baseIso : rollIso(film)) : null;
  const isoBase = roll ?? body.baseIso;
  const isoCeiling = roll ?? (isTimed || exposure === 'baseIsoLong' ? body.baseIso : isoCeilingOf(body, standard));
  return {
    exposure,
    mode: isTimed ? 'nothingFloats' : MODES[exposure],
    fNumbers: aperturesOf(input, options),
    dial: dialOf(input, exposure, isTimed, isoCeiling),
    focusM: focusesOf(input),
    isoBase,
    isoCeiling,
    fastestS: fastestOf(input),
    slowestS: body.slowestShutterS,
    reciprocity: body.medium === 'film' && film !== null ? reciprocityOf(film) : null,
  };
}

function reciprocityOf({ reciprocityThresholdS, reciprocityExponent }: Film): Controls['reciprocity'] {
  return { thresholdLog2: Math.log2(reciprocityThresholdS), exponent: reciprocityExponent };
}

/** Width of one pixel; film is taken for as fine as 6000 across. */
const FILM_PIXELS_ACROSS = 6000;

/** Whether a background at the school's distance dissolves far enough; true for every other school. */
export function isolatesEnough(input: SetUpInput, fNumber: number, focusDistanceM: number): boolean {
  if (depthSchool(input) !== 'isolating') return true;
  const { isolatingBlurPx, isolatingDistanceM } = figuresOf(input);
  const { sensorWidthMm, pixelsAcross } = input.body;
  const blurMm = blurDiscMm({
    focalLengthMm: input.focalLengthMm,
    fNumber,
    focusDistanceM,
    objectDistanceM: isolatingDistanceM,
  });
  return (blurMm * (pixelsAcross ?? FILM_PIXELS_ACROSS)) / sensorWidthMm >= isolatingBlurPx;
}
