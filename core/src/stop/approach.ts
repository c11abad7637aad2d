/** Where practitioners disagree: each dimension a named school, on the walk or on a stop. */
export interface Approach {
  readonly exposure: 'aperturePriority' | 'bothHeld' | 'fixedIso' | 'baseIsoLong' | 'film';
  readonly focus: 'fixedZone' | 'lockedOnSpot' | 'centrePoint';
  readonly depth: 'free' | 'deep' | 'contextual' | 'isolating';
  readonly support: 'handheld' | 'braced' | 'tripod';
}

export const APPROACHES = {
  exposure: ['aperturePriority', 'bothHeld', 'fixedIso', 'baseIsoLong', 'film'],
  focus: ['fixedZone', 'lockedOnSpot', 'centrePoint'],
  depth: ['free', 'deep', 'contextual', 'isolating'],
  support: ['handheld', 'braced', 'tripod'],
} as const satisfies { readonly [Dimension in keyof Approach]: readonly Approach[Dimension][] };

export const DEFAULT_APPROACH: Approach = {
  exposure: 'aperturePriority',
  focus: 'fixedZone',
  depth: 'free',
  support: 'handheld',
};
