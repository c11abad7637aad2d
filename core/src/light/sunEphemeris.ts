import { RAD_PER_DEG } from '../units/index.js';
import { Body, GeoVector, MakeTime, RotateVector, Rotation_EQJ_EQD, SiderealTime } from 'astronomy-engine';

const DAY_MS = 86_400_000;
const NODE_MS = DAY_MS / 4;
const SIDEREAL_RAD_PER_MS = (2 * Math.PI * 1.00273790935) / DAY_MS;
/** Equatorial horizontal parallax of the sun at one astronomical unit, radians (8.794″). */
const SOLAR_PARALLAX_RAD = (8.794 / 3600) * (Math.PI / 180);

/** Numbers a node: unit vector of date (3), distance in au, sidereal angle less its uniform run. */
const STRIDE = 5;

/**
 * The apparent sun over a span of time, tabulated every six hours and interpolated by cubics, so that a year at one
 * minute costs a few trigonometric functions a sample. Interpolation error is under 1e-6°.
 */
export interface SunEphemeris {
  /** Writes [x, y, z, distance au, Greenwich sidereal angle rad] for an instant within the span. */
  readonly at: (timeMs: number, into: Float64Array) => void;
}

function fillNode(table: Float64Array, offset: number, timeMs: number, startMs: number): void {
  const time = MakeTime(new Date(timeMs));
  const vector = RotateVector(Rotation_EQJ_EQD(time), GeoVector(Body.Sun, time, true));
  const distance = vector.Length();
  table[offset] = vector.x / distance;
  table[offset + 1] = vector.y / distance;
  table[offset + 2] = vector.z / distance;
  table[offset + 3] = distance;
  const sidereal = (SiderealTime(time) * Math.PI) / 12 - SIDEREAL_RAD_PER_MS * (timeMs - startMs);
  table[offset + 4] = sidereal;
}

/** Sidereal angles come folded into one turn; a jump of a turn between nodes would spoil the interpolation. */
function unwrapSidereal(table: Float64Array): void {
  for (let offset = STRIDE + 4; offset < table.length; offset += STRIDE) {
    const before = table[offset - STRIDE] as number;
    const turns = Math.round((before - (table[offset] as number)) / (2 * Math.PI));
    table[offset] = (table[offset] as number) + turns * 2 * Math.PI;
  }
}

export function sunEphemeris(startMs: number, endMs: number): SunEphemeris {
  const firstMs = Math.floor(startMs) - NODE_MS;
  const nodes = Math.ceil((endMs - firstMs) / NODE_MS) + 3;
  const table = new Float64Array(nodes * STRIDE);
  for (let k = 0; k < nodes; k++) fillNode(table, k * STRIDE, firstMs + k * NODE_MS, firstMs);
  unwrapSidereal(table);

  return {
    at(timeMs, into) {
      const position = (timeMs - firstMs) / NODE_MS;
      const left = Math.floor(position);
      const p = position - left;
      // Lagrange's cubic through the nodes at −1, 0, 1, 2.
      const w0 = (-p * (p - 1) * (p - 2)) / 6;
      const w1 = ((p + 1) * (p - 1) * (p - 2)) / 2;
      const w2 = (-(p + 1) * p * (p - 2)) / 2;
      const w3 = ((p + 1) * p * (p - 1)) / 6;
      const base = (left - 1) * STRIDE;
      for (let c = 0; c < STRIDE; c++) {
        into[c] =
          w0 * (table[base + c] as number) +
          w1 * (table[base + STRIDE + c] as number) +
          w2 * (table[base + 2 * STRIDE + c] as number) +
          w3 * (table[base + 3 * STRIDE + c] as number);
      }
      into[4] = (into[4] as number) + SIDEREAL_RAD_PER_MS * (timeMs - firstMs);
    },
  };
}

/** Reads an ephemeris from one place on the ground. */
export interface SunFromPlace {
  /** Geometric altitude, degrees, parallax included. */
  readonly altitudeDeg: (timeMs: number) => number;
  /** Azimuth, degrees clockwise from north, not folded; call after `altitudeDeg` for the same instant. */
  readonly azimuthDeg: () => number;
  /** Hour angle in (−180, 180], degrees; 0 at the meridian passage. */
  readonly hourAngleDeg: (timeMs: number) => number;
}

export function sunFromPlace(ephemeris: SunEphemeris, latitude: number, longitude: number): SunFromPlace {
  const sinLatitude = Math.sin(latitude * RAD_PER_DEG);
  const cosLatitude = Math.cos(latitude * RAD_PER_DEG);
  const longitudeRad = longitude * RAD_PER_DEG;
  const node = new Float64Array(STRIDE);
  let east = 0;
  let north = 0;

  return {
    altitudeDeg(timeMs) {
      ephemeris.at(timeMs, node);
      const x = node[0] as number;
      const y = node[1] as number;
      const z = node[2] as number;
      const turn = (node[4] as number) + longitudeRad;
      const cosTurn = Math.cos(turn);
      const sinTurn = Math.sin(turn);
      // The equator's frame turned to the local meridian: m towards the meridian, e towards the east point.
      const m = x * cosTurn + y * sinTurn;
      east = y * cosTurn - x * sinTurn;
      north = z * cosLatitude - m * sinLatitude;
      const up = z * sinLatitude + m * cosLatitude;
      const level = Math.sqrt(east * east + north * north);
      const geocentric = Math.atan2(up, level);
      return (geocentric - (SOLAR_PARALLAX_RAD / (node[3] as number)) * level) / RAD_PER_DEG;
    },
    azimuthDeg() {
      return Math.atan2(east, north) / RAD_PER_DEG;
    },
    hourAngleDeg(timeMs) {
      ephemeris.at(timeMs, node);
      const angle = (node[4] as number) + longitudeRad - Math.atan2(node[1] as number, node[0] as number);
      const turned = angle / (2 * Math.PI);
      return (turned - Math.ceil(turned - 0.5)) * 360;
    },
  };
}
