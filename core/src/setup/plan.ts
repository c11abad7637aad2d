import { bodyShutters, isoCeilingOf, rollIso } from '../kit/index.js';
import { type Placement, placementOf } from '../metering/index.js';
import type { Approach, IntentKind } from '../stop/index.js';
import { snapToMark } from '../units/index.js';
import { type DepthRow, depthTable } from './depthTable.js';
import type { IsoLimit, SetUpInput } from './setUp.js';
import { type ShutterLimits, shutterLimits } from './shutterLimits.js';

/**
 * Everything about a stop's set-up that does not depend on how bright it is: computed once, asked for many EVs.
 * Apertures are named by their place in `rows` (ascending f-number).
 */
export interface Plan {
  readonly input: SetUpInput;
  readonly exposure: Approach['exposure'];
  readonly placement: Placement;
  readonly rows: readonly DepthRow[];
  /** Where the aperture starts in good light. */
  readonly wantedRow: number;
  /** The widest that still holds the zone; null where none does. */
  readonly firstCovering: number | null;
  /** The widest that holds the zone and belongs to the depth approach; null where none holds it. */
  readonly leastRow: number | null;
  /** Shutter values that the hand can set, ascending. */
  readonly shuttersS: readonly number[];
  readonly limits: ShutterLimits;
  /** The slowest shutter wanted and the slowest that still makes the picture, marked. */
  readonly wantedS: number;
  readonly leastS: number;
  readonly isoLowest: number;
  readonly isoHighest: number;
  readonly isoLimit: IsoLimit;
}

/** Aperture that a practised hand starts from by day; null: the widest. */
const PREFERRED_F_NUMBER: Readonly<Partial<Record<IntentKind, number | null>>> = { litStreet: null, flashLift: 5.6 };
const DAY_F_NUMBER = 8;
const CONTEXTUAL_BY_DEFAULT: ReadonlySet<IntentKind> = new Set(['silhouette', 'brightBackdrop']);

interface DepthRange {
  readonly lowest: number;
  readonly target: number;
  readonly highest: number;
}

function depthRange({ intent, approach }: SetUpInput): DepthRange {
  const isContextual = approach.depth === 'free' && CONTEXTUAL_BY_DEFAULT.has(intent.kind);
  const school = isContextual ? 'contextual' : approach.depth;
  const preferred = PREFERRED_F_NUMBER[intent.kind];
  switch (school) {
    case 'free':
      return { lowest: 0, target: preferred === undefined ? DAY_F_NUMBER : (preferred ?? 0), highest: Infinity };
    case 'deep':
      return { lowest: DAY_F_NUMBER, target: DAY_F_NUMBER, highest: Infinity };
    case 'contextual':
      return { lowest: 4, target: 4, highest: 2 ** 2.5 };
    case 'isolating':
      return { lowest: 0, target: 0, highest: 0 };
  }
}

/** By night the street forgives: four passers of five sharp is deep enough, and the aperture may open for it. */
const ENOUGH_BY_NIGHT = 0.8;

function isDeepEnough({ intent }: SetUpInput, row: DepthRow): boolean {
  return row.coversZone || (intent.kind === 'litStreet' && row.zoneChance >= ENOUGH_BY_NIGHT);
}

/** Marks are compared with a little room, because 2^2.5 and a lens's own 5.6 are the same click. */
const CLICK = 1.02;

function chooseRows(input: SetUpInput, rows: readonly DepthRow[]): Pick<Plan, 'wantedRow' | 'leastRow' | 'firstCovering'> {
  const { lowest, target, highest } = depthRange(input);
  const firstFrom = (fNumber: number): number => {
    const found = rows.findIndex((row) => row.fNumber * CLICK >= fNumber);
    return found === -1 ? rows.length - 1 : found;
  };
  const lastUpTo = (fNumber: number): number => Math.max(0, rows.filter((row) => row.fNumber <= fNumber * CLICK).length - 1);

  const covering = rows.findIndex((row) => isDeepEnough(input, row));
  const ceiling = lastUpTo(highest);
  if (covering === -1) {
    const best = rows.reduce((top, row, k) => (row.zoneChance > (rows[top] as DepthRow).zoneChance ? k : top), 0);
    return { wantedRow: Math.min(ceiling, Math.max(firstFrom(target), best)), leastRow: null, firstCovering: null };
  }
  const least = Math.max(covering, firstFrom(lowest));
  const wanted = Math.max(least, firstFrom(target));
  return { wantedRow: Math.min(wanted, ceiling), leastRow: Math.min(least, ceiling), firstCovering: covering };
}

/** A body without a slowest auto shutter cannot be run that way: the hand holds both instead. A film body has its roll. */
function exposureUsed({ body, approach }: SetUpInput): Approach['exposure'] {
  if (body.medium === 'film') return 'film';
  const wanted = approach.exposure === 'film' ? 'aperturePriority' : approach.exposure;
  return wanted === 'aperturePriority' && body.slowestAutoShuttersS.length === 0 ? 'bothHeld' : wanted;
}

function isoRange(
  { body, film, standard }: SetUpInput,
  exposure: Approach['exposure'],
): Pick<Plan, 'isoLowest' | 'isoHighest' | 'isoLimit'> {
  if (exposure === 'film') {
    const iso = film === null ? body.baseIso : rollIso(film);
    return { isoLowest: iso, isoHighest: iso, isoLimit: 'roll' };
  }
  if (exposure === 'baseIsoLong') return { isoLowest: body.baseIso, isoHighest: body.baseIso, isoLimit: 'base' };
  const isoHighest = isoCeilingOf(body, standard);
  const isOwn = isoHighest < body.highestIso * (1 - 1e-9);
  return { isoLowest: body.baseIso, isoHighest, isoLimit: isOwn ? 'ownCeiling' : 'bodyCeiling' };
}

/** With flash the shutter may not be faster than the sync time. */
function settableShutters({ body, intent }: SetUpInput, exposure: Approach['exposure']): readonly number[] {
  const offered = exposure === 'aperturePriority' ? [...body.slowestAutoShuttersS].sort((a, b) => a - b) : bodyShutters(body);
  if (intent.kind !== 'flashLift') return offered;
  const synced = offered.filter((seconds) => seconds >= body.flashSyncS * (1 - 1e-9));
  return synced.length > 0 ? synced : [body.flashSyncS];
}

export function planSetUp(input: SetUpInput): Plan {
  const exposure = exposureUsed(input);
  const rows = depthTable(input);
  const shuttersS = settableShutters(input, exposure);
  const limits = shutterLimits(input);
  const fastest = shuttersS[0] ?? input.body.fastestShutterS;
  const marked = (limitS: number): number => snapToMark({ value: limitS, marks: shuttersS, direction: 'down' }) ?? fastest;
  // A long exposure at base ISO accepts that walkers smear; it is the hands that it must not outlast.
  const motionCounts = exposure !== 'baseIsoLong';
  return {
    input,
    exposure,
    placement: placementOf(input.intent, input.light.contrastEv),
    rows,
    ...chooseRows(input, rows),
    shuttersS,
    limits,
    wantedS: marked(Math.min(limits.shakeS, motionCounts ? limits.wantedMotionS : Infinity)),
    leastS: marked(Math.min(limits.shakeS, motionCounts ? limits.leastMotionS : Infinity)),
    ...isoRange(input, exposure),
  };
}
