import type { Lesson, NoLesson } from '@roam-dial/core/log';
import { counted } from './counted';
import type { Wording } from './wording';

export interface LessonWords {
  /** What was found; empty where nothing was. */
  readonly figure: string;
  readonly band: string;
  readonly words: string;
}

/** How one speaks of a figure. */
interface Speech {
  readonly say: (value: number) => string;
  /** "Four frames of five are taken": what a found figure means. */
  readonly means: string;
  /** What is counted, and what became of the others. */
  readonly of: readonly [one: string, many: string];
  readonly spoilt: string;
  /** What to do where nothing says anything yet. */
  readonly none: string;
  readonly least: number;
  readonly allFine: string;
  readonly allSpoilt: string;
}

const signed = (stops: number): string => (Math.abs(stops) < 0.05 ? '0' : `${stops < 0 ? '−' : '+'}${Math.abs(stops).toFixed(1)}`);
const NUMBERS = ['no', 'one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight'];

function notYetWords(why: NoLesson, frames: number, { of, none, least, allFine, allSpoilt }: Speech): string {
  const count = counted(frames, ...of);
  switch (why) {
    case 'none':
      return none;
    case 'few':
      return `Only ${count} so far: ${NUMBERS[least] ?? least} at least are needed.`;
    case 'allFine':
      return `All ${frames} ${allFine}: where that ends they do not say.`;
    case 'noneFine':
      return `All ${frames} ${allSpoilt}: where that begins they do not say.`;
    case 'wide':
      return `${count} leave it open within too wide a band: take some nearer to the limit.`;
  }
}

function wordsOf(lesson: Lesson<unknown>, speech: Speech): LessonWords {
  const { say, means, of, spoilt } = speech;
  const today = `Today: ${say(lesson.today)}.`;
  if (lesson.kind === 'notYet') {
    return { figure: '', band: '', words: `${notYetWords(lesson.why, lesson.frames, speech)} ${today}` };
  }
  const { found, low, high, frames } = lesson;
  const lost = spoilt === '' ? '' : `, ${lesson.spoilt} of them ${spoilt}`;
  return {
    figure: say(found),
    band: `${say(low)} to ${say(high)}`,
    words: `${means}: by ${counted(frames, ...of)}${lost}. ${today}`,
  };
}

const FRAMES = ['frame', 'frames'] as const;
const LEAST = 8;
const SPEECH = { of: FRAMES, least: LEAST, allFine: 'were fine', allSpoilt: 'were not' } as const;

/** Stops against the rule: `+0.8`, with its band and the frames behind it. */
export function handsWords(lesson: Lesson<unknown>): LessonWords {
  return wordsOf(lesson, {
    ...SPEECH,
    of: ['frame by hand', 'frames by hand'],
    say: (stops) => `${signed(stops)} stops`,
    means: 'Against your rule, four frames of five being steady',
    spoilt: 'shaken',
    none: 'Say of some frames whether they shook, and which of your bodies took them.',
    allFine: 'were steady',
    allSpoilt: 'shook',
  });
}

/** The ISO that is still taken. */
export function isoWords(lesson: Lesson<unknown>, wording: Wording): LessonWords {
  return wordsOf(lesson, {
    ...SPEECH,
    say: (iso) => `ISO ${wording.iso(Number(iso.toPrecision(2)), 'third')}`,
    means: 'Four frames of five are taken',
    spoilt: 'too noisy',
    none: 'Say of some of its frames whether noise spoilt them.',
    allFine: 'were without too much noise',
    allSpoilt: 'were too noisy',
  });
}

const percent = (share: number): string =>
  `${share < -0.005 ? '−' : share > 0.005 ? '+' : ''}${Math.abs(Math.round(100 * share))} %`;

/** `+12 %`: guesses come out long. */
export function guessWords(lesson: Lesson<unknown>): LessonWords {
  const words = wordsOf(lesson, {
    ...SPEECH,
    say: percent,
    means: 'So much too far you guess distances',
    spoilt: 'sharp elsewhere',
    none: 'Frames of a lens with engraved distances say it, where they have a focus distance that is not the card’s; say which lens is which.',
  });
  if (lesson.kind === 'notYet' || lesson.spread === undefined) return words;
  const { found, low, high, today } = lesson.spread;
  const spread = (value: number): string => `${Math.round(100 * value)} %`;
  return {
    ...words,
    words: `${words.words} They lie within ${spread(found)} of it (${spread(low)} to ${spread(high)}; today ${spread(today)}).`,
  };
}

/** In circles of confusion. */
export function smearWords(lesson: Lesson<unknown>): LessonWords {
  return wordsOf(lesson, {
    ...SPEECH,
    say: (circles) => `${circles.toFixed(1)} circles`,
    means: 'People smeared so far you still take, four frames of five',
    spoilt: 'called moved',
    none: 'Say of some frames whether they are good or somebody moved, and which of your bodies took them.',
    allFine: 'were good',
    allSpoilt: 'had moved',
  });
}

export function paceWords(lesson: Lesson<unknown>): LessonWords {
  return wordsOf(lesson, {
    ...SPEECH,
    of: ['way', 'ways'],
    least: 3,
    say: (mps) => `${mps.toFixed(2)} m/s`,
    means: 'So fast you go from stop to stop',
    spoilt: '',
    none: 'Walks that were tapped through in the hand say it, and tracks.',
  });
}

/** Where people pass. */
export function stepsWords(lesson: Lesson<unknown>, wording: Wording): LessonWords {
  return wordsOf(lesson, {
    ...SPEECH,
    say: (metres) => wording.distance(Number(metres.toPrecision(2))),
    means: 'Half of the people step nearer, half farther',
    spoilt: 'sharp elsewhere',
    none: 'No frame says it.',
  });
}

export function speedWords(lesson: Lesson<unknown>): LessonWords {
  return wordsOf(lesson, {
    ...SPEECH,
    say: (mps) => `${mps.toFixed(1)} m/s`,
    means: 'So fast people walk, by their smears',
    spoilt: '',
    none: 'No frame says it.',
  });
}
