/** Figures of judgement behind the search, each a default that the person may replace. Source: docs/formulas.md#figures. */
export interface Figures {
  /** Where people step round a spot that was focused on, standard deviation in metres. */
  readonly stepSpreadM: number;
  /** How far off the middle the subject is wanted when the centre point is locked first, degrees. */
  readonly centreOffsetDeg: number;
  /** Stops of steadiness that bracing gains. */
  readonly braceStops: number;
  /** Stops of steadiness that walking while shooting costs (negative). */
  readonly walkingStops: number;
  /** Longest exposure that any hand holds, seconds. */
  readonly longestHandheldS: number;
  /** Weight of each further frame of a burst: 1 independent, 0 all alike. */
  readonly burstIndependence: number;
  /** Smear allowed, in circles of confusion. */
  readonly strictSmear: number;
  readonly candidSmear: number;
  readonly nightSmear: number;
  /** Bounds of a smear that is wanted, and of a panned background, in circles of confusion. */
  readonly wantedSmearFrom: number;
  readonly wantedSmearTo: number;
  readonly pannedSmearFrom: number;
  readonly pannedSmearTo: number;
  /** Share of the subject's movement that a pan follows. */
  readonly panSkill: number;
  /** Flash draws a sharp edge into the smear: the limit is this many times wider. */
  readonly flashSmearGain: number;
  /** A frame counts fully from this many stops under to this many over, and not at all `exposureFadeEv` beyond. */
  readonly exposureUnderEv: number;
  readonly exposureOverEv: number;
  readonly exposureFadeEv: number;
  readonly mainsHz: number;
  /** Share of the light that pulses. */
  readonly oldTubeRipple: number;
  readonly poorLedRipple: number;
  readonly goodLedRipple: number;
  readonly screenHz: number;
  /** Share of each period in which a screen is lit. */
  readonly screenDuty: number;
  /** Unevenness that nobody sees, and that ruins the frame, stops. */
  readonly flickerFreeEv: number;
  readonly flickerRuinEv: number;
  /** A factor under this breaks a soft limit. */
  readonly softFactor: number;
  /** What a stop of ISO above base costs in the score. */
  readonly isoCostPerStop: number;
  /** Under this chance there is no best. */
  readonly leastChance: number;
  /** Least gain for which a way out is listed. */
  readonly wayOutGain: number;
  /** A ladder starts and ends at this chance. */
  readonly ladderChance: number;
  /** What a change costs the hand, in score. */
  readonly ringPrice: number;
  readonly buttonPrice: number;
  readonly menuPrice: number;
  /** Isolating: at least this much blur, in pixels, at this distance. */
  readonly isolatingBlurPx: number;
  readonly isolatingDistanceM: number;
}

export const DEFAULT_FIGURES: Figures = {
  stepSpreadM: 0.3,
  centreOffsetDeg: 15,
  braceStops: 1.5,
  walkingStops: -2,
  longestHandheldS: 1,
  burstIndependence: 0.5,
  strictSmear: 1.5,
  candidSmear: 2,
  nightSmear: 3,
  wantedSmearFrom: 5,
  wantedSmearTo: 25,
  pannedSmearFrom: 20,
  pannedSmearTo: 100,
  panSkill: 0.95,
  flashSmearGain: 3,
  exposureUnderEv: 1 / 3,
  exposureOverEv: 2 / 3,
  exposureFadeEv: 1,
  mainsHz: 50,
  oldTubeRipple: 0.3,
  poorLedRipple: 0.8,
  goodLedRipple: 0.05,
  screenHz: 120,
  screenDuty: 0.5,
  flickerFreeEv: 0.2,
  flickerRuinEv: 1.5,
  softFactor: 0.8,
  isoCostPerStop: 0.02,
  leastChance: 0.05,
  wayOutGain: 0.05,
  ladderChance: 0.2,
  ringPrice: 0.15,
  buttonPrice: 0.25,
  menuPrice: 0.6,
  isolatingBlurPx: 15,
  isolatingDistanceM: 30,
};

/** What each figure may be. */
export const FIGURE_RANGES: Readonly<Record<keyof Figures, readonly [number, number]>> = {
  stepSpreadM: [0.01, 5],
  centreOffsetDeg: [0, 60],
  braceStops: [0, 6],
  walkingStops: [-6, 0],
  longestHandheldS: [0.01, 60],
  burstIndependence: [0, 1],
  strictSmear: [0.1, 50],
  candidSmear: [0.1, 50],
  nightSmear: [0.1, 50],
  wantedSmearFrom: [0.1, 500],
  wantedSmearTo: [0.1, 5000],
  pannedSmearFrom: [0.1, 500],
  pannedSmearTo: [0.1, 5000],
  panSkill: [0, 0.999],
  flashSmearGain: [1, 20],
  exposureUnderEv: [0, 5],
  exposureOverEv: [0, 5],
  exposureFadeEv: [0.01, 5],
  mainsHz: [10, 1000],
  oldTubeRipple: [0, 0.999],
  poorLedRipple: [0, 0.999],
  goodLedRipple: [0, 0.999],
  screenHz: [10, 20_000],
  screenDuty: [0.01, 1],
  flickerFreeEv: [0, 5],
  flickerRuinEv: [0.01, 10],
  softFactor: [0.01, 1],
  isoCostPerStop: [0, 1],
  leastChance: [0, 1],
  wayOutGain: [0, 1],
  ladderChance: [0, 1],
  ringPrice: [0, 10],
  buttonPrice: [0, 10],
  menuPrice: [0, 10],
  isolatingBlurPx: [1, 10_000],
  isolatingDistanceM: [0.1, 10_000],
};
