import type { MeterPattern } from '../../kit/index.js';
import type { LogFrame, FrameSettings } from './frame.js';

/** What a file says of a frame. */
export type FrameFacts = FrameSettings &
  Pick<LogFrame, 'wallMs' | 'offsetMin' | 'bodyName' | 'maker' | 'model' | 'lensName' | 'position' | 'bearingDeg'>;

/** Tags by their names in the EXIF standard, as numbers and text, untranslated. */
export type ExifTags = Readonly<Record<string, unknown>>;

/** Longer words than any maker's are cut. */
const LONGEST_WORDS = 80;
/** What a cut through a letter of two code units leaves of it. */
const HALF_A_LETTER = /[\uD800-\uDBFF]$/;
/** Metering modes of the standard that are patterns here; the others say nothing. Source: EXIF 2.32, tag 37383. */
const PATTERN_OF_MODE: Readonly<Record<number, MeterPattern>> = { 1: 'wholeFrame', 2: 'centreWeighted', 3: 'spot', 5: 'multiZone' };
const DATE = /^(\d{4})[:-](\d\d)[:-](\d\d)[ T](\d\d):(\d\d)(?::(\d\d)(?:\.\d+)?)?/;
const OFFSET = /^([+-])(\d\d):?(\d\d)$/;
const FURTHEST_OFFSET_MIN = 18 * 60;

/** The first number of a tag; −0, which no store keeps and no camera means, is 0. */
function numberOf(value: unknown): number | null {
  const first: unknown = Array.isArray(value) ? value[0] : value;
  return typeof first === 'number' && Number.isFinite(first) ? first + 0 : null;
}

/** A number within a range; null for every other. */
function within(value: unknown, least: number, most: number): number | null {
  const number = numberOf(value);
  return number !== null && number >= least && number <= most ? number : null;
}

/** Up to the first NUL: behind it lies what was written there before. Control characters and what pads a text are left out. */
function wordsOf(value: unknown): string {
  if (typeof value !== 'string') return '';
  return (value.split('\0')[0] ?? '')
    .replace(/\p{Cc}/gu, ' ')
    .replace(/\s+/g, ' ')
    .trim()
    .slice(0, LONGEST_WORDS)
    .replace(HALF_A_LETTER, '')
    .trim();
}

/** A maker's word in front of a model that does not begin with it. */
function nameOf(by: string, its: string): string {
  const [word = ''] = by.split(' ');
  const isSaid = word !== '' && its.toLowerCase().startsWith(word.toLowerCase());
  return its === '' || by === '' || isSaid ? its || by : `${by} ${its}`.slice(0, LONGEST_WORDS).trim();
}

function wallMsOf(value: unknown): number | null {
  const hit = typeof value === 'string' ? DATE.exec(value) : null;
  if (hit === null) return null;
  const [year, month, day, hour, minute, second] = hit.slice(1).map((part) => Number(part ?? 0)) as [
    number,
    number,
    number,
    number,
    number,
    number,
  ];
  const ms = Date.UTC(year, month - 1, day, hour, minute, second);
  const back = new Date(ms);
  // What rolls over (the 31st of February, 25 o'clock) was no date.
  const isDate = back.getUTCMonth() === month - 1 && back.getUTCDate() === day && hour < 24 && minute < 60 && second < 60;
  return isDate && year >= 1826 ? ms : null;
}

function offsetOf(value: unknown): number | null {
  const hit = typeof value === 'string' ? OFFSET.exec(value.trim()) : null;
  if (hit === null) return null;
  const minutes = Number(hit[2]) * 60 + Number(hit[3]);
  return minutes <= FURTHEST_OFFSET_MIN ? (hit[1] === '-' ? 0 - minutes : minutes) : null;
}

/** Degrees, minutes and seconds of a tag as one number, south and west negative. */
function degreesOf(value: unknown, ref: unknown): number | null {
  if (!Array.isArray(value)) return null;
  const [degrees, minutes = 0, seconds = 0] = value as readonly unknown[];
  if (typeof degrees !== 'number' || typeof minutes !== 'number' || typeof seconds !== 'number') return null;
  const angle = degrees + minutes / 60 + seconds / 3600;
  return wordsOf(ref) === 'S' || wordsOf(ref) === 'W' ? 0 - angle : angle;
}

