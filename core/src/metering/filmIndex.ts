import { exposureWorth } from '../exposure/index.js';
import type { Film, FilmKind } from '../kit/index.js';

/** A stop as a roll of film sees it: the light that it has, and what may be set there. */
export interface FilmStop {
  readonly id: string;
  /** How much it counts; 1 where it is left out. */
  readonly weight?: number;
  /** Light on what it is about, less its tone: EV at ISO 100. */
  readonly lowEv: number;
  readonly highEv: number;
  /** Apertures that its depth and its lens allow, and times that its hands and its walkers do; marked values. */
  readonly fNumbers: readonly number[];
  readonly shuttersS: readonly number[];
}

export interface FilmStopAnswer {
  readonly id: string;
  /** Mean over its lights of what the best pair is worth, 0 to 1. */
  readonly worth: number;
  readonly isOutside: boolean;
  /** Pairs of aperture and time within the film's latitude at the mean light. */
  readonly pairsAtMean: number;
  /** The best pair's worst error over its lights, stops, + too bright. */
  readonly worstErrorEv: number;
}

export interface FilmAnswer {
  readonly filmId: string;
  readonly index: number;
  readonly pushStops: number;
  /** Weight of the stops that fall outside. */
  readonly outside: number;
  /** Mean worth by weight. */
  readonly worth: number;
  readonly stops: readonly FilmStopAnswer[];
}

/** Worth under which a stop falls outside. */
const OUTSIDE_UNDER = 0.8;
const FADE_EV = 1;
const EXACT = 1e-9;

/** How far a roll may be pushed, or pulled, by kind, in whole stops (s). */
export const PUSHES: Readonly<Record<FilmKind, readonly number[]>> = {
  blackAndWhiteNegative: [-1, 0, 1, 2],
  colourNegative: [0, 1],
  slide: [0, 1],
};

type RatedFilm = Pick<Film, 'id' | 'boxIso' | 'filmKind' | 'latitudeOverEv' | 'latitudeUnderEv'>;

/** Every third of a stop from one EV to another, both ends among them. */
function evsOf({ lowEv, highEv }: FilmStop): readonly number[] {
  const steps = Math.max(0, Math.ceil((highEv - lowEv) * 3 - EXACT));
  return Array.from({ length: steps + 1 }, (_, k) => Math.min(highEv, lowEv + k / 3));
}

/** What a stop comes to on a film at an index: the best marked pair at each of its lights. */
export function filmStopAt(stop: FilmStop, film: RatedFilm, index: number): FilmStopAnswer {
  const tolerance = { overEv: film.latitudeOverEv, underEv: film.latitudeUnderEv, fadeEv: FADE_EV };
  const speed = Math.log2(index / 100);
  const pairs = stop.fNumbers.flatMap((n) => stop.shuttersS.map((t) => Math.log2((n * n) / t) - speed));
  const evs = evsOf(stop);
  let [sum, worstErrorEv] = [0, 0];
  for (const ev of evs) {
    let [best, error] = [-1, Infinity];
    for (const pair of pairs) {
      const its = ev - pair;
      const worth = exposureWorth(its, tolerance);
      if (worth > best + EXACT || (worth > best - EXACT && Math.abs(its) < Math.abs(error))) [best, error] = [worth, its];
    }
    sum += Math.max(0, best);
    if (Math.abs(error) > Math.abs(worstErrorEv)) worstErrorEv = error;
  }
  const worth = sum / evs.length;
  const meanEv = (stop.lowEv + stop.highEv) / 2;
  return {
    id: stop.id,
    worth,
    isOutside: worth < OUTSIDE_UNDER - EXACT,
    pairsAtMean: pairs.filter((pair) => exposureWorth(meanEv - pair, tolerance) > 1 - EXACT).length,
    worstErrorEv,
  };
}

const SLIDE_THIRDS = 1;
const NEGATIVE_THIRDS = 3;

/** Indices that a film may be exposed at: a stop round its box speed in thirds (a third on slides), and box·2^push. */
export function indicesOf(
  film: RatedFilm,
  pushes: readonly number[] = PUSHES[film.filmKind],
): readonly { index: number; pushStops: number }[] {
  const thirds = film.filmKind === 'slide' ? SLIDE_THIRDS : NEGATIVE_THIRDS;
  const near = Array.from({ length: 2 * thirds + 1 }, (_, k) => ({ index: film.boxIso * 2 ** ((k - thirds) / 3), pushStops: 0 }));
  return [...near, ...pushes.filter((push) => push !== 0).map((pushStops) => ({ index: film.boxIso * 2 ** pushStops, pushStops }))];
}

/** The lights that a stop's pairs expose on a film at an index without falling outside its latitude, EV. */
export function exposedBy(
  { fNumbers, shuttersS }: FilmStop,
  film: RatedFilm,
  index: number,
): readonly [fromEv: number, toEv: number] {
  const speed = Math.log2(index / 100);
  const darkest = Math.log2(Math.min(...fNumbers) ** 2 / Math.max(...shuttersS)) - speed;
  const brightest = Math.log2(Math.max(...fNumbers) ** 2 / Math.min(...shuttersS)) - speed;
  return [darkest - film.latitudeUnderEv, brightest + film.latitudeOverEv];
}

export function filmAt(stops: readonly FilmStop[], film: RatedFilm, index: number, pushStops: number): FilmAnswer {
  const answers = stops.map((stop) => filmStopAt(stop, film, index));
  const weightOf = (k: number): number => stops[k]?.weight ?? 1;
  const all = stops.reduce((sum, _, k) => sum + weightOf(k), 0);
  const sumOf = (value: (answer: FilmStopAnswer) => number): number =>
    answers.reduce((sum, one, k) => sum + weightOf(k) * value(one), 0);
  return {
    filmId: film.id,
    index,
    pushStops,
    outside: sumOf(({ isOutside }) => (isOutside ? 1 : 0)),
    worth: all === 0 ? 0 : sumOf(({ worth }) => worth) / all,
    stops: answers,
  };
}

const WORTH_STEP = 0.02;

/**
 * Films and indices for a walk, the best first: the fewest stops outside, the most worth in steps of 0.02, the least push, the
 * nearest to the box, the slower, the order of the bag. Source: docs/metering.md#film.
 */
export function filmsFor(stops: readonly FilmStop[], films: readonly RatedFilm[]): readonly FilmAnswer[] {
  const all = films.flatMap((film, bag) =>
    indicesOf(film).map(({ index, pushStops }) => ({ bag, film, answer: filmAt(stops, film, index, pushStops) })),
  );
  const stepOf = (worth: number): number => Math.round(worth / WORTH_STEP);
  const fromBox = (film: RatedFilm, index: number): number => Math.abs(Math.log2(index / film.boxIso));
  return all
    .sort(
      (a, b) =>
        a.answer.outside - b.answer.outside ||
        stepOf(b.answer.worth) - stepOf(a.answer.worth) ||
        Math.abs(a.answer.pushStops) - Math.abs(b.answer.pushStops) ||
        fromBox(a.film, a.answer.index) - fromBox(b.film, b.answer.index) ||
        a.answer.index - b.answer.index ||
        a.bag - b.bag,
    )
    .map(({ answer }) => answer);
}
