import { RAD_PER_DEG } from '../units/index.js';
import { ARTIFICIAL_LIGHT } from '../light/index.js';
import { type CameraReach, FLASH_LIFT } from './cameraReach.js';
import { bearingGapDeg, isWithinHours, type StopInstant, type StopLight } from './stopLight.js';
import { STRIP_QUALITY, type Threshold, type WindowThresholds } from './thresholds.js';

/** What a window can open or close on; the words for each are the interface's. */
export type WindowReason =
  | 'sunGap'
  | 'patchSize'
  | 'litShare'
  | 'strip'
  | 'contrast'
  | 'evenLight'
  | 'shadeLight'
  | 'background'
  | 'sunHeight'
  | 'sunBearing'
  | 'cloud'
  | 'spotShaded'
  | 'noWall'
  | 'incidence'
  | 'darkness'
  | 'dusk'
  | 'hours'
  | 'wet'
  | 'exposure'
  | 'dayEdge';

export interface Ramp {
  readonly reason: WindowReason;
  /** 0 below "opens", 0.25 at it, 1 at "full". */
  readonly value: number;
}

/** Ramp between an opening and a full value, rising or falling; with both the same a rising gate. */
export function ramp(value: number, opens: number, full: number): number {
  if (opens === full) return value >= opens ? 1 : 0;
  const share = (value - opens) / (full - opens);
  if (share < 0) return 0;
  return Math.min(1, 0.25 + 0.75 * share);
}

const over = (value: number, [opens, full]: Threshold): number => ramp(value, opens, full);

function gate(reason: WindowReason, isOpen: boolean): Ramp {
  return { reason, value: isOpen ? 1 : 0 };
}

const shifted = ([opens, full]: Threshold, by: number): Threshold => [opens + by, full + by];

export type SiteOfDay = StopInstant['site'] & { readonly streetAxisDeg: number };

export interface QualityInput {
  readonly instant: StopInstant & { readonly site: SiteOfDay };
  readonly light: StopLight;
  /** Half of the lens's horizontal field. */
  readonly halfFieldDeg: number;
  readonly reach: CameraReach;
  readonly thresholds: WindowThresholds;
}

type RampsOf = (input: QualityInput) => readonly Ramp[];

export function qualityOf(ramps: readonly Ramp[]): number {
  return ramps.reduce((least, { value }) => Math.min(least, value), 1);
}

/** Ways in which a picture can come about, always the same ones in the same order; the best of them counts. */
export type Ways = readonly (readonly Ramp[])[];

export function bestOf(ways: Ways): number {
  return ways.reduce((best, ramps) => Math.max(best, qualityOf(ramps)), 0);
}

const hoursRamps: RampsOf = ({ instant }) => {
  const { hours } = instant.site;
  return hours === null ? [] : [gate('hours', isWithinHours(hours, instant.minuteOfDay))];
};

const afterDark: RampsOf = (input) => [
  { reason: 'darkness', value: over(input.light.sun.altitudeDeg, input.thresholds.darkSunDeg) },
  ...hoursRamps(input),
];

/** In the sun or in the shade alone, or where the two are near enough for one exposure. */
export function candidRamps({ light, instant, thresholds }: QualityInput, side: 'sun' | 'shade'): readonly Ramp[] {
  const lit = instant.walls?.sight.zoneLitShare ?? (light.isLit ? 1 : 0);
  const even = over(light.contrastEv, thresholds.candidContrastEv);
  return [
    { reason: 'shadeLight', value: over(light.shadeEv, thresholds.candidShadeEv) },
    side === 'sun'
      ? { reason: 'sunGap', value: over(lit, thresholds.candidSunShare) }
      : { reason: 'evenLight', value: Math.max(over(lit, thresholds.candidShadeShare), even) },
  ];
}

const poolRamps: RampsOf = ({ light, instant, thresholds }) => {
  const contrast: Ramp = { reason: 'contrast', value: over(light.contrastEv, thresholds.poolContrastEv) };
  if (instant.walls === undefined) return [gate('sunGap', light.isLit), contrast];
  const { squareSideM, litShare, patch } = instant.walls.sight;
  return [
    { reason: 'patchSize', value: over(squareSideM, thresholds.poolSquareM) },
    { reason: 'patchSize', value: over(litShare, thresholds.poolLeastShare) },
    { reason: 'litShare', value: over(litShare, thresholds.poolMostShare) },
    { reason: 'strip', value: poolNotStrip(patch?.alongPathM ?? 0, thresholds.poolStripM) },
    contrast,
  ];
};

function poolNotStrip(alongPathM: number, [stripM, poolM]: Threshold): number {
  const share = Math.min(1, Math.max(0, (alongPathM - poolM) / (stripM - poolM)));
  return 1 - (1 - STRIP_QUALITY) * share;
}

