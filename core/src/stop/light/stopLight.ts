import { RAD_PER_DEG } from '../../units/index.js';
import {
  apparentSun,
  ARTIFICIAL_LIGHT,
  ARTIFICIAL_SPREAD_EV,
  type ArtificialLight,
  castsShadows,
  evOfLux,
  LAMPS_ON_BELOW_DEG,
  luxOfEv,
  openSky,
  type OpenSky,
  PLACE_WITHOUT_FOOTPRINTS,
  skyLuminanceEv,
  streetLight,
  type SunPosition,
  type Surroundings,
  WALL_OVER_GREY_EV,
} from '../../light/index.js';
import type { SiteScene, SiteSight } from '../../streets/index.js';
import { type Background, brightestBackground, type Face, faceAt, LEAST_LUX } from '../background.js';
import { isWithinHours } from '../hours.js';
import { areStreetLamps, type LampsOut, streetLampsShare } from '../lampsOut.js';
import type { Stop, SunGap } from '../stop.js';

/** The surface that a card meters, which is the one that its intent is about. */
export const METERED_SURFACES = [
  'litPerson',
  'cameraSide',
  'litGround',
  'shade',
  'sky',
  'litWall',
  'shadedWall',
  'lamps',
  'screen',
] as const;
export type MeteredSurface = (typeof METERED_SURFACES)[number];

/** The light at a stop at one instant: EV100, lit and shaded, and what is known by model and by reading. */
export interface StopLight {
  /** The metered surface's EV100, the reading's correction included. */
  readonly keyEv100: number;
  readonly spreadEv: number;
  readonly surface: MeteredSurface;
  /** What `keyEv100` was before the correction. */
  readonly modelEv100: number;
  /** Stops that a reading on the spot put on top. */
  readonly readingOffsetEv: number;
  readonly sun: SunPosition;
  readonly isLit: boolean;
  readonly lampsOn: boolean;
  /** Lamps that are on included, here and on the camera side. */
  readonly shadeEv: number;
  /** The shade by daylight alone. */
  readonly daylightEv: number;
  readonly litGroundEv: number;
  readonly litPersonEv: number;
  readonly cameraSideEv: number;
  /** What a meter reads off the sky in the middle of the frame. */
  readonly skyEv: number;
  /** The brighter lit one minus shade, stops. */
  readonly contrastEv: number;
  /** The brightest place to put a silhouette before; null where none was looked for or no walls are known. */
  readonly background: Background | null;
  /** The wall before the camera; null as above. */
  readonly face: Face | null;
}

/** Smallest angle between two bearings, 0..180. */
export function bearingGapDeg(a: number, b: number): number {
  const turn = (((a - b) % 360) + 360) % 360;
  return Math.min(turn, 360 - turn);
}

/** Whether a bearing lies in the sector that runs clockwise from `fromDeg` to `toDeg`. */
function isWithinSector(bearingDeg: number, { fromDeg, toDeg }: SunGap): boolean {
  const width = (((toDeg - fromDeg) % 360) + 360) % 360;
  return (((bearingDeg - fromDeg) % 360) + 360) % 360 <= width;
}

/** Sun or shade from the (geometric) sun's place and the stop's own gap alone, where no walls are known. */
export function isSpotSunlit(gap: SunGap | null, sun: SunPosition): boolean {
  const { altitudeDeg, azimuthDeg } = apparentSun(sun);
  if (altitudeDeg <= 0) return false;
  return gap === null || (altitudeDeg >= gap.aboveDeg && isWithinSector(azimuthDeg, gap));
}

export type LightSite = Pick<Stop, 'intent' | 'shootingBearingDeg' | 'sunGap' | 'lamps' | 'hours' | 'lightOffsetEv'> & {
  /** The stop's own or the town's; absent: street lamps burn all night. */
  readonly lampsOut?: LampsOut;
};

