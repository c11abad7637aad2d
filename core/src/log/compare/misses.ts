import { DateTime } from 'luxon';
import { type Approach, APPROACHES } from '../../stop/index.js';
import { CAUSES, type Cause, type PlacedFrame, type WalkLog } from '../frames/index.js';

/** By what misses may lie together: figures, in stretches, and ways of working, one by one. */
const MISS_SIDES = ['shutter', 'distance', 'hour', 'lens'] as const;
export type MissSide = (typeof MISS_SIDES)[number];
const MISS_WAYS = ['exposure', 'focus', 'support'] as const;
export type MissWay = (typeof MISS_WAYS)[number];

/** Where: between two ends in the side's own measure (seconds, metres, hours of the day, millimetres), or worked in one way. */
export type MissWhere =
  | { readonly side: MissSide; readonly from: number; readonly to: number }
  | { readonly [Way in MissWay]: { readonly side: Way; readonly way: Approach[Way] } }[MissWay];

/** Misses of one cause in one place of a side. */
export interface MissStretch {
  readonly where: MissWhere;
  readonly frames: number;
  readonly misses: number;
  /** Of all other frames. */
  readonly otherFrames: number;
  readonly otherMisses: number;
  /** How seldom chance alone would put so many of the misses there. */
  readonly chance: number;
}

export interface CauseFound {
  readonly cause: Cause;
  readonly misses: number;
  /** Of all misses. */
  readonly share: number;
  /** Where they lie together, the clearest first; only what chance would do less than once in fifty. */
  readonly stretches: readonly MissStretch[];
}

export interface Misses {
  readonly decided: number;
  readonly misses: number;
  /** The commonest first. */
  readonly causes: readonly CauseFound[];
}

/** A stretch is told of where chance would do as much less often than this. */
const SELDOM = 0.02;
/** Fewer misses of a cause say nothing of where they lie. */
const LEAST_MISSES = 5;

/** Ends of the stretches: whole stops of time, distances by half again, hours by threes, focal lengths by a third of a doubling. */
const ENDS: Readonly<Record<MissSide, readonly number[]>> = {
  shutter: [0, ...Array.from({ length: 14 }, (_, k) => 2 ** (k - 11.5)), Infinity],
  distance: [0, 1.5, 2.5, 4, 6, 10, Infinity],
  hour: [0, 6, 9, 12, 15, 18, 21, 24],
  lens: [0, 20, 26, 33, 43, 60, 100, Infinity],
};

interface MissFrame {
  readonly placed: PlacedFrame;
  /** On the wall of its place; null without a time. */
  readonly hour: number | null;
}

function hourOf({ timeZone }: Pick<WalkLog, 'timeZone'>, { atMs }: PlacedFrame): number | null {
  if (atMs === null) return null;
  const { hour, minute } = DateTime.fromMillis(atMs, { zone: timeZone });
  return hour + minute / 60;
}

function measureOf(side: MissSide, { placed: { frame }, hour }: MissFrame): number | null {
  switch (side) {
    case 'shutter':
      return frame.shutterS;
    case 'distance':
      return frame.focusM;
    case 'hour':
      return hour;
    case 'lens':
      return frame.focalLengthMm;
  }
}

const logFactorials: number[] = [0];
function logFactorial(n: number): number {
  for (let k = logFactorials.length; k <= n; k++) logFactorials.push((logFactorials[k - 1] as number) + Math.log(k));
  return logFactorials[n] as number;
}
const logChoose = (n: number, k: number): number => logFactorial(n) - logFactorial(k) - logFactorial(n - k);

/**
 * How seldom so many misses or more fall into a stretch if they fell anywhere alike: the upper tail of the hypergeometric
 * distribution, of `misses` drawn from `all`, `inside` of which lie in the stretch. Source: Fisher's exact test, one-sided.
 */
export function chanceOfSoMany(all: number, misses: number, inside: number, hit: number): number {
  let sum = 0;
  for (let k = hit; k <= Math.min(misses, inside); k++) {
    if (misses - k > all - inside) continue;
    sum += Math.exp(logChoose(inside, k) + logChoose(all - inside, misses - k) - logChoose(all, misses));
  }
  return Math.min(1, sum);
}

/** Frames of which a side says something, by the place of it that they lie in. */
type Part = readonly [where: MissWhere, frames: readonly MissFrame[]];

function stretchParts(side: MissSide, decided: readonly MissFrame[]): readonly Part[] {
  const measured = decided.flatMap((one) => {
    const value = measureOf(side, one);
    return value === null ? [] : [{ one, value }];
  });
  const ends = ENDS[side];
  return ends.slice(1).map((to, k): Part => {
    const from = ends[k] as number;
    return [{ side, from, to }, measured.filter(({ value }) => value >= from && value < to).map(({ one }) => one)];
  });
}

/** What was set by hand otherwise is not seen: how one meant to work at the stop. */
function wayParts(side: MissWay, decided: readonly MissFrame[]): readonly Part[] {
  return APPROACHES[side].map((way): Part => {
    const where = { side, way } as MissWhere;
    return [where, decided.filter(({ placed }) => placed.stay?.approach?.[side] === way)];
  });
}

function togetherIn(parts: readonly Part[], cause: Cause): readonly MissStretch[] {
  const missesIn = (frames: readonly MissFrame[]): number => frames.filter(({ placed }) => placed.frame.verdict === cause).length;
  const whole = parts.flatMap(([, frames]) => frames);
  const [all, misses] = [whole.length, missesIn(whole)];
  return parts.flatMap(([where, inside]) => {
    if (inside.length === 0 || inside.length === all) return [];
    const hit = missesIn(inside);
    const chance = chanceOfSoMany(all, misses, inside.length, hit);
    const [otherFrames, otherMisses] = [all - inside.length, misses - hit];
    return chance >= SELDOM ? [] : [{ where, frames: inside.length, misses: hit, otherFrames, otherMisses, chance }];
  });
}

/**
 * What spoilt the frames that somebody decided of, on one walk or on several, and where each cause lies together: by shutter,
 * distance, hour and lens, and by how one meant to work. Source: docs/log.md#misses.
 */
export function missesOf(
  walked: readonly { readonly log: Pick<WalkLog, 'timeZone'>; readonly placed: readonly PlacedFrame[] }[],
): Misses {
  const decided = walked.flatMap(({ log, placed }) =>
    placed.filter(({ frame }) => frame.verdict !== null).map((one): MissFrame => ({ placed: one, hour: hourOf(log, one) })),
  );
  const missed = decided.filter(({ placed }) => placed.frame.verdict !== 'good');
  const parts = [...MISS_SIDES.map((side) => stretchParts(side, decided)), ...MISS_WAYS.map((side) => wayParts(side, decided))];
  const causes = CAUSES.map((cause): CauseFound => {
    const misses = missed.filter(({ placed }) => placed.frame.verdict === cause).length;
    const stretches = misses < LEAST_MISSES ? [] : parts.flatMap((one) => togetherIn(one, cause));
    return {
      cause,
      misses,
      share: missed.length === 0 ? 0 : misses / missed.length,
      stretches: [...stretches].sort((a, b) => a.chance - b.chance),
    };
  });
  return {
    decided: decided.length,
    misses: missed.length,
    causes: causes.filter(({ misses }) => misses > 0).sort((a, b) => b.misses - a.misses),
  };
}
