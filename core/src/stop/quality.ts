import { bearingGapDeg, isSpotSunlit, isWithinHours, type StopInstant, type StopLight } from './stopLight.js';

/** What a window can open or close on; the words for each are the interface's. */
export type WindowReason =
  | 'sunGap'
  | 'contrast'
  | 'evenLight'
  | 'shadeLight'
  | 'background'
  | 'sunHeight'
  | 'sunBearing'
  | 'cloud'
  | 'spotShaded'
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

/** Ramp between an opening and a full value, rising or falling. */
export function ramp(value: number, opens: number, full: number): number {
  const share = (value - opens) / (full - opens);
  if (share < 0) return 0;
  return Math.min(1, 0.25 + 0.75 * share);
}

function gate(reason: WindowReason, isOpen: boolean): Ramp {
  return { reason, value: isOpen ? 1 : 0 };
}

/** Full between the two inner values, opening at the outer ones. */
function band(value: number, opensLow: number, fullLow: number, fullHigh: number, opensHigh: number): number {
  return Math.min(ramp(value, opensLow, fullLow), ramp(value, opensHigh, fullHigh));
}

export type SiteOfDay = StopInstant['site'] & { readonly streetAxisDeg: number };

export interface QualityInput {
  readonly instant: StopInstant & { readonly site: SiteOfDay };
  readonly light: StopLight;
  /** Half of the lens's horizontal field. */
  readonly halfFieldDeg: number;
}

function hoursRamps({ instant }: QualityInput): readonly Ramp[] {
  const { hours } = instant.site;
  return hours === null ? [] : [gate('hours', isWithinHours(hours, instant.minuteOfDay))];
}

function afterDark(input: QualityInput): readonly Ramp[] {
  return [{ reason: 'darkness', value: ramp(input.light.sun.altitudeDeg, -3, -6) }, ...hoursRamps(input)];
}

/** In the sun or in the shade alone, or where the two are near enough for one exposure. */
export function candidRamps({ light }: QualityInput, side: 'sun' | 'shade'): readonly Ramp[] {
  const isHere = (side === 'sun') === light.isLit;
  const isEven = ramp(light.contrastEv, 1.5, 1);
  return [
    { reason: 'shadeLight', value: ramp(light.shadeEv, 5, 7) },
    side === 'sun' ? gate('sunGap', isHere) : { reason: 'evenLight', value: Math.max(isHere ? 1 : 0, isEven) },
  ];
}

function silhouetteRamps({ instant, light, halfFieldDeg }: QualityInput): readonly Ramp[] {
  const { intent, shootingBearingDeg } = instant.site;
  const background = intent.kind === 'silhouette' ? intent.background : 'sky';
  const contrast: Ramp = { reason: 'background', value: ramp(light.modelEv100 - light.cameraSideEv, 3, 4) };
  if (background === 'wall') return [contrast, gate('sunHeight', light.sun.altitudeDeg > 0), gate('spotShaded', !light.isLit)];
  const offAxis = bearingGapDeg(light.sun.azimuthDeg, shootingBearingDeg);
  return [
    { reason: 'sunHeight', value: band(light.sun.altitudeDeg, -8, -6, 8, 15) },
    gate('sunBearing', offAxis <= halfFieldDeg + 15),
    contrast,
  ];
}

/** The end of the street that the camera looks to. */
function axisAhead({ streetAxisDeg, shootingBearingDeg }: SiteOfDay): number {
  return bearingGapDeg(streetAxisDeg, shootingBearingDeg) <= 90 ? streetAxisDeg : (streetAxisDeg + 180) % 360;
}

function intoTheSunRamps({ instant, light }: QualityInput): readonly Ramp[] {
  const { azimuthDeg, altitudeDeg } = light.sun;
  return [
    { reason: 'sunBearing', value: ramp(bearingGapDeg(azimuthDeg, axisAhead(instant.site)), 10, 5) },
    { reason: 'sunHeight', value: altitudeDeg < 0 ? 0 : ramp(altitudeDeg, 15, 10) },
    gate('sunGap', light.isLit),
    { reason: 'cloud', value: ramp(instant.cloud, 0.8, 0.6) },
  ];
}

