import type { FiledSetUp, FiledStop, FiledWalk } from '@roam-dial/core/formats/walkFiles';
import type { Place } from '@roam-dial/core/light';
import { siteOf } from '@roam-dial/core/plan';
import type { LightLadder } from '@roam-dial/core/setup';
import { INTENT_NAMES, type StopDay } from '@roam-dial/core/stop';
import { placeAt } from '@roam-dial/core/streets';
import { type Leg, stopsToday, type Walk } from '@roam-dial/core/walk';
import type { Workspace } from '../../storage/workspace';
import { type Card, cardFor } from '../../state/card/card.store';
import type { SightsOfWalk } from '../../state/sight/arrival-sights.store';
import type { SightDrawn } from '../../workers/sight/sight-jobs';
import { nameOf } from '../../words/name';
import type { Wording } from '../../words/wording';
import { type CardRow, cardRows } from '../card/card-rows';
import { inFocusWords } from '../card/sentences';
import { ladderLines } from '../card/ladder-lines';
import { stayOn } from '../../words/walk/times';

/** The card of each stop of the day at its arrival; null where there is none. */
export type CardsOfDay = ReadonlyMap<string, Card | null>;

export function cardsOfDay(
  workspace: Workspace,
  walk: Walk,
  days: ReadonlyMap<string, StopDay | null>,
  sights: SightsOfWalk = new Map(),
): CardsOfDay {
  return new Map(
    stopsToday(walk).map((stop) => {
      const hasWalls = siteOf(workspace, walk, stop).kind !== 'none';
      const focus = { walk, stop, stopIndex: walk.stops.indexOf(stop), minuteOfDay: stop.arriveMin };
      const seen = hasWalls ? (sights.get(stop.id) ?? null) : null;
      const card = cardFor(workspace, focus, days.get(stop.id) ?? null, seen);
      return [stop.id, card.kind === 'card' ? card : null] as const;
    }),
  );
}

function said(rows: readonly CardRow[], key: CardRow['key']): string {
  const row = rows.find((one) => one.key === key);
  return row === undefined ? '' : `${row.number} ${key === 'focus' ? '' : row.aside}`.trim();
}

function setUpOf(card: Card | null, wording: Wording): FiledSetUp | null {
  if (card === null) return null;
  const rows = cardRows(card, wording);
  return {
    aperture: said(rows, 'aperture'),
    focus: said(rows, 'focus'),
    inFocus: inFocusWords(card, wording),
    shutter: said(rows, 'shutter'),
    iso: said(rows, 'iso'),
    meter: said(rows, 'meter'),
  };
}

function courseOf(leg: Leg | undefined, from: Place | null, to: Place | null, origin: Place | null): readonly Place[] {
  if (leg === undefined || from === null || to === null) return [];
  const { course } = leg;
  if (course.kind !== 'streets' || origin === null) return [from, to];
  const between = course.way.points.slice(1, -1).map(([eastM, northM]) => placeAt(origin, { eastM, northM }));
  return [from, ...between, to];
}

/** A walk with all that has been worked out for it, as its files have it. */
export function fileWalk(
  walk: Walk,
  cards: CardsOfDay,
  days: ReadonlyMap<string, StopDay | null>,
  legs: readonly Leg[],
  origin: Place | null,
  wording: Wording,
): FiledWalk {
  const today = stopsToday(walk);
  const stops = today.map((stop, k): FiledStop => {
    const leg = legs[k - 1];
    return {
      stop: { ...stop, name: nameOf(stop) },
      intent: INTENT_NAMES[stop.intent.kind],
      setUp: setUpOf(cards.get(stop.id) ?? null, wording),
      windows: (days.get(stop.id)?.windows ?? []).map(({ fromMin, toMin }) => ({ fromMin, toMin })),
      course: courseOf(leg, today[k - 1]?.position ?? null, stop.position, origin),
      walkMin: leg?.walkMin ?? null,
      distanceM: leg?.distanceM ?? null,
    };
  });
  return { walk, stops };
}

/** A card as it is printed: what to set on the front, the ladder on the back. */
export interface FieldCard {
  readonly number: string;
  readonly name: string;
  readonly when: string;
  readonly light: string;
  readonly numbers: readonly { readonly label: string; readonly number: string; readonly aside: string }[];
  readonly ladder: readonly string[];
  readonly care: string;
  readonly notes: string;
  /** What the frame will see; null where it could not be drawn. */
  readonly seen: Pick<SightDrawn, 'width' | 'height' | 'pixels'> | null;
}

export function fieldCard(
  walk: Walk,
  { stop, intent, windows }: FiledStop,
  number: number,
  card: Card | null,
  ladder: LightLadder | null,
  wording: Wording,
  seen: FieldCard['seen'] = card?.seen ?? null,
): FieldCard {
  const rows = card === null ? [] : cardRows(card, wording);
  const steps = card === null ? [] : ladderLines(card, ladder, wording);
  return {
    number: String(number),
    name: stop.name,
    when: `${stayOn(walk, stop, wording)} · ${intent}`,
    light: windows.map(({ fromMin, toMin }) => `${wording.clock(fromMin)} to ${wording.clock(toMin)}`).join(', '),
    numbers: rows.map(({ key, label, number: value, aside }) => ({
      label,
      number: value,
      aside: key === 'focus' && card !== null ? `sharp ${inFocusWords(card, wording)}` : aside,
    })),
    ladder: steps.map(({ shows, ev, change, effect }) => {
      const at = shows === '' ? ev : `${shows} (${ev})`;
      return `${at}: ${change}${effect === '' ? '' : `; ${effect}`}`;
    }),
    care: stop.cautions.trim(),
    notes: stop.notes.trim(),
    seen,
  };
}
