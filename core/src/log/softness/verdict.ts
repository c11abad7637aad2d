import type { Cause, PictureSpot } from '../frames/frame.js';
import type { SoftnessReading } from './readSoftness.js';
import type { Blur } from './spread.js';

export type Look = Cause | 'good' | 'cannotTell';

/** What the tiles of a picture, taken together, say. */
export interface Evidence {
  /** Blur that is sharp enough at this size, standard deviation in pixels. */
  readonly sharpPx: number;
  /** At the subject; null where nothing can be read there. */
  readonly subject: Blur | null;
  /** Of the tiles away from the subject, shares: sharp, smeared along a line, soft every way. */
  readonly sharpShare: number;
  readonly smearedShare: number;
  readonly softShare: number;
  /** Tiles that could be read. */
  readonly tiles: number;
  /** How much smears agree, 0..1: on one direction, or on turning round one point. */
  readonly agreement: number;
  readonly isTurn: boolean;
  readonly noiseSeen: number;
  readonly blackShare: number;
}

export interface SoftnessVerdict {
  readonly looksLike: Look;
  /** 0..1. */
  readonly confidence: number;
  /** Of each look, its share of what speaks for any. */
  readonly shares: Readonly<Record<Exclude<Look, 'cannotTell'>, number>>;
  readonly evidence: Evidence;
}

/** What the sharpest edges of a camera come to, and a circle of confusion of the diagonal/1500 as a deviation: a quarter of it. */
const FLOOR_PX = 1.1;
const PER_DIAGONAL = 1 / 1500 / 4;
/** One and a half such circles are seen as soft; under this nothing can be told from sharp, pixels. */
const SEEN_AS_SOFT = 1.5;
const LEAST_SHARP_PX = 1.5;
/** A smear is at least so much longer than it is wide. */
const SMEARED_RATIO = 0.62;
/** Tiles so near to the subject are neither it nor the rest. */
const NEAR_TILES = 2;
/** Fewer tiles say nothing of a picture. */
const LEAST_TILES = 20;
/** Nothing is surer than this, however clear it looks: it is a guess from a picture. */
const MOST_CONFIDENT = 0.97;
const TELLS_FROM = 0.4;

export function sharpPxOf({ width, height }: Pick<SoftnessReading, 'width' | 'height'>): number {
  return Math.max(LEAST_SHARP_PX, Math.hypot(FLOOR_PX, SEEN_AS_SOFT * Math.hypot(width, height) * PER_DIAGONAL));
}

export type TileState = 'sharp' | 'smeared' | 'soft';

export function stateOf({ majorPx, minorPx }: Blur, sharpPx: number): TileState {
  if (majorPx <= sharpPx) return 'sharp';
  return minorPx <= SMEARED_RATIO * majorPx ? 'smeared' : 'soft';
}

/** 0 up to `from`, 1 from `to` on (or down, where `to` is lower), smoothly between. */
function ramp(value: number, from: number, to: number): number {
  const t = Math.min(1, Math.max(0, (value - from) / (to - from)));
  return t * t * (3 - 2 * t);
}

/** How much lines agree on one direction: the length of the mean of their doubled angles. */
function alike(anglesDeg: readonly number[]): number {
  const doubled = anglesDeg.map((deg) => (2 * deg * Math.PI) / 180);
  const [x, y] = [doubled.reduce((sum, a) => sum + Math.cos(a), 0), doubled.reduce((sum, a) => sum + Math.sin(a), 0)];
  return anglesDeg.length === 0 ? 0 : Math.hypot(x, y) / anglesDeg.length;
}

interface SmearAt {
  readonly x: number;
  readonly y: number;
  readonly directionDeg: number;
}

/** How well smears run round one point: the best of a grid of points over and about the frame. */
function turning(smears: readonly SmearAt[], across: number, down: number): number {
  let best = 0;
  for (let cy = -down / 2; cy <= 1.5 * down; cy += 2) {
    for (let cx = -across / 2; cx <= 1.5 * across; cx += 2) {
      const far = smears.filter(({ x, y }) => Math.hypot(x - cx, y - cy) > 1);
      const off = far.map(({ x, y, directionDeg }) => directionDeg - (Math.atan2(y - cy, x - cx) * 180) / Math.PI - 90);
      const fit = off.reduce((sum, deg) => sum + Math.cos((2 * deg * Math.PI) / 180), 0) / Math.max(1, smears.length);
      best = Math.max(best, fit);
    }
  }
  return best;
}

/** The tile whose window lies most nearly about a spot: windows reach over two tiles each way. */
const tileAt = ({ across, down }: SoftnessReading, { x, y }: PictureSpot): readonly [column: number, row: number] => [
  Math.min(across - 1, Math.max(0, Math.round(x * across) - 1)),
  Math.min(down - 1, Math.max(0, Math.round(y * down) - 1)),
];

