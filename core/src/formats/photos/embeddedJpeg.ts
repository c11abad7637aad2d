/** A picture that lies inside of another file, as the preview does in a raw file. */
export interface EmbeddedJpeg {
  readonly from: number;
  readonly to: number;
  readonly width: number;
  readonly height: number;
}

const MARK = 0xff;
const BEGIN = 0xd8;
const END = 0xd9;
const SCAN = 0xda;
/** Frames that any browser opens: baseline, extended and progressive; the others are those of raw data. */
const OPENABLE = new Set([0xc0, 0xc1, 0xc2]);
const FRAMES = new Set([0xc0, 0xc1, 0xc2, 0xc3, 0xc5, 0xc6, 0xc7, 0xc9, 0xca, 0xcb, 0xcd, 0xce, 0xcf]);
const isRestart = (code: number): boolean => code >= 0xd0 && code <= 0xd7;

/** Where the scan that begins at a place ends, behind the mark of the end; -1 where the bytes end before it. */
function endOfScan(bytes: Uint8Array, from: number): number {
  for (let at = bytes.indexOf(MARK, from); at !== -1; at = bytes.indexOf(MARK, at + 1)) {
    const code = bytes[at + 1] ?? 0;
    if (code === END) return at + 2;
    // A progressive picture has several scans, with tables between them.
    if (code !== 0 && code !== MARK && !isRestart(code) && code < 0xc0) return -1;
  }
  return -1;
}

/** The picture whose first mark is at a place; null for what only looks like one, is broken, or is raw data. */
function jpegAt(bytes: Uint8Array, from: number): EmbeddedJpeg | null {
  let sides: { readonly width: number; readonly height: number } | null = null;
  for (let at = from + 2; at + 4 <= bytes.length;) {
    if (bytes[at] !== MARK) return null;
    const code = bytes[at + 1] as number;
    const length = ((bytes[at + 2] as number) << 8) | (bytes[at + 3] as number);
    if (length < 2) return null;
    if (FRAMES.has(code)) {
      if (!OPENABLE.has(code)) return null;
      const number = (k: number): number => ((bytes[at + k] ?? 0) << 8) | (bytes[at + k + 1] ?? 0);
      sides = { height: number(5), width: number(7) };
    }
    if (code === SCAN) {
      const to = endOfScan(bytes, at + 2 + length);
      return sides === null || to === -1 ? null : { from, to, ...sides };
    }
    at += 2 + length;
  }
  return null;
}

/**
 * The largest picture in a file that a browser can open, by its pixels; null where there is none. Looked for by the first marks of
 * one, so that no maker's format has to be known. Source: ITU-T T.81, annex B.
 */
export function largestJpeg(bytes: Uint8Array): EmbeddedJpeg | null {
  let largest: EmbeddedJpeg | null = null;
  for (let at = bytes.indexOf(MARK); at !== -1; at = bytes.indexOf(MARK, at + 1)) {
    if (bytes[at + 1] !== BEGIN || bytes[at + 2] !== MARK) continue;
    const found = jpegAt(bytes, at);
    if (found !== null && found.width * found.height > (largest === null ? 0 : largest.width * largest.height)) largest = found;
  }
  return largest;
}
