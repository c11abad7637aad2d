import type { Cause, PictureSpot } from '../frames/frame.js';
import { placeGrid, type SoftnessReading } from './readSoftness.js';
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
  /** Of them, those that are not sharp and lie among their like: the rims of shadows do not. */
  readonly softAreaShare: number;
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
const LEAST_SHARP_PX = 1.3;
/** A smear is at least so much longer than it is wide. */
const SMEARED_RATIO = 0.62;
/** A window of so many edges counts fully; of fewer, by its share. */
const FULL_EDGES = 600;
const ROUND = 2;
const AMONG_SOFT = 0.5;
/** People seldom go straight up or down a picture. */
const UPRIGHT_COUNTS = 0.25;
/** Tiles so near to the subject are neither it nor the rest: people are taller than wide. */
const NEAR_ACROSS = 3;
const NEAR_DOWN = 6;
/** Fewer tiles say nothing of a picture. */
const LEAST_TILES = 20;
/** Nothing is surer than this, however clear it looks: it is a guess from a picture, and of those that look clearest some are wrong. */
const MOST_CONFIDENT = 0.9;
const TELLS_FROM = 0.35;
/** Where little of a picture could be read, it says so much of what it would say. */
const FEW_COUNT = 0.7;
const ENOUGH_TILES = [60, 240] as const;
/** Of a subject that cannot be read, and of a rest of which little can: most are sharp. */
const UNREAD_SUBJECT_SHARP = 0.7;
const UNREAD_REST_SHARP = 0.7;
/** How much the rest says of whether the subject moved or is out of focus, beside how narrow its own smear is, where enough is read. */
const REST_TELLS = 0.45;
/** Noise of 255 from which a picture is called noisy: clean ones read up to 1.7, and writing them as JPEG takes some away. */
const NOISY = [1.75, 2.25] as const;
/** What speaks for none of them. */
const DOUBT = 0.05;

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

/** The tile in which a spot lies. */
const tileAt = ({ across, down }: SoftnessReading, { x, y }: PictureSpot): readonly [column: number, row: number] => [
  Math.min(across - 1, Math.max(0, Math.floor(x * across))),
  Math.min(down - 1, Math.max(0, Math.floor(y * down))),
];

/** The widest blur of the four places round a spot: the others look past somebody who is soft there. Null where nothing can be read. */
function subjectBlur(reading: SoftnessReading, { x, y }: PictureSpot): Blur | null {
  const { across, down } = placeGrid(reading);
  // The place left of and above the spot, of all but the last: another one lies beside and below it.
  const before = (at: number, count: number): number => Math.min(count - 2, Math.max(0, Math.floor(at * count - 0.5)));
  const first = before(y, down) * across + before(x, across);
  const round = [first, first + 1, first + across, first + across + 1].map((place) => reading.about[place] ?? null);
  return round.reduce((widest, one) => (one !== null && one.majorPx > (widest?.majorPx ?? 0) ? one : widest), null);
}

/** Whether most of the tiles round one are soft too: the rim of a shadow is soft on a line, what is out of focus over an area. */
function isAmongSoft(states: readonly (TileState | null)[], { across, down }: SoftnessReading, x: number, y: number): boolean {
  let [around, soft] = [0, 0];
  for (let row = Math.max(0, y - ROUND); row <= Math.min(down - 1, y + ROUND); row++) {
    for (let column = Math.max(0, x - ROUND); column <= Math.min(across - 1, x + ROUND); column++) {
      if (row === y && column === x) continue;
      const state = states[row * across + column] ?? null;
      around += 1;
      if (state !== null && state !== 'sharp') soft += 1;
    }
  }
  return soft >= AMONG_SOFT * around;
}

