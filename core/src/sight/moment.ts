import { apparentSun, castsShadows, openSky, type SunPosition } from '../light/index.js';
import { crownPrism, TREE_LIGHT } from '../streets/index.js';
import type { LampLight } from './lamps.js';
import type { MeasuredLight } from './light.js';
import { castShadow, type Hanging, letThrough, litShare, type Shadow, type SunRay, sunRayOf } from './shade.js';
import { type SkyAt, skyTable } from './skyTable.js';
import type { MeasuredView } from './measured.js';

/** What the sky does at an instant, and which lamps burn. */
export interface SightInstant {
  /** Geometric. */
  readonly sun: SunPosition;
  readonly cloud: number;
  /** Null leaves the yearly term of the sun's distance out. */
  readonly dayOfYear: number | null;
  readonly areTreesInLeaf: boolean;
  /** The lamps that burn, and the share of their light that they have; null where none do. */
  readonly lamps: { readonly light: LampLight; readonly share: number } | null;
  /** What the screen reads while it shines, EV at ISO 100; null while it is dark. */
  readonly screenEv?: number | null;
  /** Stops that a reading on the spot puts onto everything; 0 by default. */
  readonly offsetEv?: number;
}

/** A view with what its light is at an instant: all that does not differ from cell to cell. */
export interface Moment {
  readonly view: MeasuredView;
  readonly light: MeasuredLight;
  readonly instant: SightInstant;
  /** Of a sun that throws shadows, on a plate square to it; 0 with none. */
  readonly directLux: number;
  readonly diffuseLux: number;
  readonly sun: SunRay;
  /** Unit vector to the sun: east, north, up. */
  readonly toSun: readonly [east: number, north: number, up: number];
  readonly hanging: readonly Hanging[];
  readonly sky: SkyAt;
  /** Lux of sky and surroundings at the points of the measured light. */
  readonly around: Float32Array;
  /** What each patch gives back, lux. */
  readonly patchLux: Float32Array;
  /** Of each piece of wall the height of the shadow on it and the edge that throws it; Infinity: turned away from the sun. */
  readonly shadowM: Float64Array;
  readonly shadowEdgeM: Float64Array;
}

/** Mean of façades, and of the ground where nothing more is known of it. */
const WALL_REFLECTANCE = 0.35;
const GROUND_REFLECTANCE = 0.22;

const shadow: Shadow = { heightM: 0, edgeM: 0 };

type Sunlit = Pick<Moment, 'view' | 'directLux' | 'sun' | 'hanging'>;

/** Share of the sun at a point: 0 in the shade. */
export function sunShareAt({ view, directLux, sun, hanging }: Sunlit, x: number, y: number, atM: number): number {
  if (directLux === 0) return 0;
  castShadow(view.edges, x, y, sun, atM + 1, shadow);
  const share = litShare(shadow, atM, sun);
  return share === 0 || hanging.length === 0 ? share : share * letThrough(hanging, x, y, atM, sun);
}

/** Share of a patch that the sun reaches: of a wall what lies over the shadow at its middle. */
function patchSun({ view, sun, hanging }: Sunlit, { patches }: MeasuredLight, k: number, isGround: boolean): number {
  const [x, y, lowM, highM] = [patches.x[k], patches.y[k], patches.lowM[k], patches.highM[k]] as [number, number, number, number];
  castShadow(view.edges, x, y, sun, highM + 1, shadow);
  const free = isGround
    ? litShare(shadow, lowM, sun)
    : Math.min(1, Math.max(0, (highM - Math.max(lowM, shadow.heightM)) / (highM - lowM)));
  return free === 0 || hanging.length === 0 ? free : free * letThrough(hanging, x, y, (lowM + highM) / 2, sun);
}

/** What the patches give back, lux: reflectance x (sun by its incidence + their share of the sky). */
function patchLuxOf(sunlit: Sunlit & Pick<Moment, 'diffuseLux' | 'toSun'>, light: MeasuredLight): Float32Array {
  const { directLux, diffuseLux, toSun } = sunlit;
  const { patches, patchSkyShare } = light;
  return Float32Array.from({ length: patches.count }, (_, k) => {
    const [nx, ny] = [patches.nx[k] as number, patches.ny[k] as number];
    const isGround = nx === 0 && ny === 0;
    const cosine = isGround ? toSun[2] : nx * toSun[0] + ny * toSun[1];
    const lit = directLux > 0 && cosine > 0 ? patchSun(sunlit, light, k, isGround) : 0;
    const lux = lit * directLux * Math.max(0, cosine) + (patchSkyShare[k] as number) * diffuseLux;
    return (isGround ? GROUND_REFLECTANCE : WALL_REFLECTANCE) * lux;
  });
}

