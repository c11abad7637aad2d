import type { Place } from '../light/index.js';

export type ReadPlace = { readonly ok: true; readonly place: Place } | { readonly ok: false; readonly message: string };

const HOW = 'Write a place as 46.45521, 11.25709, or in degrees, minutes and seconds, or paste a geo: link.';

interface Angle {
  readonly degrees: number;
  /** Which of the two it says that it is. */
  readonly axis: 'latitude' | 'longitude' | null;
}

/** Signs of many keyboards and pages as one of each. */
function plain(text: string): string {
  return text
    .trim()
    .toUpperCase()
    .replace(/[′’‘´`]/g, "'")
    .replace(/[″”“]|''/g, '"')
    .replace(/[º˚]/g, '°')
    .replace(/[−–]/g, '-')
    .replace(/\s+/g, ' ');
}

/** One angle of one to three numbers: degrees, minutes below 60, seconds below 60; only the last with decimals. */
function angleOf(text: string): Angle | null {
  const hit = /^([NSEW])? ?([+-])? ?([\d.°'" ]+?) ?([NSEW])?$/.exec(text.trim());
  if (hit === null) return null;
  const [, before, sign, body = '', after] = hit;
  if (before !== undefined && after !== undefined) return null;
  const letter = before ?? after;
  const numbers = body.match(/\d+(?:\.\d+)?/g) ?? [];
  const marks = body.replace(/\d+(?:\.\d+)?/g, '').replace(/ /g, '');
  const isWhole = numbers.slice(0, -1).every((one) => !one.includes('.'));
  const areMarksInOrder = /^°?'?"?$/.test(marks);
  if (numbers.length < 1 || numbers.length > 3 || !isWhole || !areMarksInOrder) return null;
  const [degrees = 0, minutes = 0, seconds = 0] = numbers.map(Number);
  if (minutes >= 60 || seconds >= 60 || (sign !== undefined && letter !== undefined && sign === '-')) return null;
  const isNegative = sign === '-' || letter === 'S' || letter === 'W';
  const axis = letter === undefined ? null : letter === 'N' || letter === 'S' ? 'latitude' : 'longitude';
  return { degrees: (isNegative ? -1 : 1) * (degrees + minutes / 60 + seconds / 3600), axis };
}

/** The two angles of a text, as texts; null where there are not two. */
function halves(text: string): readonly [string, string] | null {
  const letters = [...text.matchAll(/[NSEW]/g)].map(({ index }) => index);
  const [first, second] = letters;
  if (letters.length > 2) return null;
  if (first !== undefined && second !== undefined) {
    const at = first === 0 ? second : first + 1;
    return [text.slice(0, at), text.slice(at)].map((half) => half.replace(/^[ ,;]+|[ ,;]+$/g, '')) as [string, string];
  }
  // A decimal comma: each number has one, and something else stands between the two.
  const commas = /^([+-]?\d+),(\d+) ?[; ] ?([+-]?\d+),(\d+)$/.exec(text) ?? /^([+-]?\d+),(\d+), ([+-]?\d+),(\d+)$/.exec(text);
  if (commas !== null) return [`${commas[1]}.${commas[2]}`, `${commas[3]}.${commas[4]}`];
  const parts = text.split(/ ?[,;] ?/);
  if (parts.length === 2) return parts as [string, string];
  const words = text.split(' ');
  if (parts.length !== 1 || words.length % 2 === 1 || words.length > 6) return null;
  return [words.slice(0, words.length / 2).join(' '), words.slice(words.length / 2).join(' ')];
}

/**
 * A place as people paste it: decimal degrees (`46.45521, 11.25709`; with a decimal comma `46,45521; 11,25709`), degrees and
 * minutes or degrees, minutes and seconds with their letters before or behind (`46°27'18.8"N 11°15'25.5"E`), or a `geo:` link
 * (RFC 5870). Latitude first, unless letters say otherwise. Degrees in the result: latitude -90 to 90, longitude -180 to 180.
 */
export function readPlace(text: string): ReadPlace {
  // Of a link the height and what follows it are left aside.
  const link = /^GEO:([^;?,]+,[^;?,]+)/.exec(plain(text));
  const pair = halves(link?.[1] ?? plain(text));
  const angles = pair?.map(angleOf) ?? [];
  const [a, b] = angles;
  if (a == null || b == null) return { ok: false, message: HOW };
  if ((a.axis === null) !== (b.axis === null) || (a.axis !== null && a.axis === b.axis)) {
    return { ok: false, message: 'One of the two has to be north or south, the other east or west.' };
  }
  const [latitude, longitude] = a.axis === 'longitude' ? [b.degrees, a.degrees] : [a.degrees, b.degrees];
  if (Math.abs(latitude) > 90) return { ok: false, message: `Latitude ${latitude} lies beyond the pole: −90 to 90.` };
  if (Math.abs(longitude) > 180) return { ok: false, message: `Longitude ${longitude} goes more than half round: −180 to 180.` };
  return { ok: true, place: { latitude, longitude } };
}
