import { distanceBetweenM, type Walk } from '../walk/index.js';
import type { Place } from '../light/index.js';
import type { Stop } from '../stop/index.js';
import { type District, metresFrom, placeAt } from '../streets/index.js';
import type { PlanningData } from './holdings.js';

/** Farther than anybody goes on foot in a day, metres; what lies farther apart than that is of two walks (s). */
export const DAY_ON_FOOT_M = 40_000;

/** Where a stop has its sun: where it lies, or where the walk is as long as nobody has said. */
export function placeOf({ place }: Pick<Walk, 'place'>, { position }: Pick<Stop, 'position'>): Place {
  const { latitude, longitude } = position ?? place;
  return { latitude, longitude };
}

/** To a centimetre: finer than any map, and as short as it can be read. */
export function roundedPlace({ latitude, longitude }: Place): Place {
  const rounded = (degrees: number): number => Math.round(degrees * 1e7) / 1e7;
  return { latitude: rounded(latitude), longitude: rounded(longitude) };
}

interface Box {
  readonly westM: number;
  readonly eastM: number;
  readonly southM: number;
  readonly northM: number;
}

const boxes = new WeakMap<District['buildings'], Box>();

export function districtOf({ districts }: Pick<PlanningData, 'districts'>, walk: Pick<Walk, 'districtId'> | null): District | null {
  return districts.find(({ id }) => id === walk?.districtId) ?? null;
}

/** What a district's buildings lie within, metres from its origin. */
function boxOf({ buildings }: Pick<District, 'buildings'>): Box {
  const known = boxes.get(buildings);
  if (known !== undefined) return known;
  const box = { westM: Infinity, eastM: -Infinity, southM: Infinity, northM: -Infinity };
  for (const { footprint } of buildings) {
    for (const [eastM, northM] of footprint) {
      box.westM = Math.min(box.westM, eastM);
      box.eastM = Math.max(box.eastM, eastM);
      box.southM = Math.min(box.southM, northM);
      box.northM = Math.max(box.northM, northM);
    }
  }
  boxes.set(buildings, box);
  return box;
}

/** The middle of a district's buildings; its origin where there are none. */
export function middleOfDistrict(district: Pick<District, 'buildings' | 'origin'>): Place {
  const { westM, eastM, southM, northM } = boxOf(district);
  if (westM > eastM) return district.origin;
  return placeAt(district.origin, { eastM: (westM + eastM) / 2, northM: (southM + northM) / 2 });
}

/** How far a place lies outside a district's buildings, metres; 0 among them. */
export function metresOutside(district: Pick<District, 'buildings' | 'origin'>, place: Place): number {
  const { westM, eastM, southM, northM } = boxOf(district);
  if (westM > eastM) return distanceBetweenM(district.origin, place);
  const at = metresFrom(district.origin, place);
  const nearest = {
    eastM: Math.min(eastM, Math.max(westM, at.eastM)),
    northM: Math.min(northM, Math.max(southM, at.northM)),
  };
  if (nearest.eastM === at.eastM && nearest.northM === at.northM) return 0;
  return distanceBetweenM(placeAt(district.origin, nearest), place);
}

/** Two things of one walk that lie farther apart than a day on foot, and how far. */
export type Apart =
  | { readonly kind: 'walkFromMap'; readonly distanceM: number }
  | { readonly kind: 'stopFromMap' | 'stopFromWalk'; readonly stopId: string; readonly distanceM: number };

/** All that is too far apart in a walk, its map, and its stops that have a position. */
export function apartIn(holdings: Pick<PlanningData, 'districts'>, walk: Walk): readonly Apart[] {
  const district = districtOf(holdings, walk);
  const isApart = ({ distanceM }: Apart): boolean => distanceM > DAY_ON_FOOT_M;
  const stops = walk.stops.flatMap(({ id: stopId, position }): Apart[] => {
    if (position === null) return [];
    return district === null
      ? [{ kind: 'stopFromWalk', stopId, distanceM: distanceBetweenM(walk.place, position) }]
      : [{ kind: 'stopFromMap', stopId, distanceM: metresOutside(district, position) }];
  });
  const whole: readonly Apart[] =
    district === null ? [] : [{ kind: 'walkFromMap', distanceM: metresOutside(district, walk.place) }];
  return [...whole, ...stops].filter(isApart);
}
