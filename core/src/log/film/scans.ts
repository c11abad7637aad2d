import type { FrameScan, LogFrame } from '../frames/index.js';

type RollFrame = LogFrame & { readonly source: Extract<LogFrame['source'], { kind: 'roll' }> };

function isOfRoll(frame: LogFrame): frame is RollFrame {
  return frame.source.kind === 'roll';
}

/** Frames of one roll, by its counter. */
export function framesOfRoll(frames: readonly LogFrame[], rollId: string): readonly RollFrame[] {
  return frames
    .filter(isOfRoll)
    .filter(({ source }) => source.rollId === rollId)
    .sort((a, b) => a.source.number - b.source.number);
}

/** In the order in which a person counts: `scan 9` before `scan 10`. */
const COUNTED = new Intl.Collator('en', { numeric: true });

export function inCountedOrder<Named extends { readonly name: string }>(files: readonly Named[]): readonly Named[] {
  return [...files].sort((a, b) => COUNTED.compare(a.name, b.name));
}

/** A file that says neither an aperture nor a time was made by no camera: it is a scan, where a roll waits for some. */
export function isScan({ fNumber, shutterS }: Pick<LogFrame, 'fNumber' | 'shutterS'>): boolean {
  return fNumber === null && shutterS === null;
}

/** Frames of the rolls, in their order, that wait for a scan. */
export function framesToScan(frames: readonly LogFrame[], rollIds: readonly string[]): readonly LogFrame[] {
  return rollIds.flatMap((rollId) => framesOfRoll(frames, rollId).filter(({ source }) => source.scan === null));
}

interface Scanned {
  readonly scan: FrameScan | null;
  readonly sight: LogFrame['sight'];
  readonly subjectAt: LogFrame['subjectAt'];
}

const NOT_SCANNED: Scanned = { scan: null, sight: null, subjectAt: null };

/**
 * The scans of a roll put one frame on (+1) or back (−1), for a lead that was scanned too or a frame that was not: with what was
 * measured in them; verdicts are of frames and stay. What would fall off an end stays as it is: null.
 */
export function shiftedScans(frames: readonly LogFrame[], rollId: string, by: 1 | -1): readonly LogFrame[] | null {
  const own = framesOfRoll(frames, rollId);
  const last = by === 1 ? own.at(-1) : own[0];
  if (own.length < 2 || last === undefined || last.source.scan !== null) return null;
  return own.map((frame, k) => {
    const from = own[k - by];
    const { scan, sight, subjectAt } = from === undefined ? NOT_SCANNED : { ...from, scan: from.source.scan };
    return { ...frame, source: { ...frame.source, scan }, sight, subjectAt };
  });
}