function positionOf(tags: ExifTags): LogFrame['position'] {
  const north = within(tags['latitude'] ?? degreesOf(tags['GPSLatitude'], tags['GPSLatitudeRef']), -90, 90);
  const east = within(tags['longitude'] ?? degreesOf(tags['GPSLongitude'], tags['GPSLongitudeRef']), -180, 180);
  // Cameras without a fix write zeros.
  return north === null || east === null || (north === 0 && east === 0) ? null : { latitude: north, longitude: east };
}

/** What a field of two bytes holds at most: more than that stands in another tag. */
const ISO_ELSEWHERE = 65_535;

function isoOf(tags: ExifTags): number | null {
  const iso = within(tags['ISO'] ?? tags['ISOSpeedRatings'] ?? tags['PhotographicSensitivity'], 1, 1e7);
  if (iso !== null && iso < ISO_ELSEWHERE) return iso;
  const others = ['RecommendedExposureIndex', 'ISOSpeed', 'StandardOutputSensitivity'].map((tag) => within(tags[tag], 1, 1e7));
  return others.find((one) => one !== null) ?? null;
}

/** Zones lie at whole quarters of an hour. */
const QUARTER_MIN = 15;
const DAY = /^(\d{4}):(\d\d):(\d\d)/;

/** What the camera's clock was ahead of UTC by, by the time of its position, to a quarter of an hour; null without one. */
function offsetByPlace(tags: ExifTags, wallMs: number | null): number | null {
  const [day, time] = [DAY.exec(wordsOf(tags['GPSDateStamp'])), tags['GPSTimeStamp']];
  // Some readers give it as text.
  const parts: readonly unknown[] = Array.isArray(time) ? time : typeof time === 'string' ? time.split(':').map(Number) : [];
  const [hour, minute, second] = parts;
  if (wallMs === null || day === null || ![hour, minute, second].every((part) => typeof part === 'number' && Number.isFinite(part)))
    return null;
  const utcMs = Date.UTC(Number(day[1]), Number(day[2]) - 1, Number(day[3]), hour as number, minute as number, second as number);
  const offsetMin = Math.round((wallMs - utcMs) / 60_000 / QUARTER_MIN) * QUARTER_MIN;
  return Math.abs(offsetMin) <= FURTHEST_OFFSET_MIN ? offsetMin + 0 : null;
}

/** Where true north is not what a compass shows, its bearing is not kept: how far they are apart there is not known. */
const isTrue = (tags: ExifTags): boolean => wordsOf(tags['GPSImgDirectionRef']) !== 'M';

/**
 * What a file says of its frame: figures in the ranges that a camera can have, null for all else; it never throws.
 * Source: EXIF 2.32 (CIPA DC-008), tags by their names.
 */
export function frameFacts(tags: ExifTags): FrameFacts {
  const [maker, model] = [wordsOf(tags['Make']), wordsOf(tags['Model'])];
  const flash = numberOf(tags['Flash']);
  const bearing = isTrue(tags) ? within(tags['GPSImgDirection'], 0, 360) : null;
  const wallMs = wallMsOf(tags['DateTimeOriginal']) ?? wallMsOf(tags['CreateDate']);
  const focusM = within(tags['SubjectDistance'], 0.01, 100_000);
  return {
    fNumber: within(tags['FNumber'], 0.5, 128),
    shutterS: within(tags['ExposureTime'], 1e-6, 7200),
    iso: isoOf(tags),
    focalLengthMm: within(tags['FocalLength'], 1, 3000),
    compensationEv: within(tags['ExposureCompensation'] ?? tags['ExposureBiasValue'], -20, 20),
    pattern: PATTERN_OF_MODE[numberOf(tags['MeteringMode']) ?? 0] ?? null,
    // The lowest bit says that it fired.
    hasFlashed: flash === null ? null : flash % 2 === 1,
    focusM,
    wallMs,
    offsetMin: offsetOf(tags['OffsetTimeOriginal']) ?? offsetOf(tags['OffsetTime']) ?? offsetByPlace(tags, wallMs),
    bodyName: nameOf(maker, model),
    ...(maker === '' ? {} : { maker }),
    ...(model === '' ? {} : { model }),
    lensName: wordsOf(tags['LensModel']),
    position: positionOf(tags),
    bearingDeg: bearing === null ? null : bearing % 360,
  };
}
