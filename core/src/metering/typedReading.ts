import { parseEntry, type StopStep, withoutThousandsCommas } from '../units/index.js';
import { frameEv, type ExposureSettings } from './reading.js';

export type ReadTyped =
  | {
      readonly ok: true;
      readonly ev100: number;
      readonly isFrame: boolean;
      /** Stops by which the frame came out too bright (+) or too dark: then it is a test shot. */
      readonly offEv: number;
    }
  | { readonly ok: false; readonly message: string };

const HOW = 'Type an EV (12.3), or a frame: 1/125 8 400, or f8 1/60; +1 behind it where it came out a stop too bright.';
/** No aperture is so large a number: it is an ISO. */
const FROM_ISO = 45;

interface Parts {
  aperture?: string;
  shutter?: string;
  iso?: string;
}

/** What each word of a frame is; null where one is nothing, or something is there twice. */
function partsOf(words: readonly string[]): Parts | null {
  const parts: Parts = {};
  const put = (part: keyof Parts, word: string): boolean => {
    if (parts[part] !== undefined) return false;
    parts[part] = word;
    return true;
  };
  for (const word of words) {
    const isShutter = /^1\/|s$|"$/.test(word);
    const isNumber = /^\d+(\.\d+)?$/.test(word);
    const part: keyof Parts | null = /^f/.test(word)
      ? 'aperture'
      : /^iso/.test(word)
        ? 'iso'
        : isShutter
          ? 'shutter'
          : isNumber
            ? Number(word) >= FROM_ISO || parts.aperture !== undefined
              ? 'iso'
              : 'aperture'
            : null;
    if (part === null || !put(part, word)) return null;
  }
  return parts;
}

/** No scene that anybody photographs lies further out. */
function within(ev100: number, isFrame: boolean, offEv = 0): ReadTyped {
  const isRead = ev100 >= -12 && ev100 <= 24;
  return isRead
    ? { ok: true, ev100, isFrame, offEv }
    : { ok: false, message: `EV ${Number(ev100.toFixed(1))} is outside what a meter reads (−12 to 24).` };
}

function wordsOf(text: string): readonly string[] {
  return (
    text
      .trim()
      .toLowerCase()
      .replace(/(\d),(\d)/g, '$1.$2')
      // `ISO 800`, `f 4`, `1/60 s`: what belongs together is one word.
      .replace(/\b(iso|f\/?)\s+(?=\d)/g, '$1')
      .replace(/(\d)\s+s(?:ec(?:onds?)?)?(?=\s|$)/g, '$1s')
      .split(/[\s,;]+/)
      .filter((word) => word !== '')
  );
}

/** How a frame came out stands behind it, with its sign: `f8 1/60 +1`, `-2/3`. */
function withoutOffset(words: readonly string[]): { readonly frameWords: readonly string[]; readonly offEv: number } {
  const last = words.at(-1) ?? '';
  const off = /^[+−-]/.test(last) ? parseEntry(last, { kind: 'stops', step: 'third' }) : null;
  return off?.ok === true ? { frameWords: words.slice(0, -1), offEv: off.value } : { frameWords: words, offEv: 0 };
}

/**
 * A reading as one types it in the street: an EV at ISO 100 by itself, or a frame by its time, aperture and ISO in any order,
 * the ISO the roll's or the base where it is left out. `1/125 8 400` and `f8 1/60` are frames. Marked names count as their exact
 * values; how far off a frame came out, with its sign, makes it a test shot. Never throws for text.
 */
export function readTyped(text: string, { iso, step }: { readonly iso: number; readonly step: StopStep }): ReadTyped {
  const words = wordsOf(text);
  const [first] = words;
  if (first === undefined) return { ok: false, message: HOW };
  if (words.length === 1 || words[0] === 'ev') {
    const ev = Number((words[0] === 'ev' ? words[1] : first)?.replace(/^ev/, '').replace('−', '-'));
    if (Number.isNaN(ev)) return { ok: false, message: HOW };
    return within(ev, false);
  }
  const { frameWords, offEv } = withoutOffset(wordsOf(withoutThousandsCommas(text)));
  const frame = readFrame(frameWords.join(' '), { iso, step });
  return frame.ok ? within(frameEv(frame, offEv), true, offEv) : frame;
}

export type FrameTyped = ({ readonly ok: true } & ExposureSettings) | { readonly ok: false; readonly message: string };

/** Outside of these there is no camera. */
const OF_A_CAMERA = {
  fNumber: { low: 0.5, high: 128, name: 'An aperture', says: 'f/0.5 to f/128' },
  shutterS: { low: 1e-5, high: 7200, name: 'A shutter time', says: '1/100000 s to 2 hours' },
  iso: { low: 1, high: 10_000_000, name: 'An ISO', says: '1 to 10000000' },
} as const;

function outsideOfCameras(frame: ExposureSettings): string | null {
  for (const key of ['fNumber', 'shutterS', 'iso'] as const) {
    const { low, high, name, says } = OF_A_CAMERA[key];
    if (frame[key] < low || frame[key] > high)
      return `${name} of ${Number(frame[key].toPrecision(4))} is outside of any camera (${says}).`;
  }
  return null;
}

/** A frame by its time, aperture and ISO in any order, as `readTyped` reads it: `1/1,000 8 12,800` too. Never throws for text. */
export function readFrame(text: string, { iso, step }: { readonly iso: number; readonly step: StopStep }): FrameTyped {
  const parts = partsOf(wordsOf(withoutThousandsCommas(text)));
  if (parts?.aperture === undefined || parts.shutter === undefined) return { ok: false, message: HOW };
  const fNumber = parseEntry(parts.aperture, { kind: 'aperture', step });
  const shutterS = parseEntry(parts.shutter, { kind: 'shutter', step });
  const atIso =
    parts.iso === undefined
      ? ({ ok: true, value: iso } as const)
      : parseEntry(parts.iso.replace(/^iso/, ''), { kind: 'iso', step });
  if (!fNumber.ok) return fNumber;
  if (!shutterS.ok) return shutterS;
  if (!atIso.ok) return atIso;
  const frame = { fNumber: fNumber.value, shutterS: shutterS.value, iso: atIso.value };
  const outside = outsideOfCameras(frame);
  return outside === null ? { ok: true, ...frame } : { ok: false, message: outside };
}
