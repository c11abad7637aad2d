import type { SoftnessReading } from './readSoftness.js';
import type { Blur } from './spread.js';

/** A reading as it is kept: four bytes a window, 3 kB a picture. */
export interface PackedReading extends Omit<SoftnessReading, 'tiles' | 'single'> {
  readonly windows: Uint8Array;
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

export function packedReading({ tiles, single, ...rest }: SoftnessReading): PackedReading {
  const windows = new Uint8Array(BYTES * (tiles.length + single.length));
  [...tiles, ...single].forEach((blur, k) => put(windows, BYTES * k, blur));
  return { ...rest, windows };
}

export function unpackedReading({ windows, ...rest }: PackedReading): SoftnessReading {
  const count = rest.across * rest.down;
  const map = (from: number): readonly (Blur | null)[] =>
    Array.from({ length: count }, (_, k) => take(windows, BYTES * (from + k)));
  return { ...rest, tiles: map(0), single: map(count) };
}
