import { RAD_PER_DEG, remembered } from '../units/index.js';
import { DEFAULT_SKY_SETTINGS, openSky } from './sky.js';
import type { SunPosition } from './sunPosition.js';

/** A type of the CIE's standard general skies: how it falls from the zenith (a, b) and from the sun (c, d, e). */
interface SkyType {
  readonly a: number;
  readonly b: number;
  readonly c: number;
  readonly d: number;
  readonly e: number;
}

/** Types 12, 7 and 1 of CIE S 011 for the model's clear, hazy and overcast skies. */
const CLEAR: SkyType = { a: -1, b: -0.32, c: 10, d: -3, e: 0.45 };
const HAZY: SkyType = { a: 0, b: -1, c: 5, d: -2.5, e: 0.3 };
const OVERCAST: SkyType = { a: 4, b: -0.7, c: 0, d: -1, e: 0 };

/** Nearer to the horizon the form has no value. */
const LEAST_SINE = 0.01;

/** L over the sky's own unit, at the sine of a look's altitude and `chi` from the sun, radians. */
function relative({ a, b, c, d, e }: SkyType, sine: number, chi: number): number {
  const cosine = Math.cos(chi);
  return (
    (1 + a * Math.exp(b / Math.max(LEAST_SINE, sine))) *
    (1 + c * (Math.exp(d * chi) - Math.exp(d * (Math.PI / 2))) + e * cosine * cosine)
  );
}

/** Angle between a look and the sun, radians. */
function chiOf(sine: number, sinSun: number, azimuth: number): number {
  const level = Math.sqrt(Math.max(0, (1 - sine * sine) * (1 - sinSun * sinSun)));
  return Math.acos(Math.min(1, Math.max(-1, sine * sinSun + level * Math.cos(azimuth))));
}

const HEIGHTS = 200;
const BEARINGS = 240;

/** ∫ L cos θ dω over the hemisphere, in the sky's own unit: equal steps of sin² h, in which a level plate weighs alike. */
function integral(type: SkyType, altitudeDeg: number): number {
  const sinSun = Math.sin(altitudeDeg * RAD_PER_DEG);
  let sum = 0;
  for (let k = 0; k < HEIGHTS; k++) {
    const sine = Math.sqrt((k + 0.5) / HEIGHTS);
    for (let j = 0; j < BEARINGS; j++) sum += relative(type, sine, chiOf(sine, sinSun, ((j + 0.5) / BEARINGS) * Math.PI));
  }
  return (sum * Math.PI) / (HEIGHTS * BEARINGS);
}

const NODE_DEG = 1;
const MOST_NODES = 300;
const known = remembered<number>(MOST_NODES);

/** The integral between whole degrees of the sun's altitude, 0 to 90: within 0.0005 EV of the quadrature itself. */
function integralAt(name: string, type: SkyType, altitudeDeg: number): number {
  const at = (node: number): number => known(`${name}/${node}`, () => integral(type, node));
  const node = Math.min(90 - NODE_DEG, Math.floor(altitudeDeg));
  const share = altitudeDeg - node;
  if (share === 0) return at(node);
  // A parabola through three nodes, so that the bend of the curve is in it.
  const first = Math.min(90 - 2 * NODE_DEG, node);
  const [y0, y1, y2] = [at(first), at(first + 1), at(first + 2)];
  const t = altitudeDeg - first;
  return (y0 * ((t - 1) * (t - 2))) / 2 - y1 * t * (t - 2) + (y2 * t * (t - 1)) / 2;
}

/** Twilight's sky is the sun's of 0°, mixed with an even one by how far it is under the horizon, until here. */
const EVEN_BELOW_DEG = 12;

/** cd/m² of the sky for the sine of a look's altitude (0..1) and its azimuth off the sun, radians. */
export type SkyLuminance = (sine: number, fromSunAzimuth: number) => number;

/**
 * The sky's luminance by CIE S 011, scaled so that a level plate gets exactly the model's diffuse light: clear type 12, hazy 7,
 * overcast 1, mixed as `openSky` mixes their light. With the sun down the form of 0°, mixed with an even sky.
 * `sun` is geometric. Source: ISO 15469 (CIE S 011); docs/formulas.md#sky-luminance.
 */
export function cieSky({
  sun,
  cloud,
  cityFloorLux = DEFAULT_SKY_SETTINGS.cityFloorLux,
}: {
  readonly sun: Pick<SunPosition, 'altitudeDeg'>;
  readonly cloud: number;
  readonly cityFloorLux?: number;
}): SkyLuminance {
  const { altitudeDeg } = sun;
  const diffuse = (of: number): number => openSky({ altitudeDeg, cloud: of, dayOfYear: null, cityFloorLux }).diffuseLux;
  const share = cloud <= 0.5 ? cloud / 0.5 : (cloud - 0.5) / 0.5;
  const parts = (
    cloud <= 0.5
      ? [
          { name: 'clear', type: CLEAR, lux: (1 - share) * diffuse(0) },
          { name: 'hazy', type: HAZY, lux: share * diffuse(0.5) },
        ]
      : [
          { name: 'hazy', type: HAZY, lux: (1 - share) * diffuse(0.5) },
          { name: 'overcast', type: OVERCAST, lux: share * diffuse(1) },
        ]
  ).filter(({ lux }) => lux > 0);
  const sunDeg = Math.max(0, altitudeDeg);
  const sinSun = Math.sin(sunDeg * RAD_PER_DEG);
  const even = Math.min(1, Math.max(0, -altitudeDeg) / EVEN_BELOW_DEG);
  const evenLuminance = parts.reduce((sum, { lux }) => sum + (even * lux) / Math.PI, 0);
  const scaled = parts.map(({ name, type, lux }) => ({ type, scale: ((1 - even) * lux) / integralAt(name, type, sunDeg) }));
  return (sine, fromSunAzimuth) => {
    const chi = chiOf(sine, sinSun, fromSunAzimuth);
    return scaled.reduce((sum, { type, scale }) => sum + scale * relative(type, sine, chi), evenLuminance);
  };
}
