import Papa from 'papaparse';
import {
  fileOfFrame,
  frameFacts,
  frameMs,
  frameName,
  type LogFrame,
  VERDICTS,
  type Verdict,
  type WalkLog,
} from '../../log/frames/index.js';
import { wallText } from './wallText.js';

/** A line of a table of frames. */
export interface FrameLine {
  readonly source: string;
  /** By the wall of its place, as it was written; empty where it is not said. */
  readonly taken: string;
  readonly verdict: Verdict | null;
  readonly fNumber: number | null;
  readonly shutterS: number | null;
  readonly iso: number | null;
  readonly focalLengthMm: number | null;
  readonly compensationEv: number | null;
}

export type ReadFrameLines =
  | { readonly ok: true; readonly lines: readonly FrameLine[]; readonly leftOut: number }
  | { readonly ok: false; readonly message: string };

const LARGEST_TEXT = 64 * 1024 * 1024;
const MOST_LINES = 200_000;

/** `1/250`, `0.5` or nothing. */
function secondsOf(text: string): number | null {
  const hit = /^\s*(\d+(?:\.\d+)?)(?:\s*\/\s*(\d+(?:\.\d+)?))?\s*$/.exec(text);
  if (hit === null) return null;
  const seconds = Number(hit[1]) / Number(hit[2] ?? 1);
  return Number.isFinite(seconds) && seconds > 0 ? seconds : null;
}

const numberOf = (text: string | undefined): number | undefined =>
  text === undefined || text.trim() === '' ? undefined : Number(text);

/**
 * Reads a table of frames by the names of EXIF tags, as `writeFramesCsv` and other programs write it: what is out of a camera's range
 * says nothing, words that are no verdict neither. Lines without a file are left out.
 */
export function readFramesCsv(text: string, words: Readonly<Record<Verdict, string>>): ReadFrameLines {
  if (text.length > LARGEST_TEXT) return { ok: false, message: 'The file is larger than 64 MB.' };
  const { data, meta } = Papa.parse<Readonly<Record<string, string>>>(text.replace(/^\ufeff/, ''), {
    header: true,
    skipEmptyLines: true,
    preview: MOST_LINES,
  });
  if (meta.fields?.includes('SourceFile') !== true) {
    return { ok: false, message: 'The table has no column SourceFile: it does not say which file a line is about.' };
  }
  const verdictOf = new Map(VERDICTS.map((verdict) => [words[verdict].toLowerCase(), verdict]));
  const lines = data.flatMap((row): readonly FrameLine[] => {
    const source = (row['SourceFile'] ?? '').trim().replace(/^\.\//, '');
    if (source === '') return [];
    const { fNumber, shutterS, iso, focalLengthMm, compensationEv } = frameFacts({
      FNumber: numberOf(row['FNumber']),
      ExposureTime: secondsOf(row['ExposureTime'] ?? '') ?? undefined,
      ISO: numberOf(row['ISO']),
      FocalLength: numberOf(row['FocalLength']?.replace(/\s*mm$/, '')),
      ExposureCompensation: numberOf(row['ExposureCompensation']),
    });
    const verdict = verdictOf.get((row['Keywords'] ?? '').trim().toLowerCase()) ?? null;
    const taken = (row['DateTimeOriginal'] ?? '').trim();
    return [{ source, taken, verdict, fNumber, shutterS, iso, focalLengthMm, compensationEv }];
  });
  return { ok: true, lines, leftOut: data.length - lines.length };
}

const nameKey = (name: string): string => name.toLowerCase();
const nameOfFrame = (frame: LogFrame): string => nameKey(fileOfFrame(frame)?.name ?? frameName(frame));

/** Cameras begin to count again: of lines called alike a frame takes that of its own time, else the one that no other has taken. */
function lineFinder(log: Pick<WalkLog, 'cameras' | 'timeZone'>, frames: readonly LogFrame[], lines: readonly FrameLine[]) {
  const byName = new Map<string, FrameLine[]>();
  for (const line of lines) {
    const alike = byName.get(nameKey(line.source));
    if (alike === undefined) byName.set(nameKey(line.source), [line]);
    else alike.push(line);
  }
  const timedFor = (frame: LogFrame): FrameLine | undefined => {
    const atMs = frameMs(log, frame);
    const taken = atMs === null ? null : wallText(atMs, log.timeZone);
    return byName.get(nameOfFrame(frame))?.find((line) => line.taken === taken);
  };
  const timed = new Map(frames.map((frame) => [frame.id, timedFor(frame)]));
  const gone = new Set(timed.values());
  return (frame: LogFrame): FrameLine | null => {
    const own = timed.get(frame.id);
    if (own !== undefined) return own;
    const left = (byName.get(nameOfFrame(frame)) ?? []).filter((line) => !gone.has(line));
    return left.length === 1 ? (left[0] ?? null) : null;
  };
}

/** A film's settings stand in no file: what is said of them counts. */
function settingsBy(line: FrameLine, frame: LogFrame): Partial<LogFrame> {
  return {
    fNumber: line.fNumber ?? frame.fNumber,
    shutterS: line.shutterS ?? frame.shutterS,
    iso: line.iso ?? frame.iso,
    focalLengthMm: line.focalLengthMm ?? frame.focalLengthMm,
    compensationEv: line.compensationEv ?? frame.compensationEv,
  };
}

/**
 * Frames with what a table says of them: what was decided, and of film, which no file tells, what was set. A line belongs to the
 * frame of its name, of several to that of its time; empty fields change nothing. Only those that change come back.
 */
export function withLines(
  log: Pick<WalkLog, 'cameras' | 'timeZone'>,
  frames: readonly LogFrame[],
  lines: readonly FrameLine[],
): readonly LogFrame[] {
  const lineOf = lineFinder(log, frames, lines);
  return frames.flatMap((frame) => {
    const line = lineOf(frame);
    if (line === null) return [];
    const settings = frame.source.kind === 'roll' ? settingsBy(line, frame) : {};
    const changed: LogFrame = { ...frame, ...settings, verdict: line.verdict ?? frame.verdict };
    const isSame = (Object.keys(changed) as (keyof LogFrame)[]).every((key) => changed[key] === frame[key]);
    return isSame ? [] : [changed];
  });
}
