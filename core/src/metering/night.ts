import { reciprocityCorrectedS } from '../exposure/index.js';

/** Night's arithmetic. Source of all: docs/metering.md#night. */

export interface TestShot {
  readonly fNumber: number;
  readonly shutterS: number;
  readonly iso: number;
}

/** Seconds of the final exposure from a test shot: by ISO, aperture and the stops to be added; film's reciprocity last. */
export function scaledFromTest(
  test: TestShot,
  final: { readonly fNumber: number; readonly iso: number },
  { addedEv = 0, reciprocity = null }: { addedEv?: number; reciprocity?: { exponent: number; thresholdS: number } | null } = {},
): number {
  const meteredS = test.shutterS * (test.iso / final.iso) * (final.fNumber / test.fNumber) ** 2 * 2 ** addedEv;
  return reciprocity === null ? meteredS : reciprocityCorrectedS({ meteredS, ...reciprocity });
}

export interface NightCrowd {
  readonly perSecond: number;
  /** How wide a walker is, metres. */
  readonly widthM?: number;
  readonly speedMps: number;
  readonly speedSpreadMps: number;
  /** 90 straight across the view. */
  readonly travelAngleDeg: number;
  /** How wide the view is where they walk, metres. */
  readonly viewM: number;
  /** Luminance of a walker over that of the ground (s). */
  readonly overGround?: number;
}

export interface Vanishing {
  /** Share of the time that a point of the ground is covered, whatever the exposure. */
  readonly veil: number;
  /** Its unevenness after an exposure. */
  readonly unevenness: number;
  /** Stops by which the ground comes out darker (or brighter, below 0). */
  readonly veilStops: number;
  /** From so many seconds on nobody is seen any more. */
  readonly goneAfterS: number;
}

const WALKER_M = 0.5;
const WALKER_OVER_GROUND = 0.25;
/** An unevenness that nobody sees (s). */
export const UNSEEN = 0.03;

/** How walkers vanish in an exposure of `shutterS`: an even veil stays, its unevenness goes. */
export function walkersVanish(crowd: NightCrowd, shutterS: number): Vanishing {
  const { perSecond, widthM = WALKER_M, speedMps, speedSpreadMps, travelAngleDeg, viewM, overGround = WALKER_OVER_GROUND } = crowd;
  const acrossMps = speedMps * Math.sin((travelAngleDeg * Math.PI) / 180);
  const coverS = (widthM / acrossMps) * (1 + (speedSpreadMps / speedMps) ** 2);
  const memoryS = viewM / (3 * acrossMps);
  const veil = perSecond * coverS;
  return {
    veil,
    unevenness: (coverS / shutterS) * Math.sqrt(perSecond * Math.min(shutterS, memoryS)),
    veilStops: -Math.log2(1 - Math.min(1, veil) * (1 - overGround)),
    goneAfterS: ((Math.abs(1 - overGround) * coverS) / UNSEEN) * Math.sqrt(Math.max(1, perSecond * memoryS)),
  };
}

/** Seconds until somebody who stands for so long is not seen. */
export function standerGoneAfterS(standsS: number, overGround = WALKER_OVER_GROUND): number {
  return (Math.abs(1 - overGround) * standsS) / UNSEEN;
}

/** Nearer than this a light is behind the camera. */
const NEAREST_M = 0.5;

/** Length on the sensor of the trail of a light that crosses at a distance, mm, at most the frame. */
export function crossingTrailMm(
  { focalLengthMm, frameMm }: { readonly focalLengthMm: number; readonly frameMm: number },
  { speedMps, distanceM }: { readonly speedMps: number; readonly distanceM: number },
  shutterS: number,
): number {
  return Math.min(frameMm, (focalLengthMm * speedMps * shutterS) / Math.max(NEAREST_M, distanceM));
}

/**
 * The same of a light that goes straight away, or comes, so many metres beside the axis of the camera: the pinhole images of both
 * its ends, each clamped to the half frame, because what lies outside is not on the picture.
 */
export function recedingTrailMm(
  { focalLengthMm, frameMm }: { readonly focalLengthMm: number; readonly frameMm: number },
  { besideM, fromM, toM }: { readonly besideM: number; readonly fromM: number; readonly toM: number },
): number {
  const imageMm = (aheadM: number): number => Math.min(frameMm / 2, (focalLengthMm * besideM) / Math.max(NEAREST_M, aheadM));
  return Math.abs(imageMm(toM) - imageMm(fromM));
}

