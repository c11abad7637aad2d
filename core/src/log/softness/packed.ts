import type { FullSize } from './fullSize.js';
import { placeGrid, type SoftnessReading } from './readSoftness.js';
import type { Blur } from './spread.js';
import type { Grid } from './windows.js';

/** A reading as it is kept: four bytes a window, 8 kB a picture. */
export interface PackedReading extends Omit<SoftnessReading, 'tiles' | 'about' | 'full'> {
  readonly windows: Uint8Array;
  readonly full?: Omit<FullSize, 'blurs'> & { readonly parts: Uint8Array };
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

function packed(blurs: readonly (Blur | null)[]): Uint8Array {
  const bytes = new Uint8Array(BYTES * blurs.length);
  blurs.forEach((blur, k) => put(bytes, BYTES * k, blur));
  return bytes;
}

function unpacked(bytes: Uint8Array, from: number, count: number): readonly (Blur | null)[] {
  return Array.from({ length: count }, (_, k) => take(bytes, BYTES * (from + k)));
}

export function packedReading({ tiles, about, full, ...rest }: SoftnessReading): PackedReading {
  const windows = packed([...tiles, ...about]);
  if (full === undefined) return { ...rest, windows };
  const { blurs, ...of } = full;
  return { ...rest, windows, full: { ...of, parts: packed(blurs) } };
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

export function unpackedReading({ windows, full, ...rest }: PackedReading): SoftnessReading {
  const [count, places] = [rest.across * rest.down, placeGrid(rest)];
  const isOlder = windows.length === 2 * BYTES * count;
  const about = isOlder
    ? aboutOfTiles(unpacked(windows, count, count), rest)
    : unpacked(windows, count, places.across * places.down);
  const reading = { ...rest, tiles: unpacked(windows, 0, count), about };
  if (full === undefined) return reading;
  const { parts, ...of } = full;
  return { ...reading, full: { ...of, blurs: unpacked(parts, 0, of.across * of.down) } };
}
