import { type Body, DEFAULT_FIGURES, type Figures, type Film, type Flash, type Lens, type Standard } from '../kit/index.js';
import type { Approach, Intent, Movers, Shooting, StopLight, Subject } from '../stop/index.js';
import { DEFAULT_SHOOTING } from '../stop/index.js';
import { checkBetween, checkBeyondFocalLength, checkFinite, rangeError } from '../units/index.js';

/** Everything that a set-up is worked out from, plain data. */
export interface SetUpInput {
  readonly intent: Intent;
  readonly subject: Subject;
  readonly movers: Movers;
  /** Without a spread the light is taken to be just that. */
  readonly light: Pick<StopLight, 'keyEv100' | 'contrastEv' | 'surface'> & { readonly spreadEv?: number };
  readonly body: Body;
  readonly lens: Lens;
  readonly focalLengthMm: number;
  /** The roll in a film body; null otherwise. */
  readonly film: Film | null;
  readonly flash: Flash | null;
  readonly standard: Standard;
  readonly approach: Approach;
  readonly shooting?: Shooting;
}

export function figuresOf({ standard }: Pick<SetUpInput, 'standard'>): Figures {
  return { ...DEFAULT_FIGURES, ...standard.figures };
}

export function shootingOf({ shooting = DEFAULT_SHOOTING }: Pick<SetUpInput, 'shooting'>): Shooting {
  return shooting;
}

/** The public door: ranges that the search relies on. */
export function checkSetUpInput({ subject, lens, focalLengthMm, light, movers }: SetUpInput): void {
  checkBetween('focalLengthMm', focalLengthMm, lens.shortestMm, lens.longestMm);
  checkBeyondFocalLength('subject.nearM', subject.nearM, focalLengthMm);
  checkBeyondFocalLength('subject.farM', subject.farM, focalLengthMm, { orInfinity: true });
  checkBeyondFocalLength('subject.medianM', subject.medianM, focalLengthMm);
  if (subject.farM <= subject.nearM) {
    throw rangeError('subject.farM', `greater than subject.nearM (${subject.nearM})`, subject.farM);
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
