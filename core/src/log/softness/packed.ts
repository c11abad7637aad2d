import type { EchoMap } from './echoMap.js';
import type { EchoBlur } from './echoes.js';
import type { FullSize } from './fullSize.js';
import { placeGrid, type SoftnessReading } from './readSoftness.js';
import type { Blur } from './spread.js';
import type { Grid } from './windows.js';

/** A reading as it is kept: four bytes a window, five a part with its echoes, 9 kB a picture. */
export interface PackedReading extends Omit<SoftnessReading, 'tiles' | 'about' | 'full' | 'echoes'> {
  readonly windows: Uint8Array;
  readonly full?: Omit<FullSize, 'blurs'> & { readonly parts: Uint8Array };
  /** The whole picture first, then part by part; null for a picture too small for them. */
  readonly echoes?: (Grid & { readonly parts: Uint8Array }) | null;
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

const ECHO_BYTES = 5;
const PER_LAG = 5;
const FULL = 255;

function putEcho(bytes: Uint8Array, at: number, blur: EchoBlur | null): void {
  // No lag is as short as nothing: a zero stands for none.
  if (blur === null) return;
  const { lengthPx, directionDeg, echo, around, aroundPx } = blur;
  bytes.set([aroundPx * PER_LAG, lengthPx * PER_LAG, (directionDeg / 180) * FULL, echo * FULL, around * FULL].map(byte), at);
}

function takeEcho(bytes: Uint8Array, at: number): EchoBlur | null {
  const [aroundLag, lag, direction, echo, around] = bytes.subarray(at, at + ECHO_BYTES) as unknown as [
    number,
    number,
    number,
    number,
    number,
  ];
  if (aroundLag === 0) return null;
  return {
    lengthPx: lag / PER_LAG,
    directionDeg: ((direction / FULL) * 180) % 180,
    echo: echo / FULL,
    around: around / FULL,
    aroundPx: aroundLag / PER_LAG,
  };
}

function packedEchoes({ across, down, whole, about }: EchoMap): NonNullable<PackedReading['echoes']> {
  const parts = new Uint8Array(ECHO_BYTES * (1 + about.length));
  [whole, ...about].forEach((blur, k) => putEcho(parts, ECHO_BYTES * k, blur));
  return { across, down, parts };
}

function unpackedEchoes({ across, down, parts }: NonNullable<PackedReading['echoes']>): EchoMap {
  const about = Array.from({ length: across * down }, (_, k) => takeEcho(parts, ECHO_BYTES * (k + 1)));
  return { across, down, whole: takeEcho(parts, 0), about };
}

function packed(blurs: readonly (Blur | null)[]): Uint8Array {
  const bytes = new Uint8Array(BYTES * blurs.length);
  blurs.forEach((blur, k) => put(bytes, BYTES * k, blur));
  return bytes;
}

function unpacked(bytes: Uint8Array, from: number, count: number): readonly (Blur | null)[] {
  return Array.from({ length: count }, (_, k) => take(bytes, BYTES * (from + k)));
}

export function packedReading({ tiles, about, full, echoes, ...rest }: SoftnessReading): PackedReading {
  const windows = packed([...tiles, ...about]);
  const own = { ...rest, windows, ...(echoes === undefined ? {} : { echoes: echoes === null ? null : packedEchoes(echoes) }) };
  if (full === undefined) return own;
  const { blurs, ...of } = full;
  return { ...own, full: { ...of, parts: packed(blurs) } };
}

/** About each place what was read of the tile that it lies in: readings kept before said no more. */
function aboutOfTiles(single: readonly (Blur | null)[], tiles: Grid): readonly (Blur | null)[] {
  const places = placeGrid(tiles);
  const perTile = places.across / tiles.across;
  return Array.from({ length: places.across * places.down }, (_, k) => {
    const [column, row] = [Math.floor((k % places.across) / perTile), Math.floor(k / places.across / perTile)];
    return single[row * tiles.across + column] ?? null;
  });
}

export function unpackedReading({ windows, full, echoes, ...rest }: PackedReading): SoftnessReading {
  const [count, places] = [rest.across * rest.down, placeGrid(rest)];
  const isOlder = windows.length === 2 * BYTES * count;
  const about = isOlder
    ? aboutOfTiles(unpacked(windows, count, count), rest)
    : unpacked(windows, count, places.across * places.down);
  const read = { ...rest, tiles: unpacked(windows, 0, count), about };
  const reading = echoes === undefined ? read : { ...read, echoes: echoes === null ? null : unpackedEchoes(echoes) };
  if (full === undefined) return reading;
  const { parts, ...of } = full;
  return { ...reading, full: { ...of, blurs: unpacked(parts, 0, of.across * of.down) } };
}
