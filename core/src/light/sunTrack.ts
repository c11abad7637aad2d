import { checkInstant, checkOneOf, checkOptions, checkPositive, rangeError } from '../units/index.js';
import { type Refraction, refractionDeg, REFRACTIONS } from './refraction.js';
import { sunEphemeris, sunFromPlace } from './sunEphemeris.js';
import { checkPlace, type Place } from './sunPosition.js';

export interface SunTrack {
  readonly timesMs: Float64Array;
  readonly azimuthDeg: Float64Array;
  readonly altitudeDeg: Float64Array;
}

/** A century at one minute is 53 million; past this the three arrays do not fit a browser. */
const MOST_SAMPLES = 60_000_000;

/**
 * Sun positions at start, start + step, … up to and including end; within 0.002° of `sunPosition`.
 * Built for a year at one minute (about 0.3 µs a sample). Source: the ephemeris of sunEphemeris.ts.
 * @throws TypeError, RangeError as in docs/formulas.md#ranges; RangeError for an end before the start or
 *   more than sixty million samples.
 */
export function sunTrack(
  options: Place & {
    readonly start: Date;
    readonly end: Date;
    readonly stepS: number;
    readonly refraction?: Refraction;
  },
): SunTrack {
  checkOptions('options', options);
  const { start, end, stepS, latitude, longitude, refraction = 'standard' } = options;
  checkInstant('start', start);
  checkInstant('end', end);
  checkPositive('stepS', stepS);
  checkPlace(options);
  checkOneOf('refraction', refraction, REFRACTIONS);
  if (end.getTime() < start.getTime()) throw rangeError('end', 'not before start', end);

  const startMs = start.getTime();
  const stepMs = stepS * 1000;
  const samples = Math.floor((end.getTime() - startMs) / stepMs + 1e-9) + 1;
  if (samples > MOST_SAMPLES) throw rangeError('stepS', `long enough for at most ${MOST_SAMPLES} samples`, stepS);

  const timesMs = new Float64Array(samples);
  const azimuthDeg = new Float64Array(samples);
  const altitudeDeg = new Float64Array(samples);
  const sun = sunFromPlace(sunEphemeris(startMs, end.getTime()), latitude, longitude);
  const lifted = refraction === 'standard';
  for (let k = 0; k < samples; k++) {
    const timeMs = startMs + k * stepMs;
    const altitude = sun.altitudeDeg(timeMs);
    const azimuth = sun.azimuthDeg();
    timesMs[k] = timeMs;
    azimuthDeg[k] = azimuth < 0 ? azimuth + 360 : azimuth;
    altitudeDeg[k] = lifted ? altitude + refractionDeg(altitude) : altitude;
  }
  return { timesMs, azimuthDeg, altitudeDeg };
}
