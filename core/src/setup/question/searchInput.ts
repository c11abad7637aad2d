import { type Body, DEFAULT_FIGURES, type Figures, type Film, type Flash, type Lens, type Standard } from '../../kit/index.js';
import type { FrameLight, FrameOfStop } from '../../metering/index.js';
import type { Approach, Intent, LightChange, MeteredOn, Movers, PlacementMethod, Shooting, Subject } from '../../stop/index.js';
import { APPROACHES, DEFAULT_SHOOTING } from '../../stop/index.js';
import { checkBetween, checkBeyondFocalLength, checkFinite, checkPositive, rangeError } from '../../units/index.js';

/** Everything that a set-up is worked out from, plain data. */
export interface SetUpInput {
  readonly intent: Intent;
  readonly subject: Subject;
  readonly movers: Movers;
  /** Without a spread the light is taken to be just that. */
  readonly light: FrameLight & { readonly spreadEv?: number };
  readonly body: Body;
  readonly lens: Lens;
  readonly focalLengthMm: number;
  /** The roll in a film body; null otherwise. */
  readonly film: Film | null;
  readonly flash: Flash | null;
  readonly standard: Standard;
  readonly approach: Approach;
  readonly shooting?: Shooting;
  /** How the light changes while one stands there; steady by default. */
  readonly changes?: LightChange;
  /** Where the stop's key is put, and on what; as in `DEFAULT_METERING` by default. */
  readonly placing?: PlacementMethod;
  readonly meteredOn?: MeteredOn;
  /** The street that is in the frame; a middling one by default. */
  readonly streetWidthM?: number;
  readonly wallsM?: number;
  /** What there is to stand on; all there are by default. */
  readonly supports?: readonly Approach['support'][];
}

export function figuresOf({ standard }: Pick<SetUpInput, 'standard'>): Figures {
  return { ...DEFAULT_FIGURES, ...standard.figures };
}

/** Supports at hand, the lightest first. */
export function supportsOf({ supports = APPROACHES.support }: Pick<SetUpInput, 'supports'>): readonly Approach['support'][] {
  return APPROACHES.support.filter((support) => support === 'handheld' || supports.includes(support));
}

export function shootingOf({ shooting = DEFAULT_SHOOTING }: Pick<SetUpInput, 'shooting'>): Shooting {
  return shooting;
}

/** The public door: ranges that the search relies on. */
export function checkSetUpInput({ subject, lens, focalLengthMm, light, movers }: SetUpInput): void {
  checkBetween('focalLengthMm', focalLengthMm, lens.shortestMm, lens.longestMm);
  checkPositive('subject.nearM', subject.nearM);
  checkBeyondFocalLength('subject.medianM', subject.medianM, focalLengthMm);
  if (!(subject.farM >= subject.nearM)) {
    throw rangeError('subject.farM', `at least subject.nearM (${subject.nearM})`, subject.farM);
  }
  checkFinite('light.keyEv100', light.keyEv100);
  checkBetween('light.spreadEv', light.spreadEv ?? 0, 0, 20);
  checkBetween('movers.speedSpreadMps', movers.speedSpreadMps, 0, 1000);
}

/** A body without a slowest auto shutter cannot be run that way: the hand holds both instead. A film body has its roll. */
export function exposureUsed({ body, approach }: Pick<SetUpInput, 'body' | 'approach'>): Approach['exposure'] {
  if (body.medium === 'film') return 'film';
  const wanted = approach.exposure === 'film' ? 'aperturePriority' : approach.exposure;
  return wanted === 'aperturePriority' && body.slowestAutoShuttersS.length === 0 ? 'bothHeld' : wanted;
}

/** The stop's own frame, as a scene is made from it. */
export function frameOf({ intent, light, subject, focalLengthMm, body, changes, streetWidthM, wallsM }: SetUpInput): FrameOfStop {
  return {
    intent,
    light,
    subject,
    focalLengthMm,
    body,
    ...(changes === undefined ? {} : { changes }),
    ...(streetWidthM === undefined ? {} : { streetWidthM }),
    ...(wallsM === undefined ? {} : { wallsM }),
  };
}
