import { DEFAULT_FIGURES, type Figures, type Standard } from '../kit/index.js';
import type { HomeStop, SetUpInput } from '../setup/index.js';
import { lightOfDay, type Stop, type StopDay, type StopLight, stopLightOn } from '../stop/index.js';
import { cloudOf, type Walk } from '../walk/index.js';
import { isWithinReach, type KitInHand, kitInHand, ofKind, supportsInBag } from './bag.js';
import type { PlanningData } from './holdings.js';
import { lightSiteOf } from './site.js';
import { placeOf } from './place.js';

/** The light at a stop from its measured day; without walls round it, or before they are measured so far, from the sky alone. */
export function lightFor(walk: Walk, stop: Stop, minuteOfDay: number, day: StopDay | null): StopLight | null {
  if (day?.hasWalls === true && minuteOfDay < day.keyEv100.length) return lightOfDay(day, minuteOfDay, stop.lightOffsetEv);
  return stopLightOn({
    ...placeOf(walk, stop),
    timeZone: walk.place.timeZone,
    site: lightSiteOf(walk, stop),
    day: walk.day,
    cloud: cloudOf(walk),
    minuteOfDay,
  });
}

/** The person's figures, with what the wall in the bag really gains. */
function standardWith({ kit, standard }: Pick<PlanningData, 'kit' | 'standard'>): Standard {
  const wall = ofKind(kit, 'support').find(({ supportKind, inBag }) => supportKind === 'wall' && inBag);
  const braceStops = standard.figures?.braceStops ?? wall?.gainStops ?? DEFAULT_FIGURES.braceStops;
  if (braceStops === DEFAULT_FIGURES.braceStops) return standard;
  const figures: Partial<Figures> = { ...standard.figures, braceStops };
  return { ...standard, figures };
}

type Owned = Pick<SetUpInput, 'standard' | 'supports'>;

const owned = new WeakMap<PlanningData['kit'], { readonly standard: Standard; readonly owned: Owned }>();

/** The same objects as long as nothing changed, because searches are kept by identity. */
function ownedBy({ kit, standard }: Pick<PlanningData, 'kit' | 'standard'>): Owned {
  const known = owned.get(kit);
  if (known?.standard === standard) return known.owned;
  const made: Owned = { standard: standardWith({ kit, standard }), supports: supportsInBag(kit) };
  owned.set(kit, { standard, owned: made });
  return made;
}

/** All that the set-up of a stop is worked out from. */
export function setUpInputFor(
  holdings: Pick<PlanningData, 'kit' | 'standard'>,
  walk: Pick<Walk, 'approach'>,
  stop: Stop,
  kit: KitInHand,
  light: StopLight,
): SetUpInput {
  const { intent, subject, movers, shooting, lightChanges, metering, streetWidthM, section } = stop;
  const approach = stop.approach ?? walk.approach;
  return {
    intent,
    subject,
    movers,
    light,
    ...kit,
    ...ownedBy(holdings),
    approach,
    ...(shooting === undefined ? {} : { shooting }),
    ...(lightChanges === undefined ? {} : { changes: lightChanges }),
    ...(metering === undefined ? {} : { placing: metering.school, meteredOn: metering.on }),
    streetWidthM,
    ...(section === undefined ? {} : { wallsM: Math.max(section.leftHeightM, section.rightHeightM) }),
  };
}

export interface HomeQuestion {
  readonly stops: readonly HomeStop[];
  /** What it is set on: the walk's body and the first lens of the bag. */
  readonly kit: KitInHand;
}

/** Every stop at its arrival (`lightAt` may keep what it has worked out), with the first lens of the bag and the walk's own approach: what a home state has to serve. */
export function homeQuestion(
  holdings: Pick<PlanningData, 'kit' | 'standard'>,
  walk: Walk,
  days: ReadonlyMap<string, StopDay | null>,
  lightAt: typeof lightFor = lightFor,
): HomeQuestion | null {
  const first = walk.stops[0];
  const kit = first === undefined ? null : kitInHand(holdings.kit, walk, { lensId: null, focalLengthMm: null });
  if (kit === null) return null;
  const stops = walk.stops.flatMap((stop) => {
    const light = lightAt(walk, stop, stop.arriveMin, days.get(stop.id) ?? null);
    if (light === null || !isWithinReach(kit, stop)) return [];
    const input: SetUpInput = { ...setUpInputFor(holdings, walk, stop, kit, light), approach: walk.approach };
    return [{ id: stop.id, input }];
  });
  return { stops, kit };
}