const silhouetteWays = (input: QualityInput): Ways => {
  const { instant, light, halfFieldDeg, thresholds } = input;
  const { intent, shootingBearingDeg } = instant.site;
  const background = intent.kind === 'silhouette' ? intent.background : 'sky';
  const behindEv = light.background?.ev100 ?? light.modelEv100;
  const contrast: Ramp = { reason: 'background', value: over(behindEv - light.cameraSideEv, thresholds.silhouetteEv) };
  const { altitudeDeg, azimuthDeg } = light.sun;
  const againstSun = [
    { reason: 'sunHeight', value: over(altitudeDeg, thresholds.silhouetteSunLowDeg) },
    { reason: 'sunHeight', value: over(altitudeDeg, thresholds.silhouetteSunHighDeg) },
    gate('sunBearing', bearingGapDeg(azimuthDeg, shootingBearingDeg) <= halfFieldDeg + 15),
    contrast,
  ] as const;
  const byDay = [gate('sunHeight', altitudeDeg > 0), gate('spotShaded', !light.isLit), contrast] as const;
  if (light.background === null) {
    if (background === 'screen') return [afterDark(input)];
    return [background === 'wall' ? byDay : againstSun];
  }
  const onScreen = [gate('background', light.background.kind === 'screen'), contrast, ...hoursRamps(input)];
  return [againstSun, byDay, onScreen];
};

/** The end of the street that the camera looks to. */
export function axisAheadDeg({ streetAxisDeg, shootingBearingDeg }: SiteOfDay): number {
  return bearingGapDeg(streetAxisDeg, shootingBearingDeg) <= 90 ? streetAxisDeg : (streetAxisDeg + 180) % 360;
}

/** Angle of a bearing to the street's line, whichever way along it: 0..90. */
export function axisGapDeg({ streetAxisDeg }: Pick<SiteOfDay, 'streetAxisDeg'>, bearingDeg: number): number {
  const gap = bearingGapDeg(streetAxisDeg, bearingDeg);
  return Math.min(gap, 180 - gap);
}

const isEyeInSun = ({ instant, light }: QualityInput): boolean =>
  instant.walls === undefined ? light.isLit : instant.walls.sight.eyeSun >= 0.5;

const intoTheSunRamps: RampsOf = (input) => {
  const { instant, light, thresholds } = input;
  const { azimuthDeg, altitudeDeg } = light.sun;
  return [
    { reason: 'sunBearing', value: over(bearingGapDeg(azimuthDeg, axisAheadDeg(instant.site)), thresholds.intoSunBearingDeg) },
    { reason: 'sunHeight', value: altitudeDeg < 0 ? 0 : over(altitudeDeg, thresholds.intoSunAltitudeDeg) },
    gate('sunGap', isEyeInSun(input)),
    { reason: 'cloud', value: over(instant.cloud, thresholds.intoSunCloud) },
  ];
};

/** Angle between the sun and the square-on look at a wall that the camera faces. */
function wallIncidenceDeg(shootingBearingDeg: number, { azimuthDeg, altitudeDeg }: StopLight['sun']): number {
  const cosine = -Math.cos(altitudeDeg * RAD_PER_DEG) * Math.cos((azimuthDeg - shootingBearingDeg) * RAD_PER_DEG);
  return Math.acos(Math.min(1, Math.max(-1, cosine))) / RAD_PER_DEG;
}

const facadeRamps: RampsOf = ({ instant, light, thresholds }) => {
  const contrast: Ramp = { reason: 'contrast', value: over(light.litPersonEv - light.shadeEv, thresholds.facadeContrastEv) };
  if (instant.walls !== undefined && light.face === null) return [gate('noWall', false)];
  const incidence = light.face?.incidenceDeg ?? wallIncidenceDeg(instant.site.shootingBearingDeg, light.sun);
  const raking = Math.min(over(incidence, thresholds.facadeRakingLowDeg), over(incidence, thresholds.facadeRakingHighDeg));
  return [
    light.face === null
      ? gate('sunGap', light.isLit)
      : { reason: 'sunGap', value: over(light.face.litShare, thresholds.facadeLitShare) },
    { reason: 'incidence', value: Math.max(over(incidence, thresholds.facadeFrontalDeg), raking) },
    contrast,
  ];
};

const reflectionWays = (input: QualityInput): Ways => {
  const { instant, light, thresholds } = input;
  const { intent, lamps } = instant.site;
  const dry = intent.kind === 'reflection' && intent.mirror === 'puddle' && !intent.isWet;
  const wet = dry ? [gate('wet', false)] : [];
  const { walls } = instant;
  if (walls === undefined) {
    const overShade: Ramp = { reason: 'contrast', value: over(light.contrastEv, thresholds.reflectionOverShadeEv) };
    return [[...wet, ...(light.lampsOn ? afterDark(input) : [gate('spotShaded', !light.isLit), overShade])]];
  }
  const wallEv = light.face?.wallEv ?? -Infinity;
  const byDay = [
    light.face === null
      ? gate('noWall', false)
      : { reason: 'litShare' as const, value: over(light.face.litShare, thresholds.reflectionWallShare) },
    gate('spotShaded', walls.sight.mirrorSun < 0.5),
    { reason: 'contrast' as const, value: over(wallEv - light.shadeEv, thresholds.reflectionOverShadeEv) },
  ];
  const byNight = [...afterDark(input), gate('darkness', lamps !== 'none')];
  return [byDay, byNight].map((ramps) => [...wet, ...ramps]);
};

