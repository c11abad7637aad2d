import type { MeterPattern } from '../../kit/index.js';
import type { Spot } from '../map/shapes.js';
import { BINS, type PreparedMap } from './prepareMap.js';

/** How a body's patterns measure. Judgement where bodies differ: multi-zone, saturation and the highlight share. */
export interface PatternFigures {
  /** Share of the frame that a spot covers. */
  readonly spotShare: number;
  /** Diameter of the centre circle, heights of the frame, and how much it counts. */
  readonly centreDiameter: number;
  readonly centreWeight: number;
  /** Share of the frame that a highlight pattern lets clip. */
  readonly highlightShare: number;
}

export const PATTERN_FIGURES: PatternFigures = {
  spotShare: 0.025,
  centreDiameter: 0.5,
  centreWeight: 0.75,
  highlightShare: 0.002,
};

export interface PatternQuestion {
  readonly pattern: MeterPattern;
  /** Where a spot is put, and the focus that a multi-zone pattern favours. */
  readonly at: Spot;
  /** What the picture straight out of the camera holds over mid-grey, stops: a highlight pattern goes by it. */
  readonly straightOverEv: number;
  /** A highlight pattern told which lamps may burn; no body can know. */
  readonly lampsMayBurn?: boolean;
  readonly figures?: PatternFigures;
}

interface Sum {
  readonly luminance: number;
  readonly cells: number;
}

function sumOfBox({ sums, width }: PreparedMap, left: number, right: number, top: number, bottom: number): Sum {
  let luminance = 0;
  for (let row = top; row < bottom; row++) {
    const first = row * (width + 1);
    luminance += (sums[first + right] as number) - (sums[first + left] as number);
  }
  return { luminance, cells: (right - left) * (bottom - top) };
}

/** Columns of a row whose middles lie within a circle, `to` not included; in heights of the frame. */
function chord({ width, height }: PreparedMap, { x, y }: Spot, radius: number, row: number): readonly [from: number, to: number] {
  const off = (row + 0.5) / height - y;
  const half = Math.sqrt(Math.max(0, radius * radius - off * off));
  if (half === 0) return [0, 0];
  const within = (column: number): number => Math.min(width, Math.max(0, column));
  return [within(Math.ceil((x - half) * height - 0.5)), within(Math.floor((x + half) * height - 0.5) + 1)];
}

function rowsOf({ height }: PreparedMap, y: number, radius: number): readonly [from: number, to: number] {
  return [Math.max(0, Math.floor((y - radius) * height)), Math.min(height, Math.ceil((y + radius) * height))];
}

/** What a circle covers, cut by the frame. */
function sumOfCircle(map: PreparedMap, at: Spot, radius: number): Sum {
  let [luminance, cells] = [0, 0];
  const [top, bottom] = rowsOf(map, at.y, radius);
  for (let row = top; row < bottom; row++) {
    const [from, to] = chord(map, at, radius, row);
    if (to <= from) continue;
    const first = row * (map.width + 1);
    luminance += (map.sums[first + to] as number) - (map.sums[first + from] as number);
    cells += to - from;
  }
  return { luminance, cells };
}

const whole = (map: PreparedMap): Sum => sumOfBox(map, 0, map.width, 0, map.height);
const evOf = ({ luminance, cells }: Sum): number => Math.log2(luminance / cells);

/** Radius of a spot that covers a share of the frame, heights of the frame. */
export function spotRadius({ width, height }: Pick<PreparedMap, 'width' | 'height'>, share = PATTERN_FIGURES.spotShare): number {
  return Math.sqrt((share * (width / height)) / Math.PI);
}

/** Within the frame, so that a circle round it covers a cell at least. */
function inFrame({ width, height }: PreparedMap, { x, y }: Spot): Spot {
  const within = (value: number, most: number): number => Math.min(most - 0.5 / height, Math.max(0.5 / height, value));
  return { x: within(x, width / height), y: within(y, 1) };
}

function centreEv(map: PreparedMap, { centreDiameter, centreWeight }: PatternFigures): number {
  const inside = sumOfCircle(map, { x: map.width / map.height / 2, y: 0.5 }, centreDiameter / 2);
  const all = whole(map);
  const outside = (all.luminance - inside.luminance) / (all.cells - inside.cells);
  return Math.log2((centreWeight * inside.luminance) / inside.cells + (1 - centreWeight) * outside);
}

/** The EV above which a share of the cells lie, exactly; of the lamps none where they may burn. */
export function evAbove(map: PreparedMap, share: number, lampsMayBurn: boolean): number {
  const { bin, ev, histogram, lampHistogram, label, isLamp, brightest } = map;
  const above = Math.floor(share * ev.length);
  if (!lampsMayBurn && above < brightest.length) return brightest[brightest.length - 1 - above] as number;
  let counted = 0;
  let at = BINS;
  while (counted <= above && at > 0) {
    at--;
    counted += (histogram[at] as number) - (lampsMayBurn ? (lampHistogram[at] as number) : 0);
  }
  const inBin: number[] = [];
  for (let place = 0; place < ev.length; place++) {
    if (bin[place] === at && !(lampsMayBurn && isLamp[label[place] as number] === true)) inBin.push(ev[place] as number);
  }
  if (inBin.length === 0) return -Infinity;
  const within = Float32Array.from(inBin).sort();
  return within[counted - above - 1] as number;
}

