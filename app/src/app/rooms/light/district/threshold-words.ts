import type { IntentKind, ThresholdName } from '@roam-dial/core/stop';

export type ThresholdUnit = 'm' | 'share' | 'stops' | '°' | 'EV';

interface ThresholdWords {
  readonly name: string;
  readonly unit: ThresholdUnit;
}

/** What each threshold of the light windows is about. */
export const THRESHOLD_WORDS: Readonly<Record<ThresholdName, ThresholdWords>> = {
  poolSquareM: { name: 'Side of the lit square', unit: 'm' },
  poolLeastShare: { name: 'Lit share, at least', unit: 'share' },
  poolMostShare: { name: 'Lit share, at most', unit: 'share' },
  poolContrastEv: { name: 'Sun over shade', unit: 'stops' },
  poolStripM: { name: 'Length along the path: strip, pool', unit: 'm' },
  silhouetteEv: { name: 'Background over people', unit: 'stops' },
  silhouetteSunLowDeg: { name: 'Sun, lowest', unit: '°' },
  silhouetteSunHighDeg: { name: 'Sun, highest', unit: '°' },
  intoSunBearingDeg: { name: 'Sun off the street', unit: '°' },
  intoSunAltitudeDeg: { name: 'Sun, highest', unit: '°' },
  intoSunCloud: { name: 'Cloud, at most', unit: 'share' },
  candidShadeShare: { name: 'In shade: lit share, at most', unit: 'share' },
  candidSunShare: { name: 'In sun: lit share, at least', unit: 'share' },
  candidContrastEv: { name: 'Or sun over shade, at most', unit: 'stops' },
  candidShadeEv: { name: 'Light in the shade', unit: 'EV' },
  facadeLitShare: { name: 'Lit share of the face', unit: 'share' },
  facadeFrontalDeg: { name: 'Frontal incidence, at most', unit: '°' },
  facadeRakingLowDeg: { name: 'Raking incidence, at least', unit: '°' },
  facadeRakingHighDeg: { name: 'Raking incidence, at most', unit: '°' },
  facadeContrastEv: { name: 'Sun over shade', unit: 'stops' },
  reflectionWallShare: { name: 'Lit share of the wall', unit: 'share' },
  reflectionOverShadeEv: { name: 'Wall over the shade around the mirror, at least', unit: 'stops' },
  flashUnderSyncEv: { name: 'Daylight under the sync time', unit: 'stops' },
  flashOverHandheldEv: { name: 'Daylight against handheld time', unit: 'stops' },
  duskBalanceEv: { name: 'Sky against lamps', unit: 'stops' },
  darkSunDeg: { name: 'Sun below', unit: '°' },
  compressedAltitudeDeg: { name: 'Low sun, at most', unit: '°' },
  compressedBearingDeg: { name: 'Sun off the street', unit: '°' },
};

/** The thresholds that an intent's windows go by. */
export const THRESHOLDS_OF: Readonly<Record<IntentKind, readonly ThresholdName[]>> = {
  passingCandid: ['candidShadeShare', 'candidSunShare', 'candidContrastEv', 'candidShadeEv'],
  lightPool: ['poolSquareM', 'poolLeastShare', 'poolMostShare', 'poolContrastEv', 'poolStripM'],
  silhouette: ['silhouetteEv', 'silhouetteSunLowDeg', 'silhouetteSunHighDeg'],
  intoTheSun: ['intoSunBearingDeg', 'intoSunAltitudeDeg', 'intoSunCloud'],
  brightBackdrop: ['darkSunDeg'],
  litStreet: ['darkSunDeg', 'duskBalanceEv'],
  flashLift: ['flashUnderSyncEv', 'flashOverHandheldEv'],
  longExposure: [],
  facade: ['facadeLitShare', 'facadeFrontalDeg', 'facadeRakingLowDeg', 'facadeRakingHighDeg', 'facadeContrastEv'],
  reflection: ['reflectionWallShare', 'reflectionOverShadeEv', 'darkSunDeg'],
  compressedDistance: ['compressedAltitudeDeg', 'compressedBearingDeg'],
  fireworks: [],
};