export interface StopInstant {
  readonly site: LightSite;
  /** Geometric, without refraction. */
  readonly sun: SunPosition;
  readonly cloud: number;
  readonly dayOfYear: number;
  /** Of the walk, 0..2159. */
  readonly minuteOfDay: number;
  /** What the footprints let through; absent where none are known. */
  readonly walls?: { readonly scene: SiteScene; readonly sight: SiteSight };
}

/** Share of their light that the stop's lamps have: by its own hours, else while the sun is low, and as the town dims them. */
export function lampsShareAt({ site, sun, minuteOfDay }: StopInstant): number {
  if (site.hours !== null) return isWithinHours(site.hours, minuteOfDay) ? 1 : 0;
  if (sun.altitudeDeg >= LAMPS_ON_BELOW_DEG) return 0;
  return areStreetLamps(site.lamps) ? streetLampsShare(site.lampsOut, minuteOfDay) : 1;
}

/** Whether what shines at the stop is what its people stand before: then it lights no faces. */
function isBackground({ intent }: Pick<LightSite, 'intent'>, lamps: ArtificialLight): boolean {
  const shines = lamps === 'screen' || lamps === 'litWindow';
  if (intent.kind === 'silhouette') return intent.background === 'screen' || shines;
  return intent.kind === 'brightBackdrop' && (shines || lamps === intent.source);
}

/** A spot whose own light is the background has that of a side street. Judgement. */
const BESIDE_BACKGROUND_EV = 3;

/** What the stop's lamps put onto people and ground, lux. */
function lampsLuxAt({ site }: Pick<StopInstant, 'site'>, share: number): number {
  const ev100 = isBackground(site, site.lamps) ? BESIDE_BACKGROUND_EV : ARTIFICIAL_LIGHT[site.lamps].ev100;
  return ev100 === null ? 0 : share * luxOfEv(ev100);
}

/**
 * What the lamps of a stop give at full, lux on people and ground, the share of it that they have at an instant, and what the
 * screen behind its people reads, EV at ISO 100; null where none shines.
 */
export function stopLampsAt(instant: StopInstant): {
  readonly fullLux: number;
  readonly share: number;
  readonly screenEv: number | null;
} {
  const share = lampsShareAt(instant);
  return { fullLux: lampsLuxAt(instant, 1), share, screenEv: share > 0 ? shiningEv(instant) : null };
}

/** Looking towards the sun within this, its light falls on a person's far side. */
const BACKLIT_WITHIN_DEG = 60;

type Lights = Omit<StopLight, 'keyEv100' | 'spreadEv' | 'surface' | 'modelEv100' | 'readingOffsetEv'>;

function personSurface(instant: StopInstant, { isLit, sun }: Lights): MeteredSurface {
  if (!isLit) return 'cameraSide';
  const isBacklit = bearingGapDeg(sun.azimuthDeg, instant.site.shootingBearingDeg) < BACKLIT_WITHIN_DEG;
  return isBacklit ? 'cameraSide' : 'litPerson';
}

function surfaceOfBackground({ kind }: Background): MeteredSurface {
  if (kind === 'shadedGround') return 'shade';
  return kind;
}

function surfaceFor(instant: StopInstant, lights: Lights): MeteredSurface {
  const { intent } = instant.site;
  switch (intent.kind) {
    case 'passingCandid':
    case 'compressedDistance':
      return personSurface(instant, lights);
    case 'lightPool':
      if (!lights.isLit) return lights.lampsOn ? 'lamps' : 'shade';
      return lights.litPersonEv >= lights.litGroundEv ? 'litPerson' : 'litGround';
    case 'silhouette':
      if (lights.background !== null) return surfaceOfBackground(lights.background);
      if (intent.background === 'screen') return 'screen';
      if (intent.background === 'sky') return 'sky';
      return lights.isLit ? 'shadedWall' : 'litWall';
    case 'intoTheSun':
      return lights.isLit ? 'litGround' : 'shade';
    case 'brightBackdrop':
      return 'screen';
    case 'litStreet':
      return 'lamps';
    case 'flashLift':
      return 'sky';
    case 'longExposure':
      return 'shade';
    case 'facade':
    case 'reflection':
      return (lights.face === null ? lights.isLit : lights.face.litShare >= 0.5) ? 'litWall' : 'shadedWall';
    case 'fireworks':
      return 'shade';
  }
}

