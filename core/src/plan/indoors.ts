import { isStrictlyInside, readPrism } from '../light/index.js';
import type { District, Point } from '../streets/index.js';

/** Whether a place lies inside a house of a map: not in its courtyard, nor under an arch of it. */
export function isIndoors({ buildings }: Pick<District, 'buildings'>, { eastM, northM }: Point): boolean {
  return buildings.some((building, k) => {
    if ((building.baseM ?? 0) > 0) return false;
    const prism = readPrism(building, `buildings[${k}]`);
    const isNear = Math.hypot(prism.midX - eastM, prism.midY - northM) <= prism.radiusM;
    return isNear && isStrictlyInside(prism, eastM, northM);
  });
}
