import type { Return, ReturnCrowd, ReturnDays, SameLight } from '@roam-dial/core';
import type { Wording } from '../../wording/wording';

const MOST_SHOWN = 3;

export const CROWD_CHOICES: readonly { readonly value: ReturnCrowd; readonly label: string }[] = [
  { value: 'any', label: 'whoever is there' },
  { value: 'emptier', label: 'emptier than then' },
  { value: 'busier', label: 'busier than then' },
];

/** "Sat 13 March at 15:18, noted on the walk". */
export function notedSentence({ day, lightMin }: Return, wording: Wording): string {
  return `The light of ${wording.day(day)}, ${wording.clock(lightMin)}`;
}

function wallsWords({ isLit }: SameLight): string {
  return isLit === false ? ', but the walls keep it out' : '';
}

function runLine(run: SameLight, wording: Wording): string {
  const span = run.fromDay === run.toDay ? wording.day(run.day) : `${wording.day(run.fromDay)} to ${wording.day(run.toDay)}`;
  return `${span}, best ${wording.day(run.day)} at ${wording.clock(run.minuteOfDay)}${wallsWords(run)}`;
}

/** The next days with the same light, the first few. */
export function nextLines(days: ReturnDays | null | undefined, nextDark: number | null, wording: Wording): readonly string[] {
  if (days === undefined) return ['Looking through the year…'];
  if (days === null) return ['It could not be worked out.'];
  if (days.kind === 'anyDay') {
    return [nextDark === null ? 'Not while the nights are so bright' : `Any day; today at ${wording.clock(nextDark)}`];
  }
  if (days.runs.length === 0) return ['Not again within a year'];
  return days.runs.slice(0, MOST_SHOWN).map((run) => runLine(run, wording));
}