const RAD = Math.PI / 180;

/** Angle between the sun and the square-on look at a wall that the camera faces. */
function wallIncidenceDeg(shootingBearingDeg: number, { azimuthDeg, altitudeDeg }: StopLight['sun']): number {
  const cosine = -Math.cos(altitudeDeg * RAD) * Math.cos((azimuthDeg - shootingBearingDeg) * RAD);
  return Math.acos(Math.min(1, Math.max(-1, cosine))) / RAD;
}

function facadeRamps({ instant, light }: QualityInput): readonly Ramp[] {
  const incidence = wallIncidenceDeg(instant.site.shootingBearingDeg, light.sun);
  return [
    gate('sunGap', light.isLit),
    { reason: 'incidence', value: Math.max(ramp(incidence, 50, 40), band(incidence, 58, 65, 75, 82)) },
    { reason: 'contrast', value: ramp(light.litPersonEv - light.shadeEv, 1, 2) },
  ];
}

function reflectionRamps(input: QualityInput): readonly Ramp[] {
  const { instant, light } = input;
  const { intent } = instant.site;
  const dry = intent.kind === 'reflection' && intent.mirror === 'puddle' && !intent.isWet;
  const wet = dry ? [gate('wet', false)] : [];
  if (light.lampsOn) return [...wet, ...afterDark(input)];
  return [...wet, gate('spotShaded', !light.isLit), { reason: 'contrast', value: ramp(light.contrastEv, 1, 2) }];
}

/** Exposure of `wantedS` at base ISO 100 and f/16; the aperture opens up to f/2.8 as it gets darker. */
function longExposureRamps({ instant, light }: QualityInput): readonly Ramp[] {
  const { intent } = instant.site;
  const seconds = intent.kind === 'longExposure' ? intent.wantedS : 1;
  const brighter = Math.max(light.shadeEv, light.skyEv - 1);
  const brightest = 8 - Math.log2(seconds);
  const dimmest = 3 - Math.log2(seconds);
  return [
    { reason: 'exposure', value: band(brighter, dimmest - 1, dimmest, brightest - 1, brightest) },
    ...hoursRamps({ instant, light, halfFieldDeg: 0 }),
  ];
}

function compressedRamps({ instant, light }: QualityInput): readonly Ramp[] {
  const { sun } = light;
  const low = ramp(sun.altitudeDeg, 25, 15);
  const near = ramp(bearingGapDeg(sun.azimuthDeg, instant.site.shootingBearingDeg), 75, 60);
  const glow = isSpotSunlit(instant.site.sunGap, sun) ? Math.min(low, near) : 0;
  return [{ reason: 'shadeLight', value: Math.min(ramp(light.shadeEv, 5, 7), 0.5 + 0.5 * glow) }];
}

/** The ramps of an intent at one instant, from sun, bearings and hour alone; quality is the smallest. */
export function intentRamps(input: QualityInput): readonly Ramp[] {
  const { instant, light } = input;
  const { intent } = instant.site;
  switch (intent.kind) {
    case 'passingCandid':
      return candidRamps(input, intent.light === 'sun' ? 'sun' : 'shade');
    case 'lightPool':
      return [gate('sunGap', light.isLit), { reason: 'contrast', value: ramp(light.contrastEv, 2, 3) }];
    case 'silhouette':
      return intent.background === 'screen' ? afterDark(input) : silhouetteRamps(input);
    case 'intoTheSun':
      return intoTheSunRamps(input);
    case 'brightBackdrop':
    case 'litStreet':
      return afterDark(input);
    case 'flashLift':
      return [{ reason: 'dusk', value: band(light.sun.altitudeDeg, -9, -7, -3, -1) }, ...hoursRamps(input)];
    case 'longExposure':
      return longExposureRamps(input);
    case 'facade':
      return facadeRamps(input);
    case 'reflection':
      return reflectionRamps(input);
    case 'compressedDistance':
      return compressedRamps(input);
    case 'fireworks':
      return instant.site.hours === null ? [gate('hours', false)] : hoursRamps(input);
  }
}
