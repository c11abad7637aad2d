import type { Return, ReturnCrowd, ReturnDays } from '@roam-dial/core/outing';
import type { IntentKind, SameLight } from '@roam-dial/core/stop';
import type { Wording } from '../wording';

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

/** Pictures for which the sun itself has to reach the spot. */
const IN_THE_SUN: ReadonlySet<IntentKind> = new Set(['lightPool', 'intoTheSun']);

/** A day with its year, where that is not the year of another day. */
function dayIn(day: string, asOf: string, wording: Wording): string {
  const [year, other] = [day.slice(0, 4), asOf.slice(0, 4)];
  return year === other ? wording.day(day) : `${wording.day(day)} ${year}`;
}

function runLine(run: SameLight, { stop, day }: Return, wording: Wording): string {
  const to = dayIn(run.toDay, day, wording);
  const span = run.fromDay === run.toDay ? to : `${wording.day(run.fromDay)} to ${to}`;
  const walls = run.isLit === false && IN_THE_SUN.has(stop.intent.kind) ? ', but the walls keep it out' : '';
  const best = run.fromDay === run.toDay ? '' : `, best ${wording.day(run.day)}`;
  return `${span}${best} at ${wording.clock(run.minuteOfDay)}${walls}`;
}

/** The next days with the same light, the first few. */
export function nextLines(
  one: Return,
  days: ReturnDays | null | undefined,
  nextDark: number | null,
  wording: Wording,
): readonly string[] {
  if (days === undefined) return ['Looking through the year…'];
  if (days === null) return ['It could not be calculated.'];
  if (days.kind === 'anyDay') {
    return [nextDark === null ? 'Not while the nights are so bright' : `Any day; today at ${wording.clock(nextDark)}`];
  }
  if (days.runs.length === 0) return ['Not again within a year'];
  return days.runs.slice(0, MOST_SHOWN).map((run) => runLine(run, one, wording));
}
