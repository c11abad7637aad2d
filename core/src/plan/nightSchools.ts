import type { SetUpInput } from '../setup/index.js';
import type { Approach } from '../stop/index.js';
import { chanceAt, type ChancesByLight, chancesByLight } from './chances.js';

/** The three ways to photograph in the dark on which practitioners disagree. */
export const NIGHT_SCHOOLS = ['highIso', 'baseIsoHeld', 'tripod'] as const;
export type NightSchool = (typeof NIGHT_SCHOOLS)[number];

const APPROACH_OF: Readonly<Record<NightSchool, Pick<Approach, 'exposure' | 'support'>>> = {
  highIso: { exposure: 'fixedIso', support: 'handheld' },
  baseIsoHeld: { exposure: 'baseIsoLong', support: 'handheld' },
  tripod: { exposure: 'baseIsoLong', support: 'tripod' },
};

/** What a school gives, by the light. */
export interface SchoolByLight {
  readonly school: NightSchool;
  readonly chances: ChancesByLight;
}

/**
 * The chance of a good frame of each school from one light to another, with the focus and depth of the stop's own approach. Film has
 * one ISO: high ISO and base ISO held are then one, and the tripod the other. Without a tripod in the bag there is no third. Throws as
 * `searchSetUp`.
 */
export function nightSchools(input: SetUpInput, lowEv100: number, highEv100: number): readonly SchoolByLight[] {
  const isFilm = input.body.medium === 'film';
  const possible = NIGHT_SCHOOLS.filter(
    (school) => (school !== 'tripod' || (input.supports?.includes('tripod') ?? true)) && !(isFilm && school === 'highIso'),
  );
  return possible.map((school) => {
    const { exposure, support } = APPROACH_OF[school];
    const approach: Approach = { ...input.approach, support, exposure: isFilm ? 'film' : exposure };
    return { school, chances: chancesByLight({ ...input, approach }, lowEv100, highEv100) };
  });
}

/** From a minute on another school is the better one. */
export interface Overtaking {
  readonly atMin: number;
  readonly from: NightSchool;
  readonly to: NightSchool;
}

/** Schools through a night: by minute from the first on. */
export interface SchoolsOfNight {
  readonly fromMin: number;
  readonly schools: readonly { readonly school: NightSchool; readonly chances: readonly number[] }[];
  /** The best at the beginning; null where there is none. */
  readonly first: NightSchool | null;
  readonly overtakings: readonly Overtaking[];
}

/** As much better counts as better: a frame in a hundred (s). */
const BETTER = 0.01;

/** What each school gives at every minute from one to another (both included), and when one overtakes the others. */
export function schoolsOfNight(
  all: readonly SchoolByLight[],
  evAt: (minute: number) => number,
  fromMin: number,
  toMin: number,
): SchoolsOfNight {
  const minutes = Array.from({ length: Math.max(0, toMin - fromMin + 1) }, (_, k) => fromMin + k);
  const schools = all.map(({ school, chances }) => ({ school, chances: minutes.map((minute) => chanceAt(chances, evAt(minute))) }));
  const chanceOf = (school: NightSchool, k: number): number => schools.find((one) => one.school === school)?.chances[k] ?? 0;
  const bestAt = (k: number): NightSchool | null =>
    schools.reduce<NightSchool | null>(
      (best, { school }) => (best === null || chanceOf(school, k) > chanceOf(best, k) ? school : best),
      null,
    );
  const overtakings: Overtaking[] = [];
  const first = bestAt(0);
  let leader = first;
  minutes.forEach((atMin, k) => {
    const best = bestAt(k);
    if (leader === null || best === null || best === leader || chanceOf(best, k) < chanceOf(leader, k) + BETTER) return;
    overtakings.push({ atMin, from: leader, to: best });
    leader = best;
  });
  return { fromMin, schools, first, overtakings };
}