/** Chance with which a wait ends. */
const FOUR_IN_FIVE = 0.8;

/** Seconds within which the first of so many a second comes, four times in five: −ln(1 − p)/rate (Poisson). */
export function waitForFirstS(perSecond: number, chance = FOUR_IN_FIVE): number {
  return -Math.log(1 - chance) / perSecond;
}

export const WATERS = ['weir', 'stream', 'ripples', 'sea'] as const;
export type Water = (typeof WATERS)[number];
/** How long a ripple stays the same one, seconds (s). */
export const WATER_MEMORY_S: Readonly<Record<Water, number>> = { weir: 0.03, stream: 0.1, ripples: 0.3, sea: 1 };
/** What of the ripple is left in threads, smooth water and mist (s). */
export const WATER_LOOKS = { threads: 0.5, smooth: 0.3, mist: 0.1 } as const;

/** Share of the ripple's contrast that an exposure leaves: √(2(x − 1 + e^−x))/x with x = t/τ. 1 at no time at all. */
export function rippleLeft(shutterS: number, memoryS: number): number {
  const x = shutterS / memoryS;
  return x < 1e-4 ? 1 : Math.sqrt(2 * (x - 1 + Math.exp(-x))) / x;
}

const HALVINGS = 60;

/** Seconds after which no more than a share of the ripple is left: the other way round, by halving. */
export function secondsForRipple(left: number, memoryS: number): number {
  let [low, high] = [0, memoryS];
  while (rippleLeft(high, memoryS) > left) high *= 2;
  for (let k = 0; k < HALVINGS; k++) {
    const middle = (low + high) / 2;
    if (rippleLeft(middle, memoryS) > left) low = middle;
    else high = middle;
  }
  return high;
}

/** How bright they are. */
export type FireworkBrightness = 'faint' | 'usual' | 'brilliant';
/** Apertures for fireworks at ISO 100 by how bright they are (s). */
const FIREWORK_F_NUMBERS: Readonly<Record<FireworkBrightness, number>> = { faint: 8, usual: 11, brilliant: 16 };
/** The sky behind them may come out so far under mid-grey. */
const SKY_TONE = -2;

export interface FireworksPlan {
  readonly fNumber: number;
  /** The shutter may be open for so long in all before the sky is too bright. */
  readonly openS: number;
  /** Whole bursts of `burstS`, the lens covered between. */
  readonly bursts: number;
}

export function fireworksPlan({
  skyEv100,
  iso,
  brightness = 'usual',
  burstS,
}: {
  readonly skyEv100: number;
  readonly iso: number;
  readonly brightness?: FireworkBrightness;
  readonly burstS: number;
}): FireworksPlan {
  const fNumber = FIREWORK_F_NUMBERS[brightness] * Math.sqrt(iso / 100);
  const openS = (fNumber ** 2 / 2 ** (skyEv100 - SKY_TONE)) * (100 / iso);
  return { fNumber, openS, bursts: Math.floor(openS / burstS + 1e-9) };
}

/** Power of a flash, 1 is all of it, that brings somebody at a distance to a tone. */
export function flashPower({
  fNumber,
  iso,
  distanceM,
  guideNumberM,
  toneEv,
}: {
  readonly fNumber: number;
  readonly iso: number;
  readonly distanceM: number;
  readonly guideNumberM: number;
  readonly toneEv: number;
}): number {
  return ((fNumber * distanceM) / guideNumberM) ** 2 * (100 / iso) * 2 ** toneEv;
}

/** EV of the sky that an exposure brings to a tone: at the shortest and the longest time the ends of the window of a lift. */
export function skyEvFor({ fNumber, shutterS, iso }: TestShot, skyToneEv: number): number {
  return Math.log2(fNumber ** 2 / shutterS) - Math.log2(iso / 100) + skyToneEv;
}

/** Mired that a gel has to take a flash by to look like the lamps; above 0 is warmer. */
export function gelMired(lampsK: number, flashK: number): number {
  return 1e6 / lampsK - 1e6 / flashK;
}
