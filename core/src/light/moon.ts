import { Body, Equator, Horizon, Illumination, MakeTime, MoonPhase, Observer } from 'astronomy-engine';
import { checkInstant, checkOptions } from '../units/index.js';
import { checkPlace, foldBearingDeg, type Place } from './sunPosition.js';

export interface MoonView {
  /** Clockwise from true north, [0, 360). */
  readonly azimuthDeg: number;
  /** Geometric, topocentric. */
  readonly altitudeDeg: number;
  /** Along its month: 0 new, 90 first quarter, 180 full, 270 last quarter. */
  readonly phaseDeg: number;
  /** Lit share of the disc, 0..1. */
  readonly litShare: number;
}

/**
 * Where the moon stands and how much of it is lit. Source: astronomy-engine (a truncated lunar theory, within 0.02°).
 * @throws TypeError, RangeError as in docs/formulas.md#ranges.
 */
export function moonView(options: Place & { readonly time: Date }): MoonView {
  checkOptions('options', options);
  const { time, latitude, longitude } = options;
  checkInstant('time', time);
  checkPlace(options);
  const instant = MakeTime(time);
  const observer = new Observer(latitude, longitude, 0);
  const { ra, dec } = Equator(Body.Moon, instant, observer, true, true);
  const { azimuth, altitude } = Horizon(instant, observer, ra, dec);
  return {
    azimuthDeg: foldBearingDeg(azimuth),
    altitudeDeg: altitude,
    phaseDeg: MoonPhase(instant),
    litShare: Illumination(Body.Moon, instant).phase_fraction,
  };
}

export type MoonName =
  | 'new moon'
  | 'waxing crescent'
  | 'first quarter'
  | 'waxing gibbous'
  | 'full moon'
  | 'waning gibbous'
  | 'last quarter'
  | 'waning crescent';

const MOON_NAMES: readonly MoonName[] = [
  'new moon',
  'waxing crescent',
  'first quarter',
  'waxing gibbous',
  'full moon',
  'waning gibbous',
  'last quarter',
  'waning crescent',
];

/** The eighth of the month that a phase lies in, each centred on its name. */
export function moonName(phaseDeg: number): MoonName {
  return MOON_NAMES[Math.round(foldBearingDeg(phaseDeg) / 45) % 8] as MoonName;
}
