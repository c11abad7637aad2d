import { Body, Equator, Horizon, MakeTime, Observer } from 'astronomy-engine';
import { checkBetween, checkInstant, checkOneOf, checkOptions } from '../units/index.js';
import { type Refraction, refractionDeg, REFRACTIONS } from './refraction.js';

export interface SunPosition {
  /** Clockwise from true north, [0, 360). */
  readonly azimuthDeg: number;
  /** Above the horizon, with or without refraction as asked. */
  readonly altitudeDeg: number;
}

export interface Place {
  readonly latitude: number;
  readonly longitude: number;
}

export function checkPlace({ latitude, longitude }: Place): void {
  checkBetween('latitude', latitude, -90, 90);
  checkBetween('longitude', longitude, -180, 180);
}

/** Folds to [0, 360); a tiny negative angle must not round up to 360 itself. */
export function foldBearingDeg(angleDeg: number): number {
  const folded = ((angleDeg % 360) + 360) % 360;
  return folded === 360 ? 0 : folded;
}

/** Where the air lifts a geometric sun to: what is lit or in shadow goes by this one. */
export function apparentSun({ azimuthDeg, altitudeDeg }: SunPosition): SunPosition {
  return { azimuthDeg, altitudeDeg: altitudeDeg + refractionDeg(altitudeDeg) };
}

/**
 * Where the sun stands, topocentric, sea level, within 0.02°. UTC is taken as UT1.
 * Source: astronomy-engine (VSOP87 truncated, aberration and nutation), refraction by Sæmundsson.
 * @throws TypeError, RangeError as in docs/formulas.md#ranges.
 */
export function sunPosition(options: Place & { readonly time: Date; readonly refraction?: Refraction }): SunPosition {
  checkOptions('options', options);
  const { time, latitude, longitude, refraction = 'standard' } = options;
  checkInstant('time', time);
  checkPlace(options);
  checkOneOf('refraction', refraction, REFRACTIONS);

  const instant = MakeTime(time);
  const observer = new Observer(latitude, longitude, 0);
  const equatorial = Equator(Body.Sun, instant, observer, true, true);
  const { azimuth, altitude } = Horizon(instant, observer, equatorial.ra, equatorial.dec);
  return {
    azimuthDeg: foldBearingDeg(azimuth),
    altitudeDeg: refraction === 'none' ? altitude : altitude + refractionDeg(altitude),
  };
}
