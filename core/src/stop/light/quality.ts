import { RAD_PER_DEG } from '../../units/index.js';
import { apparentSun, ARTIFICIAL_LIGHT } from '../../light/index.js';
import { type CameraReach, FLASH_LIFT } from '../cameraReach.js';
import { isWithinHours } from '../hours.js';
import { areStreetLamps, streetLampsShare } from '../lampsOut.js';
import { bearingGapDeg, type StopInstant, type StopLight } from './stopLight.js';
import { STRIP_QUALITY, type Threshold, type WindowThresholds } from './thresholds.js';

/** What a window can open or close on; the words for each are the interface's. */
export type WindowReason =
  | 'sunGap'
  | 'patchSize'
  | 'litShare'
  | 'strip'
  | 'contrast'
  | 'evenLight'
  | 'softLight'
  | 'shadeLight'
  | 'background'
  | 'sunHeight'
  | 'sunBearing'
  | 'cloud'
  | 'spotShaded'
  | 'noWall'
  | 'squareOn'
  | 'incidence'
  | 'darkness'
  | 'dusk'
  | 'hours'
  | 'lampsOut'
  | 'wet'
  | 'exposure'
  | 'dayEdge';

/** What a ramp goes by, and where it opens: the shortfall can then be said. */
export interface RampFigure {
  readonly is: number;
  readonly needs: number;
  readonly unit: 'stops' | 'ev' | 'degrees' | 'share' | 'metres' | 'minutes';
}

export interface Ramp {
  readonly reason: WindowReason;
  /** 0 below "opens", 0.25 at it, 1 at "full". */
  readonly value: number;
  /** Absent for a gate that is open or not. */
  readonly figure?: RampFigure;
}

/** Ramp between an opening and a full value, rising or falling; with both the same a rising gate. */
export function ramp(value: number, opens: number, full: number): number {
  if (opens === full) return value >= opens ? 1 : 0;
  const share = (value - opens) / (full - opens);
  if (share < 0) return 0;
  return Math.min(1, 0.25 + 0.75 * share);
}

const over = (value: number, [opens, full]: Threshold): number => ramp(value, opens, full);

function gate(reason: WindowReason, isOpen: boolean, figure?: RampFigure): Ramp {
  return { reason, value: isOpen ? 1 : 0, ...(figure === undefined ? {} : { figure }) };
}

function ramped(reason: WindowReason, is: number, threshold: Threshold, unit: RampFigure['unit']): Ramp {
  return { reason, value: over(is, threshold), figure: { is, needs: threshold[0], unit } };
}

/** Open up to an angle. */
const within = (reason: WindowReason, is: number, needs: number): Ramp => gate(reason, is <= needs, { is, needs, unit: 'degrees' });

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

/** Street lamps that the town switches off take the picture with them; dimmed ones leave it. */
const lampsOutRamps: RampsOf = ({ instant }) => {
  const { hours, lamps, lampsOut } = instant.site;
  if (hours !== null || lampsOut === undefined || !areStreetLamps(lamps)) return [];
  return [gate('lampsOut', streetLampsShare(lampsOut, instant.minuteOfDay) > 0)];
};

const afterDark: RampsOf = (input) => [
  ramped('darkness', input.light.sun.altitudeDeg, input.thresholds.darkSunDeg, 'degrees'),
  ...hoursRamps(input),
];

/** In the sun or in the shade alone, or where the two are near enough for one exposure. */
export function candidRamps({ light, instant, thresholds }: QualityInput, side: 'sun' | 'shade'): readonly Ramp[] {
  const lit = instant.walls?.sight.zoneLitShare ?? (light.isLit ? 1 : 0);
  const shade = ramped('evenLight', lit, thresholds.candidShadeShare, 'share');
  // Sun and shade close enough for one exposure do as well; a window that ends names the one of the two that held it.
  const soft = ramped('softLight', light.contrastEv, thresholds.candidContrastEv, 'stops');
  return [
    ramped('shadeLight', light.shadeEv, thresholds.candidShadeEv, 'ev'),
    side === 'sun' ? ramped('sunGap', lit, thresholds.candidSunShare, 'share') : soft.value > shade.value ? soft : shade,
  ];
}