const middleOf = (sorted: readonly number[]): number => sorted[sorted.length >> 1] as number;
const median = (all: readonly number[]): number => middleOf([...all].sort((a, b) => a - b));

/** The blur about a spot: the middle of what the nine windows about it say, its own counting thrice; null where none says any. */
function subjectBlur({ across, tiles }: SoftnessReading, [column, row]: readonly [number, number]): Blur | null {
  const own = tiles[row * across + column] ?? null;
  const about = tiles.flatMap((tile, k) => {
    const [dx, dy] = [Math.abs((k % across) - column), Math.abs(Math.floor(k / across) - row)];
    return tile === null || dx > 1 || dy > 1 ? [] : tile === own ? [tile, tile, tile] : [tile];
  });
  const [first] = about;
  if (first === undefined) return null;
  const majorPx = median(about.map((one) => one.majorPx));
  const ratio = median(about.map((one) => one.minorPx / Math.max(1e-6, one.majorPx)));
  return { majorPx, minorPx: ratio * majorPx, directionDeg: (own ?? first).directionDeg, edges: (own ?? first).edges };
}

export function evidenceOf(reading: SoftnessReading, subjectAt: PictureSpot): Evidence {
  const { across, down, tiles, noiseSeen, blackShare } = reading;
  const sharpPx = sharpPxOf(reading);
  const [column, row] = tileAt(reading, subjectAt);
  const elsewhere = tiles.flatMap((tile, k) => {
    const [x, y] = [k % across, Math.floor(k / across)];
    const isSubject = Math.abs(x - column) <= NEAR_TILES && Math.abs(y - row) <= NEAR_TILES;
    return tile === null || isSubject ? [] : [{ x, y, tile, state: stateOf(tile, sharpPx) }];
  });
  const share = (state: TileState): number => elsewhere.filter((one) => one.state === state).length / Math.max(1, elsewhere.length);
  const smears = elsewhere
    .filter(({ state }) => state === 'smeared')
    .map(({ x, y, tile }) => ({ x, y, directionDeg: tile.directionDeg }));
  const [line, turn] = [alike(smears.map(({ directionDeg }) => directionDeg)), turning(smears, across, down)];
  return {
    sharpPx,
    subject: subjectBlur(reading, [column, row]),
    sharpShare: share('sharp'),
    smearedShare: share('smeared'),
    softShare: share('soft'),
    tiles: elsewhere.length,
    agreement: Math.max(line, turn),
    isTurn: turn > line,
    noiseSeen,
    blackShare,
  };
}

/**
 * What a picture looks like, and how sure that is: each look's conditions as ramps, multiplied; confidence is its share of all.
 * Source: docs/log.md#verdicts.
 */
export function softnessVerdict(reading: SoftnessReading, subjectAt: PictureSpot = { x: 0.5, y: 0.5 }): SoftnessVerdict {
  const evidence = evidenceOf(reading, subjectAt);
  const { sharpPx, subject, sharpShare, smearedShare, softShare, tiles, agreement, noiseSeen, blackShare } = evidence;
  const noisy = ramp(noiseSeen, 3.2, 5);
  const hazy = ramp(blackShare, 0.04, 0.09);
  const clean = (1 - noisy) * (1 - hazy);
  const major = subject?.majorPx ?? sharpPx;
  const subjectSharp = ramp(major / sharpPx, 1.5, 1);
  const narrow = subject === null ? 0.5 : ramp(subject.minorPx / subject.majorPx, 0.85, 0.5);
  const restSharp = ramp(sharpShare, 0.25, 0.6);
  const restSmeared = ramp(smearedShare, 0.25, 0.55) * ramp(agreement, 0.4, 0.75);
  const restSoft = ramp(softShare + smearedShare, 0.2, 0.45);
  const shares = {
    shake: clean * restSmeared * (1 - restSharp),
    moved: clean * (1 - subjectSharp) * narrow * restSharp * (1 - restSmeared),
    focus: clean * (1 - subjectSharp) * (1 - narrow) * (1 - restSmeared),
    depth: clean * subjectSharp * restSoft * (1 - restSmeared),
    veil: hazy * (1 - noisy),
    noise: noisy,
    good: clean * subjectSharp * (1 - restSoft) * (1 - restSmeared),
  };
  const all = Object.values(shares).reduce((sum, one) => sum + one, 0);
  const doubt = 0.05;
  const ranked = (Object.entries(shares) as [Exclude<Look, 'cannotTell'>, number][]).sort(([, a], [, b]) => b - a);
  const [first] = ranked as [(typeof ranked)[number]];
  const confidence = Math.min(MOST_CONFIDENT, first[1] / (all + doubt));
  const isBlind = tiles < LEAST_TILES && noisy < 0.5 && hazy < 0.5;
  return {
    looksLike: isBlind || confidence < TELLS_FROM ? 'cannotTell' : first[0],
    confidence: isBlind ? 0 : confidence,
    shares,
    evidence,
  };
}