/** The light on a wall of which only the surroundings' mean is known, EV: square to the sun, or shaded. */
interface UnknownWall {
  readonly litEv: number;
  readonly shadedEv: number;
}

function unknownWallIn({ directNormalLux, diffuseLux }: OpenSky, { wallSkyShare }: Surroundings, lampsLux: number): UnknownWall {
  const shadedLux = Math.max(LEAST_LUX, wallSkyShare * diffuseLux + lampsLux);
  return { litEv: evOfLux(directNormalLux + shadedLux), shadedEv: evOfLux(shadedLux) };
}

/** What shines behind the people of a stop while it is on. */
function shiningEv({ site: { intent, lamps } }: Pick<StopInstant, 'site'>): number | null {
  if (intent.kind === 'brightBackdrop') return ARTIFICIAL_LIGHT[intent.source].ev100;
  if (intent.kind !== 'silhouette' || !isBackground({ intent }, lamps)) return null;
  return ARTIFICIAL_LIGHT[lamps === 'litWindow' ? 'litWindow' : 'screen'].ev100;
}

function screenEv(instant: StopInstant, lights: Lights): number {
  const ev100 = instant.site.intent.kind === 'brightBackdrop' ? shiningEv(instant) : ARTIFICIAL_LIGHT.screen.ev100;
  return (lights.lampsOn ? ev100 : null) ?? lights.shadeEv;
}

function evOf(surface: MeteredSurface, instant: StopInstant, lights: Lights, unknownWall: UnknownWall): number {
  const found = instant.site.intent.kind === 'silhouette' ? lights.background : null;
  if (found !== null) return found.ev100;
  switch (surface) {
    case 'litPerson':
      return lights.litPersonEv;
    case 'cameraSide':
      return lights.cameraSideEv;
    case 'litGround':
      return lights.litGroundEv;
    case 'shade':
    case 'lamps':
      return lights.shadeEv;
    case 'sky':
      return lights.skyEv;
    case 'litWall':
      return (lights.face?.wallEv ?? unknownWall.litEv) + WALL_OVER_GREY_EV;
    case 'shadedWall':
      return (lights.face?.wallEv ?? unknownWall.shadedEv) + WALL_OVER_GREY_EV;
    case 'screen':
      return screenEv(instant, lights);
  }
}

/** Angle between the middle of the frame, level, and the sun. */
function fromSunDeg(shootingBearingDeg: number, { azimuthDeg, altitudeDeg }: SunPosition): number {
  const cosine = Math.cos(altitudeDeg * RAD_PER_DEG) * Math.cos((azimuthDeg - shootingBearingDeg) * RAD_PER_DEG);
  return Math.acos(Math.min(1, Math.max(-1, cosine))) / RAD_PER_DEG;
}

/** Spread of daylight's model where nobody has read a meter: what haze and passing cloud do in a quarter of an hour. */
const DAYLIGHT_SPREAD_EV = 0.5;

/** Where no walls are known and no gap has been read, the light that somebody asks for is the light there is. */
function isShadeAsked({ intent, sunGap }: LightSite): boolean {
  return intent.kind === 'passingCandid' && intent.light === 'shade' && sunGap === null;
}

/** Half of the sun or more counts as lit. */
const LIT_FROM = 0.5;

