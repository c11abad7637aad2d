import type { BlurTrace } from './blur/blurTrace.js';
import type { FullSize } from './fullSize.js';
import { placeGrid, type SoftnessReading } from './readSoftness.js';
import type { Blur } from './blur/spread.js';
import type { TraceMap } from './blur/traceMap.js';
import type { WindowGrid } from './windows.js';

/** A reading as it is kept: four bytes a window, five a part with its traces, 10 kB a picture. */
export interface PackedReading extends Omit<SoftnessReading, 'tiles' | 'about' | 'full' | 'traces'> {
  readonly windows: Uint8Array;
  readonly full?: Omit<FullSize, 'blurs'> & { readonly parts: Uint8Array };
  /** The whole picture first, then part by part; null for a picture too small for them. */
  readonly traces?: (WindowGrid & { readonly parts: Uint8Array }) | null;
}

const BYTES = 4;
/** Spreads by a twelfth of a pixel, up to 21; edges by the square of a byte's quarter. */
const PER_PX = 12;
const PER_ROOT = 4;
const byte = (value: number): number => Math.min(255, Math.round(value));

function put(bytes: Uint8Array, at: number, blur: Blur | null): void {
  // No window that could be read has no edges: a zero stands for none.
  if (blur === null) return;
  const { majorPx, minorPx, directionDeg, edges } = blur;
  bytes.set(
    [
      byte(majorPx * PER_PX),
      byte(minorPx * PER_PX),
      byte((directionDeg / 180) * 255),
      Math.max(1, byte(Math.sqrt(edges) * PER_ROOT)),
    ],
    at,
  );
}

function take(bytes: Uint8Array, at: number): Blur | null {
  const [major, minor, direction, edges] = bytes.subarray(at, at + BYTES) as unknown as [number, number, number, number];
  if (edges === 0) return null;
  return {
    majorPx: major / PER_PX,
    minorPx: minor / PER_PX,
    directionDeg: ((direction / 255) * 180) % 180,
    edges: Math.round((edges / PER_ROOT) ** 2),
  };
}

const TRACE_BYTES = 5;
/** Lengths by a fifth of a pixel, up to 51; how clear a line or a disc is by its root, up to 36 and a quarter: fine where it is little. */
const PER_LAG = 5;
const PER_LINE_ROOT = 42;
const PER_DISC_ROOT = 500;
const FULL = 255;

function putTrace(bytes: Uint8Array, at: number, trace: BlurTrace | null): void {
  // No diameter is as short as nothing: a zero stands for none.
  if (trace === null) return;
  const { lengthPx, directionDeg, lineClear, diameterPx, discClear } = trace;
  const [line, disc] = [Math.sqrt(lineClear) * PER_LINE_ROOT, Math.sqrt(discClear) * PER_DISC_ROOT];
  bytes.set([diameterPx * PER_LAG, lengthPx * PER_LAG, (directionDeg / 180) * FULL, line, disc].map(byte), at);
}

function takeTrace(bytes: Uint8Array, at: number): BlurTrace | null {
  const [diameter, length, direction, line, disc] = [...bytes.subarray(at, at + TRACE_BYTES)] as [
    number,
    number,
    number,
    number,
    number,
  ];
  if (diameter === 0) return null;
  return {
    lengthPx: length / PER_LAG,
    directionDeg: ((direction / FULL) * 180) % 180,
    lineClear: (line / PER_LINE_ROOT) ** 2,
    diameterPx: diameter / PER_LAG,
    discClear: (disc / PER_DISC_ROOT) ** 2,
  };
}

function packedTraces({ across, down, whole, about }: TraceMap): NonNullable<PackedReading['traces']> {
  const parts = new Uint8Array(TRACE_BYTES * (1 + about.length));
  [whole, ...about].forEach((trace, k) => putTrace(parts, TRACE_BYTES * k, trace));
  return { across, down, parts };
}

function unpackedTraces({ across, down, parts }: NonNullable<PackedReading['traces']>): TraceMap {
  const about = Array.from({ length: across * down }, (_, k) => takeTrace(parts, TRACE_BYTES * (k + 1)));
  return { across, down, whole: takeTrace(parts, 0), about };
}

function packed(blurs: readonly (Blur | null)[]): Uint8Array {
  const bytes = new Uint8Array(BYTES * blurs.length);
  blurs.forEach((blur, k) => put(bytes, BYTES * k, blur));
  return bytes;
}

function unpacked(bytes: Uint8Array, from: number, count: number): readonly (Blur | null)[] {
  return Array.from({ length: count }, (_, k) => take(bytes, BYTES * (from + k)));
}

export function packedReading({ tiles, about, full, traces, ...rest }: SoftnessReading): PackedReading {
  const windows = packed([...tiles, ...about]);
  const own = { ...rest, windows, ...(traces === undefined ? {} : { traces: traces === null ? null : packedTraces(traces) }) };
  if (full === undefined) return own;
  const { blurs, ...of } = full;
  return { ...own, full: { ...of, parts: packed(blurs) } };
}

/** About each place what was read of the tile that it lies in: readings kept before said no more. */
function aboutOfTiles(single: readonly (Blur | null)[], tiles: WindowGrid): readonly (Blur | null)[] {
  const places = placeGrid(tiles);
  const perTile = places.across / tiles.across;
  return Array.from({ length: places.across * places.down }, (_, k) => {
    const [column, row] = [Math.floor((k % places.across) / perTile), Math.floor(k / places.across / perTile)];
    return single[row * tiles.across + column] ?? null;
  });
}

export function unpackedReading({ windows, full, traces, ...rest }: PackedReading): SoftnessReading {
  const [count, places] = [rest.across * rest.down, placeGrid(rest)];
  const isOlder = windows.length === 2 * BYTES * count;
  const about = isOlder
    ? aboutOfTiles(unpacked(windows, count, count), rest)
    : unpacked(windows, count, places.across * places.down);
  const read = { ...rest, tiles: unpacked(windows, 0, count), about };
  const reading = traces === undefined ? read : { ...read, traces: traces === null ? null : unpackedTraces(traces) };
  if (full === undefined) return reading;
  const { parts, ...of } = full;
  return { ...reading, full: { ...of, blurs: unpacked(parts, 0, of.across * of.down) } };
}
