import { type Prism, readPrism } from '../light/index.js';
import { checkFinite, checkOptions, checkPositive } from '../units/index.js';

/** A tree's crown: an upright disc of leaves or twigs. */
export interface Tree {
  readonly eastM: number;
  readonly northM: number;
  readonly radiusM: number;
  readonly heightM: number;
  /** Underside of the crown; a third of the height by default. */
  readonly baseM?: number;
}

/** Share of the sun that a crown lets through. */
export const TREE_LIGHT = { inLeaf: 0.15, bare: 0.6 } as const;

const CORNERS = 12;

/** A crown as a prism of twelve sides of the disc's own area. @throws TypeError, RangeError that name the tree. */
export function crownPrism(tree: Tree, name: string): Prism {
  checkOptions(name, tree);
  const { eastM, northM, radiusM, heightM, baseM = heightM / 3 } = tree;
  checkFinite(`${name}.eastM`, eastM);
  checkFinite(`${name}.northM`, northM);
  checkPositive(`${name}.radiusM`, radiusM);
  const turn = (2 * Math.PI) / CORNERS;
  const cornerM = radiusM * Math.sqrt(turn / Math.sin(turn));
  const footprint = Array.from(
    { length: CORNERS },
    (_, k) => [eastM + cornerM * Math.sin(k * turn), northM + cornerM * Math.cos(k * turn)] as const,
  );
  return readPrism({ footprint, heightM, baseM }, name);
}

/** Leaves are taken to be out from mid-April to the end of October, half a year later in the south. */
export function areTreesInLeaf(dayOfYear: number, latitude: number): boolean {
  const northern = latitude >= 0 ? dayOfYear : ((dayOfYear + 182) % 365) + 1;
  return northern >= 105 && northern <= 304;
}
