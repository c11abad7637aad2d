import { checkAtLeast, checkBetween, checkPositive } from '../units/index.js';

/** How much of the passers that a stop's figure names come at crowd levels 0, 1, 2 and 3 (s); the figure holds at level 2. */
export const CROWD_FACTORS = [0.05, 0.4, 1, 2] as const;

const MIDDLE_MIN = 30;
const HOURS = 24;

/** Between the levels the factors run straight, for a figure of its own between two. */
function factorOfLevel(level: number): number {
  const low = Math.min(CROWD_FACTORS.length - 2, Math.max(0, Math.floor(level)));
  const [below, above] = [CROWD_FACTORS[low] as number, CROWD_FACTORS[low + 1] as number];
  return below + (above - below) * (level - low);
}

/**
 * Share of a stop's passers that come at a minute of the day: 24 crowd levels 0..3 that hold at the middle of their hours,
 * straight between, the last hour beside the first.
 */
export function crowdShareAt(crowdByHour: readonly number[], minuteOfDay: number): number {
  const hours = (minuteOfDay - MIDDLE_MIN) / 60 + HOURS;
  const before = Math.floor(hours);
  const at = (hour: number): number => factorOfLevel(crowdByHour[hour % HOURS] ?? 2);
  return at(before) + (at(before + 1) - at(before)) * (hours - before);
}

/** Nobody else shall be in the picture. */
export interface Alone {
  /** Share of the passers that cross it. */
  readonly crossingShare: number;
  /** Metres that they are seen to walk. */
  readonly lengthM: number;
  readonly speedMps: number;
  readonly speedSpreadMps: number;
}

export interface Passers {
  readonly passersPerMinute: number;
  readonly suitableShare: number;
  /** Width of the patch of light over the width that is walked; 1, at most, by default. */
  readonly patchShare?: number;
  readonly alone?: Alone;
}

/**
 * Passers a minute worth photographing: passers·share·min(1, patch ÷ walked width), each alone in the picture with
 * e^(−passers·crossing·(length/v)(1 + σ²/v²)): the mean time in the picture of speeds that spread by σ, to second order. Most
 * come at passers·crossing·stay = 1; packed is worse than busy. Source: docs/formulas.md#waiting.
 */
export function suitablePerMinute({ passersPerMinute, suitableShare, patchShare = 1, alone }: Passers): number {
  const rate = passersPerMinute * suitableShare * Math.min(1, patchShare);
  if (alone === undefined || alone.speedMps <= 0) return rate;
  const { crossingShare, lengthM, speedMps, speedSpreadMps } = alone;
  const stayMin = ((lengthM / speedMps) * (1 + (speedSpreadMps / speedMps) ** 2)) / 60;
  return rate * Math.exp(-passersPerMinute * crossingShare * stayMin);
}

/** Chance of at least n where so many are expected: 1 − Σ_{k<n} e^−Λ Λ^k/k!. */
export function chanceOfAtLeast(n: number, expected: number): number {
  let term = Math.exp(-Math.max(0, expected));
  let fewer = 0;
  for (let k = 0; k < n; k++) {
    fewer += term;
    term *= Math.max(0, expected) / (k + 1);
  }
  return Math.min(1, Math.max(0, 1 - fewer));
}

const HALVINGS = 60;

/** How many have to be expected for a chance of at least n: the inverse of `chanceOfAtLeast`. */
export function expectedForChance(n: number, chance: number): number {
  if (n === 1) return -Math.log(1 - chance);
  let [low, high] = [0, 1];
  while (chanceOfAtLeast(n, high) < chance) high *= 2;
  for (let k = 0; k < HALVINGS; k++) {
    const middle = (low + high) / 2;
    if (chanceOfAtLeast(n, middle) < chance) low = middle;
    else high = middle;
  }
  return high;
}

export interface WaitQuestion {
  /** Suitable passers of every minute that is left, times the quality of its light. */
  readonly suitablePerMin: ArrayLike<number>;
  /** How many are wanted. */
  readonly wanted: number;
  /** Chance that a frame of one of them is good. */
  readonly goodChance: number;
}

/** Within so many minutes with a chance; or never in this light, at the most with the chance that its end gives. */
export type WaitFor =
  { readonly kind: 'within'; readonly minutes: number } | { readonly kind: 'notInThisLight'; readonly atMost: number };

export interface Wait {
  /** Who would do, expected in the light that is left. */
  readonly expected: number;
  /** That as many as are wanted come. */
  readonly chance: number;
  readonly half: WaitFor;
  readonly fourInFive: WaitFor;
  /** Good frames expected, and the chance of one at least. */
  readonly frames: number;
  readonly chanceOfOne: number;
}

/** Minutes from now until so many are expected, straight within a minute; null where the light does not last. */
export function minutesUntil(perMin: ArrayLike<number>, expected: number): number | null {
  let sum = 0;
  for (let minute = 0; minute < perMin.length; minute++) {
    const next = sum + (perMin[minute] as number);
    if (next >= expected && next > sum) return minute + (expected - sum) / (next - sum);
    sum = next;
  }
  return null;
}

/** A wait in the light that is left, by Poisson arrivals. @throws TypeError, RangeError naming what is out of range. */
export function waitAhead({ suitablePerMin, wanted, goodChance }: WaitQuestion): Wait {
  checkPositive('wanted', wanted);
  checkBetween('goodChance', goodChance, 0, 1);
  let expected = 0;
  for (let minute = 0; minute < suitablePerMin.length; minute++) {
    checkAtLeast(`suitablePerMin[${minute}]`, suitablePerMin[minute], 0);
    expected += suitablePerMin[minute] as number;
  }
  const chance = chanceOfAtLeast(wanted, expected);
  const until = (wish: number): WaitFor => {
    const minutes = minutesUntil(suitablePerMin, expectedForChance(wanted, wish));
    return minutes === null ? { kind: 'notInThisLight', atMost: chance } : { kind: 'within', minutes };
  };
  const frames = expected * goodChance;
  return { expected, chance, half: until(0.5), fourInFive: until(0.8), frames, chanceOfOne: 1 - Math.exp(-frames) };
}
