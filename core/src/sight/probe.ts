import { isStrictlyInside, type Prism } from '../light/index.js';
import { castColumn, type Column, newColumn } from './column.js';
import type { Edges } from './edges.js';

/** A part of a wall or of the ground that gives light back: 4 m of a wall, 3 m of ground. */
export interface Patches {
  count: number;
  readonly x: number[];
  readonly y: number[];
  /** Of walls where it begins and ends, of ground both the ground's. */
  readonly lowM: number[];
  readonly highM: number[];
  /** Outward normal of a wall; 0, 0 for ground. */
  readonly nx: number[];
  readonly ny: number[];
  readonly known: Map<number, number>;
}

export function newPatches(): Patches {
  return { count: 0, x: [], y: [], lowM: [], highM: [], nx: [], ny: [], known: new Map() };
}

/** What a point sees: its share of the sky, and each patch by the share of its light that arrives. */
export interface Seen {
  skyShare: number;
  readonly patch: number[];
  readonly weight: number[];
}

const WALL_PATCH_M = 4;
const GROUND_PATCH_M = 3;
const WALL_DIRECTIONS = 14;
const LEVEL_DIRECTIONS = 24;
const RINGS_M = [0, 1.5, 3.5, 7, 14, 30, 80, 400] as const;
/** A hair in front of a wall, so that it does not stand in its own light. */
export const BEFORE_WALL_M = 0.02;

/** Names of patches in one number: walls by edge, column and row; ground by its square. */
const wallKey = (edge: number, column: number, row: number): number => (edge * 256 + column) * 64 + row;
const groundKey = (column: number, row: number): number => -1 - ((column + 2 ** 20) * 2 ** 21 + row + 2 ** 20);

function wallPatch(
  edges: Edges,
  patches: Patches,
  edge: number,
  column: number,
  columns: number,
  row: number,
  rows: number,
): number {
  const key = wallKey(edge, column, row);
  const found = patches.known.get(key);
  if (found !== undefined) return found;
  const share = (column + 0.5) / columns;
  const [ax, ay] = [edges.ax[edge] as number, edges.ay[edge] as number];
  const [nx, ny] = [edges.nx[edge] as number, edges.ny[edge] as number];
  const topM = edges.topM[edge] as number;
  patches.x.push(ax + share * ((edges.bx[edge] as number) - ax) + BEFORE_WALL_M * nx);
  patches.y.push(ay + share * ((edges.by[edge] as number) - ay) + BEFORE_WALL_M * ny);
  patches.lowM.push((row / rows) * topM);
  patches.highM.push(((row + 1) / rows) * topM);
  patches.nx.push(nx);
  patches.ny.push(ny);
  patches.known.set(key, patches.count);
  return patches.count++;
}

function groundPatch(patches: Patches, x: number, y: number, groundM: number): number {
  const [column, row] = [Math.floor(x / GROUND_PATCH_M), Math.floor(y / GROUND_PATCH_M)];
  const key = groundKey(column, row);
  const found = patches.known.get(key);
  if (found !== undefined) return found;
  patches.x.push((column + 0.5) * GROUND_PATCH_M);
  patches.y.push((row + 0.5) * GROUND_PATCH_M);
  patches.lowM.push(groundM);
  patches.highM.push(groundM);
  patches.nx.push(0);
  patches.ny.push(0);
  patches.known.set(key, patches.count);
  return patches.count++;
}

/** The patch of a wall at a place on it. */
export function wallPatchAt(edges: Edges, patches: Patches, edge: number, x: number, y: number, atM: number): number {
  const [lengthM, topM] = [edges.lengthM[edge] as number, edges.topM[edge] as number];
  const columns = Math.min(255, Math.max(1, Math.round(lengthM / WALL_PATCH_M)));
  const rows = Math.min(63, Math.max(1, Math.round(topM / WALL_PATCH_M)));
  const along = Math.hypot(x - (edges.ax[edge] as number), y - (edges.ay[edge] as number)) / lengthM;
  const column = Math.min(columns - 1, Math.floor(along * columns));
  const row = Math.min(rows - 1, Math.max(0, Math.floor((atM / topM) * rows)));
  return wallPatch(edges, patches, edge, column, columns, row, rows);
}