function aroundOf({ points }: MeasuredLight, patchLux: Float32Array, diffuseLux: number): Float32Array {
  return Float32Array.from(points.skyShare, (share, k) => {
    let lux = share * diffuseLux;
    for (let n = points.starts[k] as number; n < (points.starts[k + 1] as number); n++) {
      lux += (patchLux[points.patch[n] as number] as number) * (points.weight[n] as number);
    }
    return lux;
  });
}

/** One shadow for each piece of wall that the sun can reach. */
function shadowsOnWalls({ view, directLux, sun }: Sunlit, toSun: Moment['toSun']): Pick<Moment, 'shadowM' | 'shadowEdgeM'> {
  const { edges, pieces } = view;
  const shadowM = new Float64Array(pieces.edge.length).fill(Infinity);
  const shadowEdgeM = new Float64Array(pieces.edge.length);
  if (directLux === 0) return { shadowM, shadowEdgeM };
  for (let k = 0; k < shadowM.length; k++) {
    const edge = pieces.edge[k] as number;
    if (edge < 0 || (edges.nx[edge] as number) * toSun[0] + (edges.ny[edge] as number) * toSun[1] <= 0) continue;
    castShadow(edges, pieces.x[k] as number, pieces.y[k] as number, sun, edges.topM[edge] as number, shadow);
    shadowM[k] = shadow.heightM;
    shadowEdgeM[k] = shadow.edgeM;
  }
  return { shadowM, shadowEdgeM };
}

/** The light of an instant, as far as it is the same for all cells. Source: docs/formulas.md#eye-level. */
export function momentOfView(view: MeasuredView, light: MeasuredLight, instant: SightInstant): Moment {
  const { sun: geometric, cloud, dayOfYear } = instant;
  const { directNormalLux, diffuseLux } = openSky({ altitudeDeg: geometric.altitudeDeg, cloud, dayOfYear });
  const apparent = apparentSun(geometric);
  const sun = sunRayOf(apparent);
  const { trees = [] } = view.question.site;
  const lets = instant.areTreesInLeaf ? TREE_LIGHT.inLeaf : TREE_LIGHT.bare;
  const sunlit = {
    view,
    directLux: castsShadows(cloud) && apparent.altitudeDeg > 0 ? directNormalLux : 0,
    diffuseLux,
    sun,
    toSun: [sun.cos * sun.dx, sun.cos * sun.dy, sun.cos * sun.slope] as const,
    hanging: [
      ...view.hanging.map((prism) => ({ prism, lets: 0 })),
      ...trees.map((tree, k) => ({ prism: crownPrism(tree, `site.trees[${k}]`), lets })),
    ],
  };
  const patchLux = patchLuxOf(sunlit, light);
  return {
    ...sunlit,
    ...{ light, instant, patchLux },
    sky: skyTable(geometric, cloud),
    around: aroundOf(light, patchLux, diffuseLux),
    ...shadowsOnWalls(sunlit, sunlit.toSun),
  };
}

/** A figure of the measured points, between the four round a cell. */
export function between(values: Float32Array, light: MeasuredLight, cell: number): number {
  const corner = light.corner[cell] as number;
  const stride = light.stride[cell] as number;
  const [u, v] = [light.across[cell] as number, light.up[cell] as number];
  const [a, b] = [values[corner] as number, values[corner + 1] as number];
  const [c, d] = [values[corner + stride] as number, values[corner + stride + 1] as number];
  return (1 - v) * (a + u * (b - a)) + v * (c + u * (d - c));
}

/** Lux of the lamps on what a cell shows. */
export function lampLuxAt({ instant: { lamps } }: Moment, cell: number): number {
  return lamps === null ? 0 : lamps.share * (lamps.light.lux[cell] as number);
}
