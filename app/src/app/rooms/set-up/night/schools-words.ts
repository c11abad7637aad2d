import type { NightSchool, SchoolsOfNight } from '@roam-dial/core/plan';
import { capital } from '../../../words/capital';
import type { Wording } from '../../../words/wording';

/** Short enough to stand three in a line over a drawing on a phone. */
export const SCHOOL_NAMES: Readonly<Record<NightSchool, string>> = {
  highIso: 'high ISO',
  baseIsoHeld: 'base ISO held',
  tripod: 'tripod',
};

export const SCHOOL_WORDS: Readonly<Record<NightSchool, string>> = {
  highIso: 'high ISO, by hand',
  baseIsoHeld: 'base ISO, held long',
  tripod: 'on the tripod',
};

const inHundred = (chance: number): string => `${Math.round(100 * chance)} in 100`;

/** Who leads at a minute, and with how much. */
export function schoolsNow({ fromMin, schools }: SchoolsOfNight, minute: number): string {
  const at = schools
    .map(({ school, chances }) => ({ school, chance: chances[minute - fromMin] ?? 0 }))
    .sort((a, b) => b.chance - a.chance);
  return at.map(({ school, chance }) => `${SCHOOL_WORDS[school]} ${inHundred(chance)}`).join(', ');
}

/** "On the tripod is best from 21:10; high ISO, by hand from 00:30." */
export function overtakingSentence({ first, overtakings }: SchoolsOfNight, wording: Wording): string {
  if (first === null) return 'No way to photograph in the dark is at hand: there is no camera for this stop.';
  if (overtakings.length === 0) return `${capital(SCHOOL_WORDS[first])} is best all night.`;
  const [next, ...others] = overtakings.map(({ atMin, to }) => `${SCHOOL_WORDS[to]} from ${wording.clock(atMin)}`);
  return `${capital(SCHOOL_WORDS[first])} is best at sunset; ${[next, ...others].join(', then ')}.`;
}
