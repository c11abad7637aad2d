import type { Lesson, NoLesson } from '@roam-dial/core/log';
import { markedBetween, snapToMark } from '@roam-dial/core/units';
import { counted } from '../../../words/counted';
import type { Wording } from '../../../words/wording';

export interface LessonWords {
  /** What was found; empty where nothing was. */
  readonly figure: string;
  readonly band: string;
  readonly words: string;
}

/** How a figure is put in words. */
interface LessonPhrases {
  readonly say: (value: number) => string;
  /** What a found figure means. */
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

function notYetWords(why: NoLesson, frames: number, { of, none, least, allFine, allSpoilt }: LessonPhrases): string {
  const count = counted(frames, ...of);
  switch (why) {
    case 'none':
      return none;
    case 'few':
      return `Only ${count} so far; at least ${NUMBERS[least] ?? least} are needed.`;
    case 'allFine':
      return `All ${frames} ${allFine}, so they do not show your limit.`;
    case 'noneFine':
      return `All ${frames} ${allSpoilt}, so they do not show your limit.`;
    case 'wide':
      return `${count} are not enough to narrow it down: shoot some closer to the limit.`;
  }
}

function wordsOf(lesson: Lesson<unknown>, speech: LessonPhrases): LessonWords {
  const { say, means, of, spoilt } = speech;
  const today = `Current setting: ${say(lesson.today)}.`;
  if (lesson.kind === 'notYet') {
    return { figure: '', band: '', words: `${notYetWords(lesson.why, lesson.frames, speech)} ${today}` };
  }
  const { found, low, high, frames } = lesson;
  const lost = spoilt === '' ? '' : `, ${lesson.spoilt} of them ${spoilt}`;
  return {
    figure: say(found),
    band: `${say(low)} to ${say(high)}`,
    words: `${means}, from ${counted(frames, ...of)}${lost}. ${today}`,
  };
}

/** The marked ISO nearest to an estimate: a dial has no other. */
function nearestIso(iso: number): number {
  const marks = markedBetween('iso', 'third', iso / 1.3, iso * 1.3);
  return snapToMark({ value: iso, marks, direction: 'nearest' }) ?? iso;
}

const FRAMES = ['frame', 'frames'] as const;
const LEAST = 8;
const SPEECH = { of: FRAMES, least: LEAST, allFine: 'were fine', allSpoilt: 'were not' } as const;

/** Stops against the rule: `+0.8`, with its band and the frames behind it. */
export function handsWords(lesson: Lesson<unknown>): LessonWords {
  return wordsOf(lesson, {
    ...SPEECH,
    of: ['handheld frame', 'handheld frames'],
    say: (stops) => `${signed(stops)} stops`,
    means: 'Against your shutter rule, with four frames in five steady',
    spoilt: 'shaky',
    none: 'Mark some frames as shaky or good, and say which of your bodies took them.',
    allFine: 'were steady',
    allSpoilt: 'were shaky',
  });
}

/** The ISO that is still taken. */
export function isoWords(lesson: Lesson<unknown>, wording: Wording): LessonWords {
  return wordsOf(lesson, {
    ...SPEECH,
    say: (iso) => `ISO ${wording.iso(nearestIso(iso), 'third')}`,
    means: 'The highest ISO you accept in four frames out of five',
    spoilt: 'too noisy',
    none: 'Mark some of its frames as too noisy or good.',
    allFine: 'were clean enough',
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
    means: 'You overestimate distances by this much (− underestimate)',
    spoilt: 'out of focus',
    none: 'This needs frames from a lens with engraved distances, focused elsewhere than the card says; say which lens is which.',
  });
  if (lesson.kind === 'notYet' || lesson.spread === undefined) return words;
  const { found, low, high, today } = lesson.spread;
  const spread = (value: number): string => `${Math.round(100 * value)} %`;
  return {
    ...words,
    words: `${words.words} Your guesses scatter by ±${spread(found)} (${spread(low)} to ${spread(high)}; current setting ${spread(today)}).`,
  };
}

/** In circles of confusion. */
export function smearWords(lesson: Lesson<unknown>): LessonWords {
  return wordsOf(lesson, {
    ...SPEECH,
    say: (circles) => `${circles.toFixed(1)} circles`,
    means: 'The motion blur you accept in four frames out of five',
    spoilt: 'marked as moved',
    none: 'Mark some frames as good or “subject moved”, and say which of your bodies took them.',
    allFine: 'were good',
    allSpoilt: 'had moved',
  });
}

export function paceWords(lesson: Lesson<unknown>): LessonWords {
  return wordsOf(lesson, {
    ...SPEECH,
    of: ['leg', 'legs'],
    least: 3,
    say: (mps) => `${mps.toFixed(2)} m/s`,
    means: 'Your walking pace between stops',
    spoilt: '',
    none: 'Tap through a walk on the phone, or import a track.',
  });
}

/** Where people pass. */
export function stepsWords(lesson: Lesson<unknown>, wording: Wording): LessonWords {
  return wordsOf(lesson, {
    ...SPEECH,
    say: (metres) => wording.distance(Number(metres.toPrecision(2))),
    means: 'Half of the people pass nearer, half farther',
    spoilt: 'sharp elsewhere',
    none: 'No frame shows this yet.',
  });
}

export function speedWords(lesson: Lesson<unknown>): LessonWords {
  return wordsOf(lesson, {
    ...SPEECH,
    say: (mps) => `${mps.toFixed(1)} m/s`,
    means: 'Walking speed of passers-by, measured from motion blur',
    spoilt: '',
    none: 'No frame shows this yet.',
  });
}
