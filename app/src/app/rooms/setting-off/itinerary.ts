import type { KitItem } from '@roam-dial/core/kit';
import { MINUTES_PER_DAY, sunEvents, walkClock } from '@roam-dial/core/light';
import type { KitInHand } from '@roam-dial/core/plan';
import type { HomeState } from '@roam-dial/core/setup';
import { INTENT_NAMES, type Stop, type StopDay } from '@roam-dial/core/stop';
import { type Leg, type Pause, stopsToday, type Walk } from '@roam-dial/core/walk';
import { changeText } from '../../words/set-up/changes';
import { nameOf } from '../../words/name';
import { windowSpan } from '../../words/windows';
import type { Wording } from '../../words/wording';
import { timeOn } from '../../words/walk/times';

/** The one set-up to return to, and the kit that it is set on. */
interface HomeInHand {
  readonly home: HomeState;
  readonly kit: KitInHand;
}

/** A stop, or a pause, as it stands on the page to take along. */
export interface ItineraryLine {
  readonly id: string;
  readonly name: string;
  readonly what: string;
  readonly from: string;
  readonly to: string;
  /** The light windows that its stay meets. */
  readonly light: string;
  /** What the hand changes there against the home state; empty where that is not known. */
  readonly changes: string;
  readonly cautions: string;
  readonly thenMin: number | null;
}

/** Less than this many of a hundred frames is not worth a change (s). */
const WORTH_A_CHANGE = 0.03;

function changesAt(stopId: string, home: HomeInHand | null, wording: Wording): string {
  if (home === null) return '';
  if (home.home.leftOut.includes(stopId)) return 'its own, on its card';
  const its = home.home.stops.find(({ id }) => id === stopId);
  if (its === undefined) return '';
  if (its.loss < WORTH_A_CHANGE) return 'base set-up';
  return its.changes.map((change) => changeText(change, its.atHome.hand.fNumber, home.kit, wording)).join(', ');
}

/** The weekday past midnight, once. */
function endsOf(walk: Walk, fromMin: number, toMin: number, wording: Wording): { readonly from: string; readonly to: string } {
  const isNextDay = fromMin >= MINUTES_PER_DAY;
  return { from: timeOn(walk, fromMin, wording), to: isNextDay ? wording.clock(toMin) : timeOn(walk, toMin, wording) };
}

function stopLine(
  walk: Walk,
  stop: Stop,
  day: StopDay | null,
  leg: Leg | null,
  home: HomeInHand | null,
  wording: Wording,
): ItineraryLine {
  const met = (day?.windows ?? []).filter(({ fromMin, toMin }) => fromMin < stop.leaveMin && toMin >= stop.arriveMin);
  return {
    id: stop.id,
    name: nameOf(stop),
    what: INTENT_NAMES[stop.intent.kind],
    ...endsOf(walk, stop.arriveMin, stop.leaveMin, wording),
    light:
      day === null ? 'its light is not measured yet' : met.map((window) => windowSpan(window, wording)).join('; ') || 'no window',
    changes: changesAt(stop.id, home, wording),
    cautions: stop.cautions.trim(),
    thenMin: leg?.walkMin ?? null,
  };
}

function pauseLine(walk: Walk, { id, name, atMin, stayMin, fromMin, toMin }: Pause, wording: Wording): ItineraryLine {
  const [from, to] = atMin === null ? [fromMin, toMin] : [atMin, atMin + stayMin];
  const what = atMin === null ? `${wording.duration(stayMin)}, some time between` : wording.duration(stayMin);
  return {
    id,
    name,
    what,
    ...endsOf(walk, from, to, wording),
    light: '',
    changes: '',
    cautions: '',
    thenMin: null,
  };
}

/** The day line by line, pauses where their times are. */
export function itinerary(
  walk: Walk,
  days: ReadonlyMap<string, StopDay | null>,
  legs: readonly Leg[],
  home: HomeInHand | null,
  wording: Wording,
): readonly ItineraryLine[] {
  const stops = stopsToday(walk).map((stop, k) => ({
    atMin: stop.arriveMin,
    line: stopLine(walk, stop, days.get(stop.id) ?? null, legs[k] ?? null, home, wording),
  }));
  const pauses = (walk.pauses ?? []).map((pause) => ({
    atMin: pause.atMin ?? pause.fromMin,
    line: pauseLine(walk, pause, wording),
  }));
  const lines = [...stops];
  for (const pause of pauses) {
    const at = lines.findIndex(({ atMin }) => atMin > pause.atMin);
    lines.splice(at === -1 ? lines.length : at, 0, pause);
  }
  return lines.map(({ line }) => line);
}

/** "Sun up 06:42, down 18:36"; what of it does not happen is left away. */
export function sunSentence({ day, place }: Pick<Walk, 'day' | 'place'>, wording: Wording): string {
  const clock = walkClock(day, place.timeZone);
  if (clock === null) return '';
  const { sunrise, sunset } = sunEvents({ ...place, day });
  const at = (time: Date): string => wording.clock(Math.round(clock.minuteAt(time.getTime())));
  const said = [sunrise === null ? '' : `up ${at(sunrise)}`, sunset === null ? '' : `down ${at(sunset)}`].filter(
    (words) => words !== '',
  );
  return said.length === 0 ? 'The sun neither rises nor sets.' : `Sun ${said.join(', ')}.`;
}

const KINDS: Readonly<Record<KitItem['kind'], string>> = {
  body: 'Body',
  lens: 'Lens',
  film: 'Film',
  flash: 'Flash',
  filter: 'Filter',
  support: 'Support',
};

/** "Last tram Sun 00:56."; empty where none has to be caught. */
export function rideSentence(walk: Walk, wording: Wording): string {
  const { lastRide } = walk;
  return lastRide === undefined ? '' : `${lastRide.name || 'Last ride'} ${timeOn(walk, lastRide.atMin, wording)}.`;
}

/** What is in the bag, by kind. */
export function bagList(kit: readonly KitItem[]): readonly { readonly id: string; readonly words: string }[] {
  return kit.filter(({ inBag }) => inBag).map(({ id, kind, name }) => ({ id, words: `${KINDS[kind]}: ${name}` }));
}
