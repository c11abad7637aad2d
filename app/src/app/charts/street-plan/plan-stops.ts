import { type District, halfFieldDeg, type KitItem, kitInHand, type Leg, metresFrom, type Walk } from '@roam-dial/core';
import { nameOf } from '../../wording/name';
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
export function planLegs({ stops }: Walk, { origin }: Pick<District, 'origin'>, legs: readonly Leg[]): readonly PlanLeg[] {
  return legs.flatMap(({ course }, k): PlanLeg[] => {
    if (course.kind === 'streets') return [{ points: course.way.points, isAlongStreets: true }];
    const ends = [stops[k], stops[k + 1]].flatMap((stop) => stop?.position ?? []).map((place) => metresFrom(origin, place));
    if (ends.length < 2) return [];
    return [{ points: ends.map(({ eastM, northM }) => [eastM, northM] as const), isAlongStreets: false }];
  });
}