/** Weight of all looks under a slope, for an upright plate (½(h + sin h·cos h)) and for a level one (sin² h, from 0 up). */
const uprightBelow = (slope: number): number =>
  slope === Infinity ? Math.PI / 4 : slope === -Infinity ? -Math.PI / 4 : (Math.atan(slope) + slope / (1 + slope * slope)) / 2;
const levelBelow = (slope: number): number => (slope <= 0 ? 0 : slope === Infinity ? 1 : (slope * slope) / (1 + slope * slope));

interface Direction {
  readonly dx: number;
  readonly dy: number;
  readonly weight: number;
}

/** Directions of a plate: before a wall at equal steps of the sine off its normal, on the level at equal bearings. */
function directionsOf(normal: readonly [nx: number, ny: number] | null, count?: number): Direction[] {
  if (normal === null) {
    const all = count ?? LEVEL_DIRECTIONS;
    return Array.from({ length: all }, (_, k) => {
      const turn = ((k + 0.5) / all) * 2 * Math.PI;
      return { dx: Math.sin(turn), dy: Math.cos(turn), weight: 1 / all };
    });
  }
  const all = count ?? WALL_DIRECTIONS;
  const [nx, ny] = normal;
  return Array.from({ length: all }, (_, k) => {
    const sin = ((k + 0.5) / all) * 2 - 1;
    const cos = Math.sqrt(1 - sin * sin);
    return { dx: nx * cos + ny * sin, dy: ny * cos - nx * sin, weight: 2 / all / Math.PI };
  });
}

/** What stands and hangs round a place. */
export interface Around {
  readonly edges: Edges;
  readonly hanging: readonly Prism[];
}

export interface ProbeAt {
  readonly x: number;
  readonly y: number;
  readonly atM: number;
  readonly groundM: number;
  /** Null for a level plate. */
  readonly normal: readonly [nx: number, ny: number] | null;
}

const column: Column = newColumn();

/** Slopes that what hangs over the ground covers in a direction, from its underside's far end to its top's near end. */
function coveredBy(
  hanging: readonly Prism[],
  { x, y, atM }: ProbeAt,
  dx: number,
  dy: number,
): (readonly [low: number, high: number])[] {
  const spans: [number, number][] = [];
  for (const prism of hanging) {
    const [mx, my] = [prism.midX - x, prism.midY - y];
    if (Math.abs(mx * dy - my * dx) > prism.radiusM || mx * dx + my * dy < -prism.radiusM || prism.heightM <= atM) continue;
    const [nearM, farM] = passageOf(prism, x, y, dx, dy);
    if (farM <= nearM) continue;
    const low = (prism.baseM - atM) / farM;
    spans.push([low, nearM <= 0 ? Infinity : (prism.heightM - atM) / nearM]);
  }
  return spans.sort((a, b) => a[0] - b[0]);
}

/** From where to where a level ray runs over a footprint, from its first edge to its last; 0 where it begins inside. */
function passageOf(prism: Prism, x: number, y: number, dx: number, dy: number): readonly [nearM: number, farM: number] {
  const [ring] = prism.rings;
  let [nearM, farM] = [Infinity, 0];
  for (let k = 0; ring !== undefined && k < ring.length; k += 2) {
    const next = (k + 2) % ring.length;
    const [ax, ay] = [(ring[k] as number) - x, (ring[k + 1] as number) - y];
    const [ex, ey] = [(ring[next] as number) - x - ax, (ring[next + 1] as number) - y - ay];
    const across = dx * ey - dy * ex;
    if (across === 0) continue;
    const share = (dy * ax - dx * ay) / across;
    const distanceM = (ax * ey - ay * ex) / across;
    if (share < 0 || share >= 1 || distanceM <= 0) continue;
    nearM = Math.min(nearM, distanceM);
    farM = Math.max(farM, distanceM);
  }
  return isStrictlyInside(prism, x, y) ? [0, farM] : [nearM, farM];
}

