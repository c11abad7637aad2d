import type { HandsTaken, Lesson, NoLesson } from '@roam-dial/core/log';
import { counted } from './counted';
import type { Wording } from './wording';

export interface LessonWords {
  /** What was found; empty where nothing was. */
  readonly figure: string;
  readonly band: string;
  readonly words: string;
}

const signed = (stops: number): string => (Math.abs(stops) < 0.05 ? '0' : `${stops < 0 ? '−' : '+'}${Math.abs(stops).toFixed(1)}`);

function notYetWords(
  why: NoLesson,
  frames: number,
  what: { readonly fine: string; readonly spoilt: string; readonly none: string },
): string {
  switch (why) {
    case 'none':
      return what.none;
    case 'few':
      return `Only ${counted(frames, 'frame says', 'frames say')} anything of it: eight at least are needed.`;
    case 'allFine':
      return `All ${frames} ${what.fine}: where that ends they do not say.`;
    case 'wide':
      return `${counted(frames, 'frame', 'frames')} put the limit anywhere within more than three stops: take some nearer to it.`;
    case 'noneFine':
      return `All ${frames} ${what.spoilt}: where that begins they do not say.`;
  }
}

/** Stops against the rule: `+0.8`, with its band and the frames behind it. */
export function handsWords(lesson: Lesson<HandsTaken>): LessonWords {
  if (lesson.kind === 'notYet') {
    const none = 'Say of some frames whether they shook, and which of your bodies took them.';
    const words = notYetWords(lesson.why, lesson.frames, { fine: 'were steady', spoilt: 'shook', none });
    return { figure: '', band: '', words: `${words} Today: ${signed(lesson.today)} stops.` };
  }
  const { found, low, high, today, frames, spoilt } = lesson;
  return {
    figure: `${signed(found)} stops`,
    band: `${signed(low)} to ${signed(high)}`,
    words: `Against your rule, four frames of five being steady: by ${frames} frames by hand, ${spoilt} of them shaken. Today: ${signed(today)} stops.`,
  };
}

/** The ISO that is still taken. */
export function isoWords(lesson: Lesson<number>, wording: Wording): LessonWords {
  const iso = (value: number): string => wording.iso(Number(value.toPrecision(2)), 'third');
  if (lesson.kind === 'notYet') {
    const none = 'Say of some of its frames whether noise spoilt them.';
    const words = notYetWords(lesson.why, lesson.frames, { fine: 'were without too much noise', spoilt: 'were too noisy', none });
    return { figure: '', band: '', words: `${words} Today: ISO ${iso(lesson.today)}.` };
  }
  const { found, low, high, today, frames, spoilt } = lesson;
  return {
    figure: `ISO ${iso(found)}`,
    band: `${iso(low)} to ${iso(high)}`,
    words: `Four frames of five are taken: by ${frames} frames, ${spoilt} of them too noisy. Today: ISO ${iso(today)}.`,
  };
}
