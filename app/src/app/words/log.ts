import type { Compared, Departure, LogFrame, PlacedBy, SoftnessVerdict, Verdict } from '@roam-dial/core/log';
import type { Moment } from '@roam-dial/core/outing';
import { counted } from './counted';
import type { Wording } from './wording';

/** As one says it of a frame. */
export const VERDICT_WORDS: Readonly<Record<Verdict, string>> = {
  shake: 'camera shake',
  moved: 'subject moved',
  focus: 'missed focus',
  depth: 'too little depth',
  veil: 'haze or dirt',
  noise: 'noise',
  good: 'good',
  no: 'rejected',
};

/** In the order of their keys: causes and good from 1 to 7, rejected for all else. */
export const VERDICT_KEYS: readonly (readonly [key: string, verdict: Verdict])[] = [
  ['1', 'shake'],
  ['2', 'moved'],
  ['3', 'focus'],
  ['4', 'depth'],
  ['5', 'veil'],
  ['6', 'noise'],
  ['7', 'good'],
  ['0', 'no'],
];

/** What a picture looks like, while nobody has decided: a question. */
export function looksWords(looksLike: SoftnessVerdict['looksLike']): string {
  return looksLike === 'cannotTell' ? 'cannot tell' : `${VERDICT_WORDS[looksLike]}?`;
}

export const PLACED_WORDS: Readonly<Record<PlacedBy, string>> = {
  position: 'matched by position',
  time: 'matched by time',
  hand: 'placed by you',
};

const COMPARED_WORDS: Readonly<Record<Compared, string>> = {
  shutter: 'shutter',
  aperture: 'aperture',
  iso: 'ISO',
  compensation: 'compensation',
  focus: 'focus',
};

/** `1⅔ slower`: of what was set, beside the card. */
export function departureWords({ what, stops }: Departure, wording: Wording): string {
  const size = wording.stops(Math.round(Math.abs(stops) * 3) / 3, 'third').replace(/^[+−-]/, '');
  const way: Readonly<Record<Compared, readonly [more: string, less: string]>> = {
    shutter: ['slower', 'faster'],
    aperture: ['wider', 'smaller'],
    iso: ['higher', 'lower'],
    compensation: ['brighter', 'darker'],
    focus: ['farther', 'nearer'],
  };
  const [more, less] = way[what];
  return `${COMPARED_WORDS[what]} ${size} ${stops > 0 ? more : less}`;
}

type Set = Pick<LogFrame, 'fNumber' | 'shutterS' | 'iso' | 'focalLengthMm'>;

/** `f/8 1/250 400`, as far as a frame says. */
export function settingsWords({ fNumber, shutterS, iso }: Set, wording: Wording): string {
  const parts = [
    fNumber === null ? '' : wording.aperture(fNumber, 'third'),
    shutterS === null ? '' : wording.shutter(shutterS, 'third'),
    iso === null ? '' : wording.iso(iso, 'third'),
  ].filter((part) => part !== '');
  return parts.length === 0 ? 'no settings' : parts.join(' ');
}

export function cardWords({ fNumber, shutterS, iso, focusM }: Moment, wording: Wording): string {
  return `${wording.aperture(fNumber, 'third')} ${wording.shutter(shutterS, 'third')} ISO ${wording.iso(iso, 'third')}, focus ${wording.distance(focusM)}`;
}

/** `+1:00:00`, of a camera's clock. */
export function shiftWords(shiftS: number): string {
  const whole = Math.abs(Math.round(shiftS));
  const pad = (n: number): string => String(n).padStart(2, '0');
  return `${shiftS < 0 ? '−' : '+'}${Math.floor(whole / 3600)}:${pad(Math.floor(whole / 60) % 60)}:${pad(whole % 60)}`;
}

/** Read, known already and refused, in a sentence. */
export function readWords({
  read,
  known,
  problems,
}: {
  readonly read: number;
  readonly known: number;
  readonly problems: readonly string[];
}): string {
  const parts = [
    `${counted(read, 'frame', 'frames')} read`,
    ...(known === 0 ? [] : [`${known} already there`]),
    ...(problems.length === 0 ? [] : [`${counted(problems.length, 'file', 'files')} with a problem`]),
  ];
  return `${parts.join(', ')}.`;
}