/** Weight of the looks over a slope that what hangs leaves free. */
function freeAbove(
  slope: number,
  below: (slope: number) => number,
  covered: readonly (readonly [low: number, high: number])[],
): number {
  let free = 0;
  let from = slope;
  for (const [low, high] of covered) {
    if (low > from) free += below(low) - below(from);
    from = Math.max(from, high);
  }
  return free + below(Infinity) - below(Math.max(slope, from));
}

/** The share of the sky that a plate sees, by so many directions. Source: docs/formulas.md#eye-level. */
export function skyShareAt({ edges, hanging }: Around, at: ProbeAt, count: number): number {
  const { x, y, atM, groundM, normal } = at;
  const below = normal === null ? levelBelow : uprightBelow;
  let share = 0;
  for (const { dx, dy, weight } of directionsOf(normal, count)) {
    castColumn(edges, { x, y, eyeM: atM, groundM }, dx, dy, column);
    const highest = column.count === 0 ? 0 : Math.max(0, column.high[column.count - 1] as number);
    share += weight * freeAbove(highest, below, coveredBy(hanging, at, dx, dy));
  }
  return share;
}

/** All that a plate sees: sky, and patches of walls and ground with their weights. */
export function probe({ edges, hanging }: Around, patches: Patches, at: ProbeAt): Seen {
  const { x, y, atM, groundM, normal } = at;
  const below = normal === null ? levelBelow : uprightBelow;
  const weights = new Map<number, number>();
  const add = (patch: number, weight: number): void => {
    if (weight > 0) weights.set(patch, (weights.get(patch) ?? 0) + weight);
  };
  let skyShare = 0;
  for (const { dx, dy, weight } of directionsOf(normal)) {
    castColumn(edges, { x, y, eyeM: atM, groundM }, dx, dy, column);
    let covered = -Infinity;
    for (let k = 0; k < column.count; k++) {
      const [low, high, edge, distanceM] = [column.low[k], column.high[k], column.edge[k], column.distanceM[k]] as [
        number,
        number,
        number,
        number,
      ];
      ground(covered, low);
      covered = high;
      if (edge < 0) continue;
      wall(edge, distanceM, low, high);
    }
    ground(covered, 0);
    skyShare += weight * freeAbove(Math.max(covered, 0), below, coveredBy(hanging, at, dx, dy));

    function wall(edge: number, distanceM: number, low: number, high: number): void {
      const [ax, ay] = [edges.ax[edge] as number, edges.ay[edge] as number];
      const [lengthM, topM] = [edges.lengthM[edge] as number, edges.topM[edge] as number];
      const columns = Math.min(255, Math.max(1, Math.round(lengthM / WALL_PATCH_M)));
      const rows = Math.min(63, Math.max(1, Math.round(topM / WALL_PATCH_M)));
      const along = Math.hypot(x + distanceM * dx - ax, y + distanceM * dy - ay) / lengthM;
      const place = Math.min(columns - 1, Math.floor(along * columns));
      for (let row = 0; row < rows; row++) {
        const from = Math.max(low, ((row / rows) * topM - atM) / distanceM);
        const to = Math.min(high, (((row + 1) / rows) * topM - atM) / distanceM);
        if (to > from) add(wallPatch(edges, patches, edge, place, columns, row, rows), weight * (below(to) - below(from)));
      }
    }

    /** Ground in the slopes from one to another, by rings; a level plate sees none. */
    function ground(fromSlope: number, toSlope: number): void {
      const upM = atM - groundM;
      if (normal === null || upM <= 0 || toSlope <= fromSlope) return;
      for (let k = 1; k < RINGS_M.length; k++) {
        const [nearM, farM] = [RINGS_M[k - 1] as number, RINGS_M[k] as number];
        const from = Math.max(fromSlope, nearM === 0 ? -Infinity : -upM / nearM);
        const to = Math.min(toSlope, -upM / farM);
        if (to <= from) continue;
        const distanceM = from === -Infinity ? farM / 2 : (-upM / from - upM / to) / 2;
        add(groundPatch(patches, x + distanceM * dx, y + distanceM * dy, groundM), weight * (below(to) - below(from)));
      }
    }
  }
  return { skyShare, patch: [...weights.keys()], weight: [...weights.values()] };
}