export function evidenceOf(reading: SoftnessReading, subjectAt: PictureSpot): Evidence {
  const { across, down, tiles, noiseSeen, blackShare } = reading;
  const sharpPx = sharpPxOf(reading);
  const [column, row] = tileAt(reading, subjectAt);
  const states = tiles.map((tile) => (tile === null ? null : stateOf(tile, sharpPx)));
  const elsewhere = tiles.flatMap((tile, k) => {
    const [x, y] = [k % across, Math.floor(k / across)];
    const isSubject = Math.abs(x + 0.5 - column) <= NEAR_ACROSS && Math.abs(y + 0.5 - row) <= NEAR_DOWN;
    const state = states[k] ?? null;
    return tile === null || state === null || isSubject ? [] : [{ x, y, tile, state }];
  });
  const areas = elsewhere.filter(({ state, x, y }) => state === 'sharp' || isAmongSoft(states, reading, x, y));
  const weightOf = ({ edges }: Blur): number => Math.min(1, edges / FULL_EDGES);
  const shareOf = (of: typeof elsewhere, isSo: (state: TileState) => boolean): number =>
    of.reduce((sum, one) => sum + (isSo(one.state) ? weightOf(one.tile) : 0), 0) /
    Math.max(
      1,
      of.reduce((sum, { tile }) => sum + weightOf(tile), 0),
    );
  const share = (state: TileState): number => shareOf(elsewhere, (one) => one === state);
  const smears = elsewhere
    .filter(({ state }) => state === 'smeared')
    .map(({ x, y, tile }) => ({ x, y, directionDeg: tile.directionDeg }));
  const [line, turn] = [alike(smears.map(({ directionDeg }) => directionDeg)), turning(smears, across, down)];
  return {
    sharpPx,
    subject: subjectBlur(reading, subjectAt),
    sharpShare: share('sharp'),
    smearedShare: share('smeared'),
    softShare: share('soft'),
    softAreaShare: shareOf(areas, (one) => one !== 'sharp'),
    tiles: elsewhere.length,
    agreement: Math.max(line, turn),
    isTurn: turn > line,
    noiseSeen,
    blackShare,
  };
}

/** How much a blur is a smear of somebody who goes along the ground: narrow, and rather level than upright. */
function narrowness({ majorPx, minorPx, directionDeg }: Blur): number {
  const level = Math.cos((directionDeg * Math.PI) / 180) ** 2;
  return ramp(minorPx / Math.max(FLOOR_PX, majorPx), 0.8, 0.4) * (UPRIGHT_COUNTS + (1 - UPRIGHT_COUNTS) * level);
}

/**
 * What a picture looks like, and how sure that is: each look's conditions as ramps, multiplied; confidence is its share of all.
 * Source: docs/log.md#verdicts.
 */
export function softnessVerdict(reading: SoftnessReading, subjectAt: PictureSpot = { x: 0.5, y: 0.5 }): SoftnessVerdict {
  const evidence = evidenceOf(reading, subjectAt);
  const { sharpPx, subject, sharpShare, smearedShare, softAreaShare, tiles, agreement, noiseSeen, blackShare } = evidence;
  const noisy = ramp(noiseSeen, ...NOISY);
  // An empty wall has no blacks either.
  const hazy = tiles < LEAST_TILES ? 0 : ramp(blackShare, 0.04, 0.09);
  const clean = (1 - noisy) * (1 - hazy);
  const subjectSharp = subject === null ? UNREAD_SUBJECT_SHARP : ramp(subject.majorPx / sharpPx, 1.3, 0.95);
  const narrow = subject === null ? 0.5 : narrowness(subject);
  // Who moves leaves all else sharp; a lens that looks elsewhere leaves more than one person soft.
  const onlySubject = ramp(softAreaShare, 0.25, 0.04);
  const known = ramp(tiles, ...ENOUGH_TILES);
  const restTells = REST_TELLS * known;
  const movedRather = ramp((1 - restTells) * narrow + restTells * onlySubject, 0.4, 0.8);
  const restSharp = ramp(sharpShare, 0.25, 0.6);
  const restMayBeSharp = restSharp + (1 - restSharp) * (1 - known) * UNREAD_REST_SHARP;
  const restSmeared = ramp(smearedShare, 0.25, 0.55) * ramp(agreement, 0.4, 0.75);
  const restSoft = ramp(softAreaShare, 0.15, 0.4);
  const shares = {
    shake: clean * restSmeared * (1 - restSharp),
    moved: clean * (1 - subjectSharp) * movedRather * restMayBeSharp * (1 - restSmeared),
    focus: clean * (1 - subjectSharp) * (1 - movedRather) * (1 - restSmeared),
    depth: clean * subjectSharp * restSoft * (1 - restSmeared),
    veil: hazy * (1 - noisy),
    noise: noisy,
    good: clean * subjectSharp * (1 - restSoft) * (1 - restSmeared),
  };
  const all = Object.values(shares).reduce((sum, one) => sum + one, 0);
  const ranked = (Object.entries(shares) as [Exclude<Look, 'cannotTell'>, number][]).sort(([, a], [, b]) => b - a);
  const [first] = ranked as [(typeof ranked)[number]];
  const counts = FEW_COUNT + (1 - FEW_COUNT) * known;
  const confidence = counts * Math.min(MOST_CONFIDENT, first[1] / (all + DOUBT));
  const isBlind = tiles < LEAST_TILES && noisy < 0.5;
  return {
    looksLike: isBlind || confidence < TELLS_FROM ? 'cannotTell' : first[0],
    confidence: isBlind ? 0 : confidence,
    shares,
    evidence,
  };
}