/** So far under what it holds a highlight pattern keeps the brightest, stops; it never lifts a frame over this many. */
const HIGHLIGHT_MARGIN_EV = 1 / 3;
const HIGHLIGHT_MOST_LIFT_EV = 1;

function highlightEv(
  map: PreparedMap,
  { straightOverEv, lampsMayBurn = false, figures = PATTERN_FIGURES }: PatternQuestion,
): number {
  const brightest = evAbove(map, figures.highlightShare, lampsMayBurn);
  return Math.max(evOf(whole(map)) - HIGHLIGHT_MOST_LIFT_EV, brightest - (straightOverEv - HIGHLIGHT_MARGIN_EV));
}

export const ZONES_ACROSS = 7;
export const ZONES_DOWN = 5;
const ZONE_POWER = 0.7;
const FOCUS_WEIGHT = 4;
const GLARE_WEIGHT = 0.25;
const GLARE_OVER_EV = 3;
/** Brighter than this is taken for white: half a stop less a stop, a stop at most. */
const TAKEN_FOR_WHITE_EV = 15;

/** The zone in which the block of three by three round the focus begins, kept within the frame. */
export function focusZones(
  { width, height }: Pick<PreparedMap, 'width' | 'height'>,
  { x, y }: Spot,
): readonly [column: number, row: number] {
  const column = Math.floor((x / (width / height)) * ZONES_ACROSS);
  const row = Math.floor(y * ZONES_DOWN);
  const within = (zone: number, zones: number): number => Math.min(zones - 3, Math.max(0, zone - 1));
  return [within(column, ZONES_ACROSS), within(row, ZONES_DOWN)];
}

/** EV of each zone's mean luminance, row by row. */
export function zoneEvs(map: PreparedMap): readonly number[] {
  const edge = (cells: number, zone: number, zones: number): number => Math.round((cells * zone) / zones);
  return Array.from({ length: ZONES_ACROSS * ZONES_DOWN }, (_, k) => {
    const [row, column] = [Math.floor(k / ZONES_ACROSS), k % ZONES_ACROSS];
    const [left, right] = [edge(map.width, column, ZONES_ACROSS), edge(map.width, column + 1, ZONES_ACROSS)];
    return evOf(sumOfBox(map, left, right, edge(map.height, row, ZONES_DOWN), edge(map.height, row + 1, ZONES_DOWN)));
  });
}

function multiZoneEv(map: PreparedMap, at: Spot): number {
  const zones = zoneEvs(map);
  const median = [...zones].sort((a, b) => a - b)[Math.floor(zones.length / 2)] as number;
  const [firstColumn, firstRow] = focusZones(map, at);
  let [sum, weights] = [0, 0];
  zones.forEach((ev, k) => {
    const [row, column] = [Math.floor(k / ZONES_ACROSS), k % ZONES_ACROSS];
    const isFocus = row >= firstRow && row < firstRow + 3 && column >= firstColumn && column < firstColumn + 3;
    const weight = isFocus ? FOCUS_WEIGHT : ev > median + GLARE_OVER_EV ? GLARE_WEIGHT : 1;
    sum += weight * 2 ** (ZONE_POWER * ev);
    weights += weight;
  });
  const ev = Math.log2(sum / weights) / ZONE_POWER;
  return ev - Math.min(1, Math.max(0, (ev - TAKEN_FOR_WHITE_EV) / 2));
}

/** What a pattern gives on a map, EV at ISO 100. Source: docs/metering.md#patterns. */
export function patternEv(map: PreparedMap, question: PatternQuestion): number {
  const { pattern, at, figures = PATTERN_FIGURES } = question;
  switch (pattern) {
    case 'wholeFrame':
      return evOf(whole(map));
    case 'centreWeighted':
      return centreEv(map, figures);
    case 'spot':
      return evOf(sumOfCircle(map, inFrame(map, at), spotRadius(map, figures.spotShare)));
    case 'highlightWeighted':
      return highlightEv(map, question);
    case 'multiZone':
      return multiZoneEv(map, at);
  }
}

/** Share of a spot's cells that `isKey` says yes to, of every so many cells each way. */
export function spotShareOf(
  map: PreparedMap,
  at: Spot,
  isKey: (place: number) => boolean,
  { share = PATTERN_FIGURES.spotShare, every = 1 } = {},
): number {
  const spot = inFrame(map, at);
  const radius = spotRadius(map, share);
  let [keys, cells] = [0, 0];
  const [top, bottom] = rowsOf(map, spot.y, radius);
  for (let row = top; row < bottom; row += every) {
    const [from, to] = chord(map, spot, radius, row);
    for (let column = from; column < to; column += every) {
      cells++;
      if (isKey(row * map.width + column)) keys++;
    }
  }
  return cells === 0 ? 0 : keys / cells;
}
