import type { KitItem } from '@roam-dial/core/kit';
import type { Place } from '@roam-dial/core/light';
import { halfFieldDeg, kitInHand } from '@roam-dial/core/plan';
import { type District, metresFrom } from '@roam-dial/core/streets';
import type { Leg, Walk } from '@roam-dial/core/walk';
import { nameOf } from '../../words/name';
import type { PlanLeg, PlanStop } from './plan-parts';

/** The stops of a walk that have a place, as a plan of the district shows them. */
export function planStops(
  walk: Walk,
  { origin }: Pick<District, 'origin'>,
  kit: readonly KitItem[],
  selectedId: string | null,
): readonly PlanStop[] {
  return walk.stops.flatMap((stop, k) => {
    if (stop.position === null) return [];
    const { id, shootingBearingDeg } = stop;
    return [
      {
        id,
        name: nameOf(stop),
        number: k + 1,
        isSelected: id === selectedId,
        shootingBearingDeg,
        halfFieldDeg: halfFieldDeg(kitInHand(kit, walk, stop), stop),
        ...metresFrom(origin, stop.position),
      },
    ];
  });
}

/** The legs between stops that both have a place: along the streets where a way was found, else from one to the other. */
export function planLegs(
  { stops, track = [] }: Walk,
  { origin }: Pick<District, 'origin'>,
  legs: readonly Leg[],
): readonly PlanLeg[] {
  const flat = (place: Place): readonly [number, number] => {
    const { eastM, northM } = metresFrom(origin, place);
    return [eastM, northM];
  };
  const walked: PlanLeg[] = track.length < 2 ? [] : [{ points: track.map(flat), kind: 'walked' }];
  const planned = legs.flatMap(({ course }, k): PlanLeg[] => {
    if (course.kind === 'streets') return [{ points: course.way.points, kind: 'streets' }];
    const ends = [stops[k], stops[k + 1]].flatMap((stop) => stop?.position ?? []).map(flat);
    if (ends.length < 2) return [];
    return [{ points: ends, kind: 'straight' }];
  });
  return [...planned, ...walked];
}
