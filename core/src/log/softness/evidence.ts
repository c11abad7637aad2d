import type { Cause, PictureSpot } from '../frames/frame.js';
import type { BlurTrace } from './blur/blurTrace.js';
import { placeGrid, type SoftnessReading } from './readSoftness.js';
import type { Blur } from './blur/spread.js';
import { traceNear } from './blur/traceMap.js';

export type FrameLook = Cause | 'good' | 'cannotTell';

/** What the parts of a picture, taken together, say. */
export interface Evidence {
  /** Blur that is sharp enough at this size, standard deviation in pixels. */
  readonly sharpPx: number;
  /** At the subject: the middle one of the places about it; null where nothing can be read there. */
  readonly subject: Blur | null;
  /** Of each of those places that could be read, the sharpest first. */
  readonly round: readonly Blur[];
  /** The same to the left and to the right of it. */
  readonly beside: readonly (readonly Blur[])[];
  /** Of the tiles away from the subject that could be read. */
  readonly rest: readonly Blur[];
  /** Of those, shares: sharp, smeared along a line, soft every way. */
  readonly sharpShare: number;
  readonly smearedShare: number;
  readonly softShare: number;
  /** Of them, those that are not sharp and lie among their like: the rims of shadows do not. */
  readonly softAreaShare: number;
  readonly tiles: number;
  /** What cepstra say of the picture as a whole, and about the subject; null where they say nothing. */
  readonly trace: BlurTrace | null;
  readonly subjectTrace: BlurTrace | null;
  /** Those of them that are clear along a line. */
  readonly smear: BlurTrace | null;
  readonly subjectSmear: BlurTrace | null;
  /** Shares of the parts of the picture that are clear along a line, and of those away from the subject with a clear disc. */
  readonly smearsShare: number;
  readonly discsShare: number;
  /** How much those agree, 0..1: on one direction, or on turning round one point. */
  readonly agreement: number;
  readonly isTurn: boolean;
  readonly noiseSeen: number;
  readonly blackShare: number;
}

/** What the sharpest edges of a camera come to, and a circle of confusion of the diagonal/1500 as a deviation: a quarter of it. */
const FLOOR_PX = 1.1;
const PER_DIAGONAL = 1 / 1500 / 4;
/** One and a half such circles are seen as soft; under this nothing can be told from sharp, pixels. */
const SEEN_AS_SOFT = 1.5;
const LEAST_SHARP_PX = 1.3;
/** A smear is at least so much longer than it is wide. */
const SMEARED_RATIO = 0.62;
const ROUND = 2;
const AMONG_SOFT = 0.5;
/** Tiles so near to the subject are neither it nor the rest: people are taller than wide. */
const NEAR_ACROSS = 3;
const NEAR_DOWN = 6;
/** Some point can be found for any few lines: a turn must fit so much better than one direction. */
const LESS_PLAIN = 0.15;
/** From here on a dip is one of a smear, of the whole picture and of a part; and a ring one of a disc. */
const CLEAR_LINE = 2.5;
const CLEAR_PART_LINE = 4;
const CLEAR_DISC = 0.02;
/** Parts of which this is less of the picture away are the subject's. */
const OF_SUBJECT_ACROSS = 0.15;
const OF_SUBJECT_DOWN = 0.3;

export function sharpPxOf({ width, height }: Pick<SoftnessReading, 'width' | 'height'>): number {
  return Math.max(LEAST_SHARP_PX, Math.hypot(FLOOR_PX, SEEN_AS_SOFT * Math.hypot(width, height) * PER_DIAGONAL));
}

export type TileState = 'sharp' | 'smeared' | 'soft';

