import { RAD_PER_DEG } from '../units/index.js';
/**
 * Daylight availability: what sun and sky give in the open, and what a street lets through.
 * Altitudes are geometric. Source: IES Calculation of Daylight Availability (1984) with the figures of
 * docs/formulas.md#sky; twilight anchors there too.
 */

/** Kilolux of the standard sun outside the air, before the yearly term. */
const SOLAR_KLX = 127.5;

interface Sky {
  /** Extinction per airmass; null where no direct sun comes through. */
  readonly extinction: number | null;
  /** Diffuse on the level = A + B·sin^C h, kilolux. */
  readonly a: number;
  readonly b: number;
  readonly c: number;
}

const CLEAR: Sky = { extinction: 0.21, a: 0.8, b: 15.5, c: 0.5 };
const HAZY: Sky = { extinction: 0.8, a: 0.3, b: 45, c: 1 };
const OVERCAST: Sky = { extinction: null, a: 0.3, b: 21, c: 1 };

/** Twilight on the level with no moon, lux at depression 6, 12, 18°. */
const TWILIGHT_LUX: readonly { readonly deg: number; readonly lux: number }[] = [
  { deg: 6, lux: 3.4 },
  { deg: 12, lux: 0.008 },
  { deg: 18, lux: 0.0006 },
];

export interface SkySettings {
  /** Glow of the town itself once the sun is down, lux. */
  readonly cityFloorLux: number;
  /** Reflectance of walls and ground. */
  readonly reflectance: number;
}

export const DEFAULT_SKY_SETTINGS: SkySettings = { cityFloorLux: 1, reflectance: 0.35 };

/** What a spot sees around itself; `PLACE_WITHOUT_FOOTPRINTS` where no buildings are known. */
export interface Surroundings {
  /** s: share of the sky seen, cosine-weighted on a level plate. */
  readonly skyShare: number;
  /** Mean over the walls seen of lit x cosine of incidence; undersides count as 0. */
  readonly wallIncidence: number;
  /** Mean over the walls seen of their own share of the sky, that of an upright plate: 0..½; undersides count as 0. */
  readonly wallSkyShare: number;
  /** Share of the ground in front that is lit. */
  readonly groundLitShare: number;
}

export const PLACE_WITHOUT_FOOTPRINTS: Surroundings = {
  skyShare: 0.5,
  wallIncidence: 0.15,
  wallSkyShare: 0.25,
  groundLitShare: 0.3,
};
export const OPEN_GROUND: Surroundings = { skyShare: 1, wallIncidence: 0, wallSkyShare: 0, groundLitShare: 1 };

/** From this much cloud on the sun throws no shadow worth the name: nothing is lit, all of it is shade. Judgement. */
const NO_SHADOWS_FROM_CLOUD = 0.9;

export function castsShadows(cloud: number): boolean {
  return cloud < NO_SHADOWS_FROM_CLOUD;
}

export interface OpenSky {
  /** On a surface square to the sun, lux. */
  readonly directNormalLux: number;
  /** From the whole sky on the level, lux. */
  readonly diffuseLux: number;
}

/** 1 + 0.034·cos(2π(J − 2)/365), J = day of the year. */
export function yearlyTerm(dayOfYear: number): number {
  return 1 + 0.034 * Math.cos((2 * Math.PI * (dayOfYear - 2)) / 365);
}

function directLux({ extinction }: Sky, altitudeDeg: number): number {
  if (extinction === null || altitudeDeg <= 0) return 0;
  return 1000 * SOLAR_KLX * Math.exp(-extinction / Math.sin(altitudeDeg * RAD_PER_DEG));
}

function interpolateLog(x: number, x0: number, y0: number, x1: number, y1: number): number {
  return Math.exp(Math.log(y0) + ((x - x0) / (x1 - x0)) * Math.log(y1 / y0));
}

/** Straight in log lux between the anchors; the first joins the sky's own value at 0°. */
function twilightLux(depressionDeg: number, atHorizonLux: number, cityFloorLux: number): number {
  let fromDeg = 0;
  let fromLux = atHorizonLux;
  for (const { deg, lux } of TWILIGHT_LUX) {
    if (depressionDeg <= deg) {
      const natural = interpolateLog(depressionDeg, fromDeg, fromLux, deg, lux);
      return Math.min(atHorizonLux, natural + cityFloorLux);
    }
    fromDeg = deg;
    fromLux = lux;
  }
  return fromLux + cityFloorLux;
}

const LOW_SUN_DEG = 2;

function diffuseLux({ a, b, c }: Sky, altitudeDeg: number, cityFloorLux: number): number {
  const above = (deg: number): number => 1000 * (a + b * Math.sin(deg * RAD_PER_DEG) ** c);
  if (altitudeDeg >= LOW_SUN_DEG) return above(altitudeDeg);
  if (altitudeDeg >= 0) return interpolateLog(altitudeDeg, 0, 1000 * a, LOW_SUN_DEG, above(LOW_SUN_DEG));
  return twilightLux(-altitudeDeg, 1000 * a, cityFloorLux);
}

