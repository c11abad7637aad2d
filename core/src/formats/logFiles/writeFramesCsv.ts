import { DateTime } from 'luxon';
import Papa from 'papaparse';
import { fileOfFrame, frameName, type PlacedFrame, type Verdict, type WalkLog } from '../../log/frames/index.js';
import { exposureTime } from './exposureTime.js';
import { wallText } from './wallText.js';

/** Columns by the names of EXIF and XMP tags, so that a reader of such tables writes them into scans. Source: EXIF 2.32, XMP. */
const HEADS = [
  'SourceFile',
  'DateTimeOriginal',
  'OffsetTimeOriginal',
  'FNumber',
  'ExposureTime',
  'ISO',
  'FocalLength',
  'ExposureCompensation',
  'Make',
  'Model',
  'LensModel',
  'GPSLatitude',
  'GPSLatitudeRef',
  'GPSLongitude',
  'GPSLongitudeRef',
  'GPSImgDirection',
  'Location',
  'Keywords',
] as const;

export interface FramesTable {
  readonly log: Pick<WalkLog, 'timeZone'>;
  readonly placed: readonly PlacedFrame[];
  /** Whether it says where frames were taken: their positions, the way they look, and the name of the stop. */
  readonly hasPlaces: boolean;
  /** What a verdict is called. */
  readonly words: Readonly<Record<Verdict, string>>;
}

/** A spreadsheet would take these for a formula. */
const FORMULA = /^\s*[=@]|^[\t\r\n]|^\s*[+-](?![\d.:]+$)/;
const timeText = (seconds: number): string => {
  const { over, under } = exposureTime(seconds);
  return over === 1 ? `1/${under}` : String(over / under);
};
const rounded = (value: number | null, decimals: number): string => (value === null ? '' : String(Number(value.toFixed(decimals))));

function row({ log, hasPlaces, words }: FramesTable, { frame, atMs, stay }: PlacedFrame): readonly string[] {
  const at = atMs === null ? null : DateTime.fromMillis(atMs, { zone: log.timeZone });
  const place = hasPlaces ? frame.position : null;
  return [
    fileOfFrame(frame)?.name ?? frameName(frame),
    atMs === null ? '' : wallText(atMs, log.timeZone),
    // Of a file that does not say its zone, none is made up.
    frame.offsetMin === null ? '' : (at?.toFormat('ZZ') ?? ''),
    rounded(frame.fNumber, 2),
    frame.shutterS === null ? '' : timeText(frame.shutterS),
    rounded(frame.iso, 0),
    rounded(frame.focalLengthMm, 3),
    rounded(frame.compensationEv, 2),
    frame.maker ?? '',
    frame.model ?? frame.bodyName,
    frame.lensName,
    rounded(place?.latitude ?? null, 7),
    place === null ? '' : place.latitude < 0 ? 'S' : 'N',
    rounded(place?.longitude ?? null, 7),
    place === null ? '' : place.longitude < 0 ? 'W' : 'E',
    hasPlaces ? rounded(frame.bearingDeg, 1) : '',
    hasPlaces ? (stay?.name ?? '') : '',
    frame.verdict === null ? '' : words[frame.verdict],
  ];
}

/**
 * Frames as CSV (RFC 4180), a line each, times as the wall of the walk's place showed them with the camera's clock put right.
 * Without a mark of byte order, which readers of tags take for part of the first name.
 */
export function writeFramesCsv(table: FramesTable): string {
  const data = table.placed.map((one) => [...row(table, one)]);
  return `${Papa.unparse({ fields: [...HEADS], data }, { newline: '\r\n', escapeFormulae: FORMULA })}\r\n`;
}