const poolRamps: RampsOf = ({ light, instant, thresholds }) => {
  const contrast = ramped('contrast', light.contrastEv, thresholds.poolContrastEv, 'stops');
  if (instant.walls === undefined) return [gate('sunGap', light.isLit), contrast];
  const { squareSideM, litShare, patch } = instant.walls.sight;
  return [
    ramped('patchSize', squareSideM, thresholds.poolSquareM, 'metres'),
    ramped('patchSize', litShare, thresholds.poolLeastShare, 'share'),
    ramped('litShare', litShare, thresholds.poolMostShare, 'share'),
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
  const contrast = ramped('background', behindEv - light.cameraSideEv, thresholds.silhouetteEv, 'stops');
  const { altitudeDeg, azimuthDeg } = light.sun;
  const againstSun = [
    ramped('sunHeight', altitudeDeg, thresholds.silhouetteSunLowDeg, 'degrees'),
    ramped('sunHeight', altitudeDeg, thresholds.silhouetteSunHighDeg, 'degrees'),
    within('sunBearing', bearingGapDeg(azimuthDeg, shootingBearingDeg), halfFieldDeg + 15),
    contrast,
  ] as const;
  // The sun as it is seen, lifted by the air, because that is the one that casts the shadows.
  const isDay = apparentSun(light.sun).altitudeDeg > 0;
  const byDay = [gate('sunHeight', isDay), gate('spotShaded', !light.isLit), contrast] as const;
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
  const { instant, light, thresholds, halfFieldDeg } = input;
  const { azimuthDeg, altitudeDeg } = light.sun;
  const height = ramped('sunHeight', altitudeDeg, thresholds.intoSunAltitudeDeg, 'degrees');
  return [
    ramped('sunBearing', bearingGapDeg(azimuthDeg, axisAheadDeg(instant.site)), thresholds.intoSunBearingDeg, 'degrees'),
    within('sunBearing', bearingGapDeg(azimuthDeg, instant.site.shootingBearingDeg), halfFieldDeg),
    altitudeDeg < 0 ? gate('sunHeight', false) : height,
    gate('sunGap', isEyeInSun(input)),
    ramped('cloud', instant.cloud, thresholds.intoSunCloud, 'share'),
  ];
};

/** Angle between the sun and the square-on look at a wall that the camera faces. */
function wallIncidenceDeg(shootingBearingDeg: number, { azimuthDeg, altitudeDeg }: StopLight['sun']): number {
  const cosine = -Math.cos(altitudeDeg * RAD_PER_DEG) * Math.cos((azimuthDeg - shootingBearingDeg) * RAD_PER_DEG);
  return Math.acos(Math.min(1, Math.max(-1, cosine))) / RAD_PER_DEG;
}

/** A façade looked at farther off its square than this is met edge-on. */
const SQUARE_WITHIN_DEG = 50;

const facadeRamps: RampsOf = ({ instant, light, thresholds }) => {
  const contrast = ramped('contrast', light.litPersonEv - light.shadeEv, thresholds.facadeContrastEv, 'stops');
  if (instant.walls !== undefined && light.face === null) return [gate('noWall', false)];
  // Where no walls are known the one that is meant is looked at squarely.
  const offSquareDeg = light.face === null ? 0 : 180 - bearingGapDeg(light.face.normalDeg, instant.site.shootingBearingDeg);
  const incidence = light.face?.incidenceDeg ?? wallIncidenceDeg(instant.site.shootingBearingDeg, light.sun);
  const raking = Math.min(over(incidence, thresholds.facadeRakingLowDeg), over(incidence, thresholds.facadeRakingHighDeg));
  const frontal = ramped('incidence', incidence, thresholds.facadeFrontalDeg, 'degrees');
  return [
    within('squareOn', offSquareDeg, SQUARE_WITHIN_DEG),
    light.face === null ? gate('sunGap', light.isLit) : ramped('sunGap', light.face.litShare, thresholds.facadeLitShare, 'share'),
    { ...frontal, value: Math.max(frontal.value, raking) },
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
    const overShade = ramped('contrast', light.contrastEv, thresholds.reflectionOverShadeEv, 'stops');
    return [[...wet, ...(light.lampsOn ? afterDark(input) : [gate('spotShaded', !light.isLit), overShade])]];
  }
  const wallEv = light.face?.wallEv ?? -Infinity;
  const byDay = [
    light.face === null ? gate('noWall', false) : ramped('litShare', light.face.litShare, thresholds.reflectionWallShare, 'share'),
    gate('spotShaded', walls.sight.mirrorSun < 0.5),
    ramped('contrast', wallEv - light.shadeEv, thresholds.reflectionOverShadeEv, 'stops'),
  ];
  const byNight = [...afterDark(input), gate('darkness', lamps !== 'none'), ...lampsOutRamps(input)];
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
    ramped('dusk', light.daylightEv, shifted(thresholds.flashUnderSyncEv, atSync), 'ev'),
    ramped('dusk', light.daylightEv, shifted(thresholds.flashOverHandheldEv, inHand), 'ev'),
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
    ramped('exposure', brighter, [dimmest - 1, dimmest], 'ev'),
    ramped('exposure', brighter, [brightest, brightest - 1], 'ev'),
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
  return [
    gate('shadeLight', light.shadeEv >= leastEv, { is: light.shadeEv, needs: leastEv, unit: 'ev' }),
    { reason: 'sunHeight', value: 0.5 + 0.5 * glow },
  ];
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
      return [afterDark(input)];
    case 'litStreet':
      return [[...afterDark(input), ...lampsOutRamps(input)]];
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