export function stateOf({ majorPx, minorPx }: Blur, sharpPx: number): TileState {
  if (majorPx <= sharpPx) return 'sharp';
  return minorPx <= SMEARED_RATIO * majorPx ? 'smeared' : 'soft';
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

/** How far about its middle somebody is, shares of the picture's sides: less than a person who is a third of its height. */
const SUBJECT_ACROSS = 0.03;
const SUBJECT_DOWN = 0.1;
/** How far beside the middle of the subject is no more of it. */
const BESIDE = 0.17;

/** The blurs of the places within a box about a spot, those that could be read, the sharpest first; the nearest place at least. */
function blursAbout(reading: SoftnessReading, { x, y }: PictureSpot): readonly Blur[] {
  const { across, down } = placeGrid(reading);
  const span = (at: number, half: number, count: number): readonly [from: number, to: number] => {
    const nearest = Math.min(count - 1, Math.max(0, Math.floor(at * count)));
    const [from, to] = [Math.ceil((at - half) * count - 0.5), Math.floor((at + half) * count - 0.5)];
    return [Math.max(0, Math.min(nearest, from)), Math.min(count - 1, Math.max(nearest, to))];
  };
  const [left, right] = span(x, SUBJECT_ACROSS, across);
  const [top, bottom] = span(y, SUBJECT_DOWN, down);
  const found: Blur[] = [];
  for (let row = top; row <= bottom; row++) {
    for (let column = left; column <= right; column++) {
      const blur = reading.about[row * across + column] ?? null;
      if (blur !== null) found.push(blur);
    }
  }
  return found.sort((a, b) => a.majorPx - b.majorPx);
}

/** What lies to the left and to the right of somebody, as far as that is in the picture. */
function blursBeside(reading: SoftnessReading, { x, y }: PictureSpot): readonly (readonly Blur[])[] {
  return [x - BESIDE, x + BESIDE].filter((at) => at > 0 && at < 1).map((at) => blursAbout(reading, { x: at, y }));
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

interface PartTraces {
  /** Parts with a clear smear, and how many could be read at all. */
  readonly smears: readonly SmearAt[];
  readonly of: number;
  /** Share of those away from the subject that have a clear disc. */
  readonly discsShare: number;
}

function partTraces({ traces }: SoftnessReading, subjectAt: PictureSpot): PartTraces {
  if (traces === null || traces === undefined) return { smears: [], of: 0, discsShare: 0 };
  const { across, down, about } = traces;
  const known = about.flatMap((trace, k) => (trace === null ? [] : [{ x: k % across, y: Math.floor(k / across), ...trace }]));
  const away = known.filter(
    ({ x, y }) =>
      Math.abs((x + 0.5) / across - subjectAt.x) > OF_SUBJECT_ACROSS || Math.abs((y + 0.5) / down - subjectAt.y) > OF_SUBJECT_DOWN,
  );
  return {
    smears: known.filter(({ lineClear }) => lineClear >= CLEAR_PART_LINE),
    of: known.length,
    discsShare: away.filter(({ discClear }) => discClear >= CLEAR_DISC).length / Math.max(1, away.length),
  };
}

const clearLine = (trace: BlurTrace | null, from: number): BlurTrace | null =>
  trace === null || trace.lineClear < from ? null : trace;

/** The smear that a look speaks of: of all of the picture where it looks shaken, of the subject where that moved; null where none is clear. */
export function smearOf(looksLike: FrameLook, { smear, subjectSmear }: Pick<Evidence, 'smear' | 'subjectSmear'>): BlurTrace | null {
  if (looksLike === 'shake') return smear;
  return looksLike === 'moved' ? subjectSmear : null;
}

export function evidenceOf(reading: SoftnessReading, subjectAt: PictureSpot): Evidence {
  const { across, tiles, noiseSeen, blackShare } = reading;
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
  // Each counts alike: what is soft has few edges.
  const shareOf = (of: typeof elsewhere, isSo: (state: TileState) => boolean): number =>
    of.filter(({ state }) => isSo(state)).length / Math.max(1, of.length);
  const share = (state: TileState): number => shareOf(elsewhere, (one) => one === state);
  const round = blursAbout(reading, subjectAt);
  const { smears, of, discsShare } = partTraces(reading, subjectAt);
  const trace = reading.traces?.whole ?? null;
  const subjectTrace = reading.traces == null ? null : traceNear(reading.traces, reading, subjectAt);
  const line = alike(smears.map(({ directionDeg }) => directionDeg));
  const turn = turning(smears, reading.traces?.across ?? 0, reading.traces?.down ?? 0);
  return {
    sharpPx,
    subject: round[round.length >> 1] ?? null,
    round,
    beside: blursBeside(reading, subjectAt),
    rest: elsewhere.map(({ tile }) => tile),
    sharpShare: share('sharp'),
    smearedShare: share('smeared'),
    softShare: share('soft'),
    softAreaShare: shareOf(areas, (one) => one !== 'sharp'),
    tiles: elsewhere.length,
    trace,
    subjectTrace,
    smear: clearLine(trace, CLEAR_LINE),
    subjectSmear: clearLine(subjectTrace, CLEAR_PART_LINE),
    smearsShare: smears.length / Math.max(1, of),
    discsShare,
    agreement: Math.max(line, turn),
    isTurn: turn > line + LESS_PLAIN,
    noiseSeen,
    blackShare,
  };
}