/** EV at ISO 100 that an aperture, a time and an ISO take. */
const takenEv = (fNumber: number, seconds: number, iso: number): number => Math.log2(fNumber ** 2 / seconds) - Math.log2(iso / 100);

/** Daylight that the flash can be set against: under what the sync time takes, over what the hands hold. */
const flashLiftRamps: RampsOf = (input) => {
  const { light, reach, thresholds } = input;
  const iso = FLASH_LIFT.timesBaseIso * reach.baseIso;
  const atSync = takenEv(FLASH_LIFT.fNumber, reach.flashSyncS, iso);
  const inHand = takenEv(FLASH_LIFT.fNumber, reach.handheldS, iso);
  return [
    { reason: 'dusk', value: over(light.daylightEv, shifted(thresholds.flashUnderSyncEv, atSync)) },
    { reason: 'dusk', value: over(light.daylightEv, shifted(thresholds.flashOverHandheldEv, inHand)) },
    ...hoursRamps(input),
  ];
};

/** The wanted time at base ISO within the lens's apertures, a stop of tolerance at either end. */
const longExposureRamps: RampsOf = (input) => {
  const { instant, light, reach } = input;
  const { intent } = instant.site;
  const seconds = intent.kind === 'longExposure' ? intent.wantedS : 1;
  const brighter = Math.max(light.shadeEv, light.skyEv - 1);
  const brightest = takenEv(reach.smallestFNumber, seconds, reach.baseIso);
  const dimmest = takenEv(reach.widestFNumber, seconds, reach.baseIso);
  return [
    { reason: 'exposure', value: ramp(brighter, dimmest - 1, dimmest) },
    { reason: 'exposure', value: ramp(brighter, brightest, brightest - 1) },
    ...hoursRamps(input),
  ];
};

const compressedRamps: RampsOf = (input) => {
  const { instant, light, reach, thresholds } = input;
  const { sun } = light;
  const low = over(sun.altitudeDeg, thresholds.compressedAltitudeDeg);
  const near = over(bearingGapDeg(sun.azimuthDeg, axisAheadDeg(instant.site)), thresholds.compressedBearingDeg);
  const glow = isEyeInSun(input) ? Math.min(low, near) : 0;
  const leastEv = takenEv(reach.widestFNumber, reach.handheldS, reach.isoCeiling);
  return [gate('shadeLight', light.shadeEv >= leastEv), { reason: 'sunHeight', value: 0.5 + 0.5 * glow }];
};

const fireworksRamps: RampsOf = (input) => (input.instant.site.hours === null ? [gate('hours', false)] : hoursRamps(input));

/** The ways of an intent at one instant; a way's quality is its smallest ramp. Source: docs/formulas.md#windows. */
export function intentWays(input: QualityInput): Ways {
  const { intent } = input.instant.site;
  switch (intent.kind) {
    case 'passingCandid':
      if (intent.light !== 'either') return [candidRamps(input, intent.light)];
      return [candidRamps(input, 'shade'), candidRamps(input, 'sun')];
    case 'lightPool':
      return [poolRamps(input)];
    case 'silhouette':
      return silhouetteWays(input);
    case 'intoTheSun':
      return [intoTheSunRamps(input)];
    case 'brightBackdrop':
    case 'litStreet':
      return [afterDark(input)];
    case 'flashLift':
      return [flashLiftRamps(input)];
    case 'longExposure':
      return [longExposureRamps(input)];
    case 'facade':
      return [facadeRamps(input)];
    case 'reflection':
      return reflectionWays(input);
    case 'compressedDistance':
      return [compressedRamps(input)];
    case 'fireworks':
      return [fireworksRamps(input)];
  }
}

/** Later than this the sky's glow is the town's own, all night. */
const DUSK_ENDS_DEG = -12;

/** How well sky and lamps balance at dusk: the sky's luminance within so many stops of theirs; 0 where there are none. */
export function duskBalanceQuality({ instant, light, thresholds }: QualityInput): number {
  const lampsEv = ARTIFICIAL_LIGHT[instant.site.lamps].ev100;
  const { altitudeDeg } = light.sun;
  if (lampsEv === null || altitudeDeg > 0 || altitudeDeg < DUSK_ENDS_DEG) return 0;
  return over(Math.abs(light.skyEv - lampsEv), thresholds.duskBalanceEv);
}
