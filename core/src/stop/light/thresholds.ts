/** The two ends of a ramp: worth a quarter at the first, all at the second; 0 beyond the first. */
export type Threshold = readonly [opens: number, full: number];

/** When the light counts as suiting an intent; docs/formulas.md#windows. Shares are 0..1. */
export interface WindowThresholds {
  /** Side of the largest lit square, metres. */
  readonly poolSquareM: Threshold;
  readonly poolLeastShare: Threshold;
  readonly poolMostShare: Threshold;
  readonly poolContrastEv: Threshold;
  /** A patch this long along the walkers' path is a strip, worth 0.4, at the first, a pool at the second. */
  readonly poolStripM: Threshold;
  readonly silhouetteEv: Threshold;
  readonly silhouetteSunLowDeg: Threshold;
  readonly silhouetteSunHighDeg: Threshold;
  readonly intoSunBearingDeg: Threshold;
  readonly intoSunAltitudeDeg: Threshold;
  readonly intoSunCloud: Threshold;
  readonly candidShadeShare: Threshold;
  readonly candidSunShare: Threshold;
  readonly candidContrastEv: Threshold;
  readonly candidShadeEv: Threshold;
  readonly facadeLitShare: Threshold;
  readonly facadeFrontalDeg: Threshold;
  readonly facadeRakingLowDeg: Threshold;
  readonly facadeRakingHighDeg: Threshold;
  readonly facadeContrastEv: Threshold;
  readonly reflectionWallShare: Threshold;
  /** A gate: both ends are the same. */
  readonly reflectionOverShadeEv: Threshold;
  /** Daylight against what the sync time and the slowest handheld time take, stops. */
  readonly flashUnderSyncEv: Threshold;
  readonly flashOverHandheldEv: Threshold;
  readonly duskBalanceEv: Threshold;
  readonly darkSunDeg: Threshold;
  readonly compressedAltitudeDeg: Threshold;
  readonly compressedBearingDeg: Threshold;
}

export const DEFAULT_THRESHOLDS: WindowThresholds = {
  poolSquareM: [1, 2],
  poolLeastShare: [0.03, 0.05],
  poolMostShare: [0.4, 0.25],
  poolContrastEv: [2, 3],
  poolStripM: [8, 5],
  silhouetteEv: [3, 4],
  silhouetteSunLowDeg: [-8, -6],
  silhouetteSunHighDeg: [15, 8],
  intoSunBearingDeg: [10, 5],
  intoSunAltitudeDeg: [15, 10],
  intoSunCloud: [0.8, 0.6],
  candidShadeShare: [0.15, 0.05],
  candidSunShare: [0.85, 0.95],
  candidContrastEv: [1.5, 1],
  candidShadeEv: [5, 7],
  facadeLitShare: [0.8, 0.95],
  facadeFrontalDeg: [50, 40],
  facadeRakingLowDeg: [58, 65],
  facadeRakingHighDeg: [82, 75],
  facadeContrastEv: [1, 2],
  reflectionWallShare: [0.3, 0.6],
  reflectionOverShadeEv: [0.5, 0.5],
  flashUnderSyncEv: [-1, -1.5],
  flashOverHandheldEv: [-2, -1.5],
  duskBalanceEv: [2, 1],
  darkSunDeg: [-3, -6],
  compressedAltitudeDeg: [25, 15],
  compressedBearingDeg: [75, 60],
};

export type ThresholdName = keyof WindowThresholds;
export const THRESHOLD_NAMES = Object.keys(DEFAULT_THRESHOLDS) as readonly ThresholdName[];

/** Thresholds that open all at once. */
export const GATES: ReadonlySet<ThresholdName> = new Set(['reflectionOverShadeEv']);

/** The quality of a strip at the far end of `poolStripM`. */
export const STRIP_QUALITY = 0.4;
