import { checkBetween, checkFinite, checkOptions, RAD_PER_DEG } from '../units/index.js';
import type { SunPosition } from './sunPosition.js';

export interface PolariserView {
  /** Angle between the look and the sun, degrees. */
  readonly fromSunDeg: number;
  /** Polarised share of clear sky light there, 0..0.75. */
  readonly polarisation: number;
  /** Stops by which the filter can darken that sky against everything else. */
  readonly skyDarkerEv: number;
}

/** Angle between two directions of the sky, degrees. */
export function angleBetweenDeg(a: SunPosition, b: SunPosition): number {
  const cosine =
    Math.sin(a.altitudeDeg * RAD_PER_DEG) * Math.sin(b.altitudeDeg * RAD_PER_DEG) +
    Math.cos(a.altitudeDeg * RAD_PER_DEG) *
      Math.cos(b.altitudeDeg * RAD_PER_DEG) *
      Math.cos((a.azimuthDeg - b.azimuthDeg) * RAD_PER_DEG);
  return Math.acos(Math.min(1, Math.max(-1, cosine))) / RAD_PER_DEG;
}

/**
 * What a polariser does to clear sky in a direction: P = 0.75·sin²γ/(1 + cos²γ) at γ from the sun (Rayleigh's sky, three
 * quarters of it polarised); the sky darkens by −log2(1 − P). Best at 90° off the sun: 2 stops.
 * Source: docs/formulas.md#polariser. @throws TypeError, RangeError.
 */
export function polariserView(options: { readonly sun: SunPosition; readonly look: SunPosition }): PolariserView {
  checkOptions('options', options);
  for (const [name, { azimuthDeg, altitudeDeg }] of Object.entries({ sun: options.sun, look: options.look })) {
    checkFinite(`${name}.azimuthDeg`, azimuthDeg);
    checkBetween(`${name}.altitudeDeg`, altitudeDeg, -90, 90);
  }
  const fromSunDeg = angleBetweenDeg(options.sun, options.look);
  const cosSquared = Math.cos(fromSunDeg * RAD_PER_DEG) ** 2;
  const polarisation = (0.75 * (1 - cosSquared)) / (1 + cosSquared);
  return { fromSunDeg, polarisation, skyDarkerEv: -Math.log2(1 - polarisation) };
}

/** What the filter costs in stops, everywhere. */
export const POLARISER_PRICE_EV = 1.5;

/** Refractive indices at 550 nm. */
const INDEX = { water: 1.33, glass: 1.52 } as const;

/** The angle to the surface (not to its normal) at which glare is fully polarised: 90° − atan n, Brewster's law. */
export function glareAngleDeg(surface: keyof typeof INDEX): number {
  return 90 - Math.atan(INDEX[surface]) / RAD_PER_DEG;
}