/**
 * Sun and sky over open ground. `cloud` runs from 0 (clear) over 0.5 (hazy) to 1 (overcast), mixed linearly between
 * neighbours. `dayOfYear` null leaves the yearly term out.
 */
export function openSky({
  altitudeDeg,
  cloud,
  dayOfYear,
  cityFloorLux = DEFAULT_SKY_SETTINGS.cityFloorLux,
}: {
  readonly altitudeDeg: number;
  readonly cloud: number;
  readonly dayOfYear: number | null;
  readonly cityFloorLux?: number;
}): OpenSky {
  const [thin, thick] = cloud <= 0.5 ? [CLEAR, HAZY] : [HAZY, OVERCAST];
  const share = cloud <= 0.5 ? cloud / 0.5 : (cloud - 0.5) / 0.5;
  const mix = (of: (sky: Sky) => number): number => (share === 0 ? of(thin) : (1 - share) * of(thin) + share * of(thick));
  const yearly = dayOfYear === null ? 1 : yearlyTerm(dayOfYear);
  return {
    directNormalLux: yearly * mix((sky) => directLux(sky, altitudeDeg)),
    diffuseLux: mix((sky) => diffuseLux(sky, altitudeDeg, cityFloorLux)),
  };
}

/** Share of the sky's light that finds its way into the deepest passage. */
const LEAST_SHADE = 0.001;

export interface StreetLight {
  readonly diffuseLux: number;
  readonly directNormalLux: number;
  /** On the level at the spot without the sun, lamps included. */
  readonly shadeLux: number;
  /** The same by daylight alone. */
  readonly daylightShadeLux: number;
  /** On the level in the sun. */
  readonly litGroundLux: number;
  /** On the side of a person that faces the sun. */
  readonly litPersonLux: number;
  /** On the side of a person that faces the camera, by bounce, sky and lamps. */
  readonly cameraSideLux: number;
}

/**
 * The light on what is photographed at a spot: shade, lit ground, lit person, camera side, all in lux.
 * - shade = s·diffuse + ρ(1 − s)·E_walls, E_walls = (mean lit x cosine)·direct + (mean s_w)·diffuse; plus the lamps
 * - lit ground = direct·sin h + shade; lit person = direct + ½·shade
 * - camera side = ½·(shade without lamps) + 0.1·(lit share of the ground)·direct·sin h; plus the lamps
 * Light bounced between walls is left out: shade comes out 0.1 to 0.2 stops low. Source: docs/formulas.md#sky.
 */
export function streetLight({
  altitudeDeg,
  sky,
  surroundings,
  lampsLux = 0,
  reflectance = DEFAULT_SKY_SETTINGS.reflectance,
}: {
  /** Geometric. */
  readonly altitudeDeg: number;
  readonly sky: OpenSky;
  readonly surroundings: Surroundings;
  /** Of the lamps that are on at the spot. */
  readonly lampsLux?: number;
  readonly reflectance?: number;
}): StreetLight {
  const { skyShare: s, wallIncidence, wallSkyShare, groundLitShare } = surroundings;
  const { directNormalLux, diffuseLux: diffuse } = sky;
  const wallsLux = wallIncidence * directNormalLux + wallSkyShare * diffuse;
  const daylightShadeLux = Math.max(LEAST_SHADE * diffuse, s * diffuse + reflectance * (1 - s) * wallsLux);
  const shadeLux = daylightShadeLux + lampsLux;
  const directLevelLux = directNormalLux * Math.max(0, Math.sin(altitudeDeg * RAD_PER_DEG));
  return {
    diffuseLux: diffuse,
    directNormalLux,
    shadeLux,
    daylightShadeLux,
    litGroundLux: directLevelLux + shadeLux,
    litPersonLux: directNormalLux + shadeLux / 2,
    cameraSideLux: daylightShadeLux / 2 + 0.1 * groundLitShare * directLevelLux + lampsLux,
  };
}

/** EV100 of an incident light: log2(lux/2.5), the meter constant C = 250. */
export function evOfLux(lux: number): number {
  return Math.log2(lux / 2.5);
}

export function luxOfEv(ev100: number): number {
  return 2.5 * 2 ** ev100;
}

/** Stops by which a surface of 35 % reads above an 18 % card under the same light: log2(0.35/0.18). */
export const WALL_OVER_GREY_EV = 0.96;
/** Stops by which the sky reads above a level 18 % card that it lights: log2(1/0.18). */
const SKY_OVER_GREY_EV = 2.47;

/**
 * What a meter reads off the sky, EV: EV(diffuse) + 2.47, and with the sun between −8 and 30° another
 * 2·(1 − cloud) within 15° of it, falling to 0 at 45°.
 */
export function skyLuminanceEv({
  diffuseLux: lux,
  cloud,
  altitudeDeg,
  fromSunDeg,
}: {
  readonly diffuseLux: number;
  readonly cloud: number;
  readonly altitudeDeg: number;
  readonly fromSunDeg: number;
}): number {
  const near = altitudeDeg >= -8 && altitudeDeg <= 30 ? Math.min(1, Math.max(0, (45 - fromSunDeg) / 30)) : 0;
  return evOfLux(lux) + SKY_OVER_GREY_EV + 2 * (1 - cloud) * near;
}
