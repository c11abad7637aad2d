import { CAUSES, type Cause, type LogFrame, type PlacedFrame } from '../frames/index.js';

/** By what misses may lie together. */
export const MISS_SIDES = ['shutter', 'distance', 'hour', 'lens'] as const;
export type MissSide = (typeof MISS_SIDES)[number];

/** Misses of one cause in one stretch of a side. */
export interface MissStretch {
  readonly side: MissSide;
  /** Between these, in the side's own measure: seconds, metres, hours of the day, millimetres. */
  readonly from: number;
  readonly to: number;
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

function measureOf(side: MissSide, { frame }: PlacedFrame, hour: number | null): number | null {
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

interface Measured {
  readonly placed: PlacedFrame;
  readonly value: number;
}

function stretchesOf(side: MissSide, cause: Cause, measured: readonly Measured[]): readonly MissStretch[] {
  const missed = ({ placed }: Measured): boolean => placed.frame.verdict === cause;
  const [all, misses] = [measured.length, measured.filter(missed).length];
  const ends = ENDS[side];
  return ends.slice(1).flatMap((to, k) => {
    const from = ends[k] as number;
    const inside = measured.filter(({ value }) => value >= from && value < to);
    const hit = inside.filter(missed).length;
    if (inside.length === 0 || inside.length === all) return [];
    const chance = chanceOfSoMany(all, misses, inside.length, hit);
    const [otherFrames, otherMisses] = [all - inside.length, misses - hit];
    return chance >= SELDOM ? [] : [{ side, from, to, frames: inside.length, misses: hit, otherFrames, otherMisses, chance }];
  });
}

const isCause = (verdict: LogFrame['verdict']): verdict is Cause => (CAUSES as readonly (string | null)[]).includes(verdict);

/**
 * What spoilt the frames that somebody decided of, and where each cause lies together: by shutter, distance, hour and lens.
 * @param hourOf the hour of the day of a frame on the wall of its place, null without one. Source: docs/log.md#misses.
 */
export function missesOf(placed: readonly PlacedFrame[], hourOf: (frame: PlacedFrame) => number | null): Misses {
  const decided = placed.filter(({ frame }) => frame.verdict !== null);
  const missed = decided.filter(({ frame }) => frame.verdict !== 'good');
  const spoilt = missed.filter(({ frame }) => isCause(frame.verdict));
  const causes = CAUSES.map((cause): CauseFound => {
    const misses = spoilt.filter(({ frame }) => frame.verdict === cause).length;
    const stretches = MISS_SIDES.flatMap((side) => {
      if (misses < LEAST_MISSES) return [];
      const measured = decided.flatMap((one) => {
        const value = measureOf(side, one, hourOf(one));
        return value === null ? [] : [{ placed: one, value }];
      });
      return stretchesOf(side, cause, measured);
    });
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
