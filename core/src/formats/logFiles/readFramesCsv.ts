import Papa from 'papaparse';
import { fileOfFrame, frameFacts, frameName, type LogFrame, VERDICTS, type Verdict } from '../../log/frames/index.js';

/** A line of a table of frames. */
export interface FrameLine {
  readonly source: string;
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
    return [{ source, verdict, fNumber, shutterS, iso, focalLengthMm, compensationEv }];
  });
  return { ok: true, lines, leftOut: data.length - lines.length };
}

/**
 * Frames with what a table says of them: what was decided, and of film, which no file tells, what was set. Empty fields change
 * nothing. Only those that change come back.
 */
export function withLines(frames: readonly LogFrame[], lines: readonly FrameLine[]): readonly LogFrame[] {
  const byName = new Map(lines.map((line) => [line.source.toLowerCase(), line]));
  return frames.flatMap((frame) => {
    const line = byName.get((fileOfFrame(frame)?.name ?? frameName(frame)).toLowerCase());
    if (line === undefined) return [];
    const isFilm = frame.source.kind === 'roll';
    const changed: LogFrame = {
      ...frame,
      verdict: line.verdict ?? frame.verdict,
      ...(isFilm
        ? {
            fNumber: line.fNumber ?? frame.fNumber,
            shutterS: line.shutterS ?? frame.shutterS,
            iso: line.iso ?? frame.iso,
            focalLengthMm: line.focalLengthMm ?? frame.focalLengthMm,
            compensationEv: line.compensationEv ?? frame.compensationEv,
          }
        : {}),
    };
    const isSame = (Object.keys(changed) as (keyof LogFrame)[]).every((key) => changed[key] === frame[key]);
    return isSame ? [] : [changed];
  });
}
