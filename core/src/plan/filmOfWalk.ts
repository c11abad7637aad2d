import type { Film } from '../kit/index.js';
import type { FilmStop } from '../metering/index.js';
import { filmStopOf, type SetUpInput } from '../setup/index.js';
import type { Stop, StopDay } from '../stop/index.js';
import { stopsToday, type Walk } from '../walk/index.js';
import { isWithinReach, kitInHand, ofKind } from './bag.js';
import type { PlanningData } from './holdings.js';
import { lightFor, setUpInputFor } from './setUpQuestion.js';

/** A stop of the walk and its light while one stays, before anything is known of film. */
export interface StopForFilm {
  readonly id: string;
  readonly name: string;
  readonly input: SetUpInput;
  /** Of the metered surface, EV at ISO 100. */
  readonly lowEv: number;
  readonly highEv: number;
}

export interface FilmQuestion {
  readonly stops: readonly StopForFilm[];
  readonly films: readonly Film[];
}

/** Lowest and highest light of a stay; of both its ends alone where its day is not measured. */
function lightsOfStay(walk: Walk, stop: Stop, day: StopDay | null): readonly number[] {
  const { arriveMin, leaveMin } = stop;
  if (day?.hasWalls === true) {
    const added = stop.lightOffsetEv - day.readingOffsetEv;
    return Array.from(day.keyEv100.subarray(arriveMin, leaveMin + 1))
      .map((ev) => ev + added)
      .filter(Number.isFinite);
  }
  return [arriveMin, leaveMin].flatMap((minute) => lightFor(walk, stop, minute, day)?.keyEv100 ?? []);
}

/** The films of the bag; all of them where none is in it. */
function filmsAtHand(kit: PlanningData['kit']): readonly Film[] {
  const films = ofKind(kit, 'film');
  const packed = films.filter(({ inBag }) => inBag);
  return packed.length > 0 ? packed : films;
}

/** What has to be known to choose the film of a walk: today's stops by a film body where there is one, and the rolls at hand. */
export function filmQuestion(
  holdings: Pick<PlanningData, 'kit' | 'standard'>,
  walk: Walk,
  days: ReadonlyMap<string, StopDay | null>,
): FilmQuestion {
  const filmBody = ofKind(holdings.kit, 'body').find(({ medium }) => medium === 'film');
  const bodyId = filmBody?.id ?? walk.bodyId;
  const stops = stopsToday(walk).flatMap((stop) => {
    const kit = kitInHand(holdings.kit, { bodyId }, stop);
    const day = days.get(stop.id) ?? null;
    const light = lightFor(walk, stop, stop.arriveMin, day);
    const evs = lightsOfStay(walk, stop, day);
    if (kit === null || light === null || evs.length === 0 || !isWithinReach(kit, stop)) return [];
    const input = setUpInputFor(holdings, walk, stop, kit, light);
    return [{ id: stop.id, name: stop.name, input, lowEv: Math.min(...evs), highEv: Math.max(...evs) }];
  });
  return { stops, films: filmsAtHand(holdings.kit) };
}

/** The stops as a roll sees them: the heavy part, a search for each. @throws as `filmStopOf` */
export function filmStopsOf({ stops }: Pick<FilmQuestion, 'stops'>): readonly FilmStop[] {
  return stops.map(({ id, input, lowEv, highEv }) => filmStopOf(id, input, { lowEv, highEv }));
}