/** A background of the stop's own making: a screen or a lit window, while it is on. */
function screenBackground(instant: StopInstant, lampsOn: boolean): Background | null {
  const ev100 = instant.site.intent.kind === 'silhouette' && lampsOn ? shiningEv(instant) : null;
  return ev100 === null ? null : { ev100, kind: 'screen', offDeg: 0 };
}

function brighter(a: Background | null, b: Background | null): Background | null {
  if (a === null || b === null) return a ?? b;
  return b.ev100 > a.ev100 ? b : a;
}

/**
 * The light at a stop: every surface by the sky model, and the one that the intent's card meters. With footprints, the
 * surroundings, the sun on the spot, the background and the wall ahead are theirs; without, `PLACE_WITHOUT_FOOTPRINTS` and
 * the stop's own gap. Source: docs/formulas.md#stop-light.
 */
export function stopLightAt(instant: StopInstant): StopLight {
  const { site, sun, cloud, dayOfYear, walls } = instant;
  const { altitudeDeg } = sun;
  const sky = openSky({ altitudeDeg, cloud, dayOfYear });
  const surroundings = walls?.sight.surroundings ?? PLACE_WITHOUT_FOOTPRINTS;
  const lampsShare = lampsShareAt(instant);
  const lampsOn = lampsShare > 0;
  const lampsLux = lampsLuxAt(instant, lampsShare);
  const street = streetLight({ altitudeDeg, sky, surroundings, lampsLux });
  const isOpenSun = castsShadows(cloud) && !isShadeAsked(site) && isSpotSunlit(site.sunGap, sun);
  const spotSun = walls?.sight.spotSun ?? (isOpenSun ? 1 : 0);
  const isLit = spotSun >= LIT_FROM;
  const throughCrowns = isLit ? spotSun : 1;
  const toCamera = -Math.cos(altitudeDeg * RAD_PER_DEG) * Math.cos((sun.azimuthDeg - site.shootingBearingDeg) * RAD_PER_DEG);
  const cameraSideLux = street.cameraSideLux + spotSun * street.directNormalLux * Math.max(0, toCamera);
  const litPersonEv = evOfLux(throughCrowns * street.directNormalLux + street.shadeLux / 2);
  const litGroundEv = evOfLux(street.shadeLux + throughCrowns * (street.litGroundLux - street.shadeLux));
  const shadeEv = evOfLux(street.shadeLux);
  const view = walls?.scene.background ?? null;
  const found = view === null ? null : brightestBackground(view, { sun, sky, street, lampsLux, cloud }, site.shootingBearingDeg);
  const face = walls?.scene.face ?? null;
  const lights: Lights = {
    sun,
    isLit,
    lampsOn,
    shadeEv,
    daylightEv: evOfLux(street.daylightShadeLux),
    litGroundEv,
    litPersonEv,
    cameraSideEv: evOfLux(cameraSideLux),
    skyEv: skyLuminanceEv({
      diffuseLux: sky.diffuseLux,
      cloud,
      altitudeDeg,
      fromSunDeg: fromSunDeg(site.shootingBearingDeg, sun),
    }),
    contrastEv: Math.max(litPersonEv, litGroundEv) - shadeEv,
    background: walls === undefined ? null : brighter(found, screenBackground(instant, lampsOn)),
    face: face === null ? null : faceAt(face, { sun, sky, lampsLux, cloud }),
  };
  const surface = surfaceFor(instant, lights);
  const modelEv100 = evOf(surface, instant, lights, unknownWallIn(sky, surroundings, lampsLux));
  return {
    ...lights,
    surface,
    modelEv100,
    readingOffsetEv: site.lightOffsetEv,
    keyEv100: modelEv100 + site.lightOffsetEv,
    spreadEv: spreadOf(surface, lampsOn),
  };
}

export function spreadOf(surface: MeteredSurface, lampsOn: boolean): number {
  return lampsOn && (surface === 'lamps' || surface === 'screen') ? ARTIFICIAL_SPREAD_EV : DAYLIGHT_SPREAD_EV;
}
