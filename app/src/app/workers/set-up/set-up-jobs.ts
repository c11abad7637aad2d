import type { Lens } from '@roam-dial/core/kit';
import { type FilmAnswer, filmsFor, type FilmStop } from '@roam-dial/core/metering';
import { type FilmQuestion, filmStopsOf, nightSchools, type SchoolByLight } from '@roam-dial/core/plan';
import {
  type ApproachRow,
  compareApproaches,
  type FirstLimit,
  firstLimit,
  type HomeState,
  homeState,
  type HomeStop,
  type LightLadder,
  lightLadder,
  type SetUpInput,
  type WayOutResult,
  waysOut,
} from '@roam-dial/core/setup';
import type { ManualSettings } from '@roam-dial/core/stop';

/** What takes longer than a frame. */
export type SetUpQuestion =
  | { readonly kind: 'ladder'; readonly input: SetUpInput; readonly through: ManualSettings }
  | { readonly kind: 'waysOut'; readonly input: SetUpInput; readonly lenses: readonly Lens[] }
  | { readonly kind: 'approaches'; readonly input: SetUpInput }
  | { readonly kind: 'firstLimit'; readonly input: SetUpInput; readonly focus: number | null }
  | { readonly kind: 'home'; readonly stops: readonly HomeStop[] }
  | { readonly kind: 'film'; readonly of: FilmQuestion }
  /** What each way to photograph in the dark gives, from one light to another. */
  | { readonly kind: 'night'; readonly input: SetUpInput; readonly lowEv100: number; readonly highEv100: number };

/** The stops of a walk as film sees them, and the rolls at hand by what they do there, the best first. */
export interface FilmsFound {
  readonly stops: readonly FilmStop[];
  readonly ranked: readonly FilmAnswer[];
}

function filmsFound(question: FilmQuestion): FilmsFound {
  const stops = filmStopsOf(question);
  return { stops, ranked: filmsFor(stops, question.films) };
}

export interface SetUpAnswers {
  readonly ladder: LightLadder;
  readonly waysOut: readonly WayOutResult[];
  readonly approaches: readonly ApproachRow[];
  readonly firstLimit: FirstLimit | null;
  readonly home: HomeState | null;
  readonly film: FilmsFound;
  readonly night: readonly SchoolByLight[];
}

export type SetUpAnswer = SetUpAnswers[keyof SetUpAnswers];

/** Each is answered in one step: what takes longer than a frame, and less than anybody would wait for a share of it. */
export function* setUpSteps(question: SetUpQuestion): Generator<null, SetUpAnswer> {
  yield null;
  switch (question.kind) {
    case 'ladder':
      return lightLadder(question.input, { through: question.through });
    case 'waysOut':
      return waysOut(question.input, question.lenses);
    case 'approaches':
      return compareApproaches(question.input);
    case 'firstLimit':
      return firstLimit(question.input, question.focus);
    case 'home':
      return homeState(question.stops);
    case 'film':
      return filmsFound(question.of);
    case 'night':
      return nightSchools(question.input, question.lowEv100, question.highEv100);
  }
}
