import { type District, halfFieldDeg, type KitItem, kitInHand, metresFrom, type Walk } from '@roam-dial/core';
import { nameOf } from '../../wording/name';
import type { PlanStop } from './plan-parts';

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
