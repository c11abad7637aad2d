import { castColumn, newColumn } from './column.js';
import { personCells, type PersonCells } from './person.js';
import { BEFORE_WALL_M, newPatches, type Patches, probe, type ProbeAt, skyShareAt, wallPatchAt } from './probe.js';
import { SEEN } from './seen.js';
import { bearingOf, type MeasuredView } from './measured.js';

/** Points at which the light of sky and surroundings is known: their share of the sky, and what patches give to each. */
export interface LightPoints {
  readonly skyShare: Float32Array;
  /** Where the patches of point k begin in `patch` and `weight`; one more than there are points. */
  readonly starts: Uint32Array;
  readonly patch: Uint32Array;
  readonly weight: Float32Array;
}

/** How light reaches what is seen, once for a place, a camera and a size. */
export interface MeasuredLight {
  readonly points: LightPoints;
  readonly patches: Patches;
  readonly patchSkyShare: Float32Array;
  /** By cell of wall and ground: its lower left point, points to the next row, and where between them; −1 for the rest. */
  readonly corner: Int32Array;
  readonly stride: Uint8Array;
  readonly across: Float32Array;
  readonly up: Float32Array;
  /** By cell of water: the patch that it mirrors, −1 for the sky, and the slope of that look. */
  readonly mirrored: Int32Array;
  readonly mirrorSlope: Float32Array;
  readonly person: PersonCells | null;
  /** Of the points the first of four plates round the person's chest: to the camera, away, to the left, to the right. */
  readonly chest: number;
  /** The level plate at eye height where the subject stands. */
  readonly spot: number;
}

const WALL_STEP_RAD = (4 * Math.PI) / 180;
const MOST_ACROSS = 12;
const MOST_UP = 4;
const PATCH_DIRECTIONS = { wall: 8, ground: 12 } as const;
const GROUND_BEARINGS = 13;
const GROUND_MARGIN_RAD = (3 * Math.PI) / 180;
const GROUND_DISTANCES_M = [0.6, 1.5, 2.5, 4, 6, 9, 14, 22, 40, 90] as const;
const FROM_WALL_M = 0.25;
export const CHEST_M = 1.3;
/** Where light is asked for when nobody stands in the frame. */
export const SPOT_M = 4;

/** Points as they are found. */
class Gathered {
  readonly at: ProbeAt[] = [];
  add(point: ProbeAt): number {
    return this.at.push(point) - 1;
  }
}

interface WallSeen {
  from: number;
  to: number;
  nearestM: number;
}

function wallsSeen(view: MeasuredView): Map<number, WallSeen> {
  const walls = new Map<number, WallSeen>();
  for (let cell = 0; cell < view.kind.length; cell++) {
    if (view.kind[cell] !== SEEN.wall) continue;
    const [edge, off, distanceM] = [view.edge[cell], view.off[cell], view.distanceM[cell]] as [number, number, number];
    const wall = walls.get(edge);
    if (wall === undefined) walls.set(edge, { from: off, to: off, nearestM: distanceM });
    else {
      wall.from = Math.min(wall.from, off);
      wall.to = Math.max(wall.to, off);
      wall.nearestM = Math.min(wall.nearestM, distanceM);
    }
  }
  return walls;
}

interface WallLattice {
  readonly first: number;
  readonly columns: number;
  readonly rows: number;
  readonly from: number;
  readonly step: number;
  readonly lowM: number;
  readonly stepM: number;
}

function latticeOfWall(view: MeasuredView, points: Gathered, edge: number, { from, to, nearestM }: WallSeen): WallLattice {
  const { edges, eye, question } = view;
  const axis = (question.bearingDeg * Math.PI) / 180;
  const [nx, ny, lengthM, topM] = [edges.nx[edge], edges.ny[edge], edges.lengthM[edge], edges.topM[edge]] as [
    number,
    number,
    number,
    number,
  ];
  const [ax, ay] = [edges.ax[edge] as number, edges.ay[edge] as number];
  const byLength = Math.min(MOST_UP, Math.ceil(lengthM / Math.max(3, 0.12 * nearestM)));
  const across = Math.max(1, Math.min(MOST_ACROSS, Math.max(byLength, Math.ceil((to - from) / WALL_STEP_RAD))));
  const lowM = eye.groundM + 0.3;
  const highM = Math.max(lowM + 0.1, topM - 0.1);
  const up = Math.max(1, Math.min(MOST_UP, Math.round((highM - lowM) / 3)));
  const [step, stepM] = [Math.max(1e-6, (to - from) / across), (highM - lowM) / up];
  const first = points.at.length;
  for (let row = 0; row <= up; row++) {
    for (let column = 0; column <= across; column++) {
      const off = axis + from + column * step;
      const facing = Math.sin(off) * nx + Math.cos(off) * ny;
      const distanceM = ((ax - eye.x) * nx + (ay - eye.y) * ny) / facing;
      const along = (eye.x + distanceM * Math.sin(off) - ax) * -ny + (eye.y + distanceM * Math.cos(off) - ay) * nx;
      // A hair inside the wall's own ends, where the next one does not stand on the point.
      const kept = Math.min(lengthM - Math.min(0.05, lengthM / 4), Math.max(Math.min(0.05, lengthM / 4), along));
      points.add({
        x: ax - kept * ny + BEFORE_WALL_M * nx,
        y: ay + kept * nx + BEFORE_WALL_M * ny,
        atM: lowM + row * stepM,
        groundM: eye.groundM,
        normal: [nx, ny],
      });
    }
  }
  return { first, columns: across + 1, rows: up + 1, from, step, lowM, stepM };
}

interface GroundLattice {
  readonly first: number;
  readonly from: number;
  readonly step: number;
}

function latticeOfGround(view: MeasuredView, points: Gathered): GroundLattice {
  const { edges, eye, question } = view;
  const axis = (question.bearingDeg * Math.PI) / 180;
  let [from, to] = [Infinity, -Infinity];
  for (let cell = 0; cell < view.kind.length; cell++) {
    if (view.kind[cell] !== SEEN.ground) continue;
    from = Math.min(from, view.off[cell] as number);
    to = Math.max(to, view.off[cell] as number);
  }
  if (from > to) [from, to] = [0, 0];
  from -= GROUND_MARGIN_RAD;
  const step = (to + GROUND_MARGIN_RAD - from) / (GROUND_BEARINGS - 1);
  const column = newColumn();
  const first = points.at.length;
  const wallM = Float64Array.from({ length: GROUND_BEARINGS }, (_, k) => {
    castColumn(edges, eye, Math.sin(axis + from + k * step), Math.cos(axis + from + k * step), column);
    return column.count === 0 ? Infinity : (column.distanceM[0] as number);
  });
  for (const distanceM of GROUND_DISTANCES_M) {
    for (let k = 0; k < GROUND_BEARINGS; k++) {
      const off = axis + from + k * step;
      const atM = Math.min(distanceM, Math.max(0.05, (wallM[k] as number) - FROM_WALL_M));
      points.add({
        x: eye.x + atM * Math.sin(off),
        y: eye.y + atM * Math.cos(off),
        atM: eye.groundM,
        groundM: eye.groundM,
        normal: null,
      });
    }
  }
  return { first, from, step };
}

/** How light reaches what is seen: probes on a lattice over every wall and the ground, water's mirrors, the person's four sides. */
export function measureLight(view: MeasuredView): MeasuredLight {
  const { eye, question } = view;
  const cells = view.kind.length;
  const points = new Gathered();
  const lattices = new Map([...wallsSeen(view)].map(([edge, wall]) => [edge, latticeOfWall(view, points, edge, wall)] as const));
  const ground = latticeOfGround(view, points);
  const person = personCells(view);
  const chest = points.at.length;
  const axis = (question.bearingDeg * Math.PI) / 180;
  const [ahead, right] = [
    [Math.sin(axis), Math.cos(axis)],
    [Math.cos(axis), -Math.sin(axis)],
  ] as const;
  if (person !== null) {
    for (const [nx, ny] of [[-ahead[0], -ahead[1]], ahead, [-right[0], -right[1]], right] as const) {
      points.add({ x: person.feetX, y: person.feetY, atM: eye.groundM + CHEST_M, groundM: eye.groundM, normal: [nx, ny] });
    }
  }
  const spotM = view.personM ?? SPOT_M;
  const spot = points.add({
    x: eye.x + spotM * ahead[0],
    y: eye.y + spotM * ahead[1],
    atM: eye.eyeM,
    groundM: eye.groundM,
    normal: null,
  });
  const light = {
    corner: new Int32Array(cells).fill(-1),
    stride: new Uint8Array(cells),
    across: new Float32Array(cells),
    up: new Float32Array(cells),
    mirrored: new Int32Array(cells).fill(-1),
    mirrorSlope: new Float32Array(cells),
  };
  const patches = newPatches();
  for (let cell = 0; cell < cells; cell++) {
    const kind = view.kind[cell];
    if (kind === SEEN.wall) placeOnWall(view, light, cell, lattices.get(view.edge[cell] as number) as WallLattice);
    else if (kind === SEEN.ground) placeOnGround(view, light, cell, ground);
    else if (kind === SEEN.water) mirror(view, light, cell, patches);
  }
  const seen = points.at.map((at) => probe(view, patches, at));
  const starts = new Uint32Array(seen.length + 1);
  seen.forEach(({ patch }, k) => (starts[k + 1] = (starts[k] as number) + patch.length));
  const patchSkyShare = Float32Array.from({ length: patches.count }, (_, k) => {
    const isGround = patches.nx[k] === 0 && patches.ny[k] === 0;
    const at: ProbeAt = {
      x: patches.x[k] as number,
      y: patches.y[k] as number,
      atM: ((patches.lowM[k] as number) + (patches.highM[k] as number)) / 2,
      groundM: eye.groundM,
      normal: isGround ? null : [patches.nx[k] as number, patches.ny[k] as number],
    };
    return skyShareAt(view, at, isGround ? PATCH_DIRECTIONS.ground : PATCH_DIRECTIONS.wall);
  });
  return {
    points: {
      skyShare: Float32Array.from(seen, ({ skyShare }) => skyShare),
      starts,
      patch: Uint32Array.from(seen.flatMap(({ patch }) => patch)),
      weight: Float32Array.from(seen.flatMap(({ weight }) => weight)),
    },
    ...{ patches, patchSkyShare, person, chest, spot },
    ...light,
  };
}

type CellLight = Pick<MeasuredLight, 'corner' | 'stride' | 'across' | 'up' | 'mirrored' | 'mirrorSlope'>;

/** The whole number under a place on a lattice of so many points, and how far it is past it. */
function under(place: number, count: number): readonly [whole: number, rest: number] {
  const kept = Math.min(count - 1, Math.max(0, place));
  const whole = Math.min(count - 2, Math.floor(kept));
  return [whole, kept - whole];
}

function placeOnWall(
  view: MeasuredView,
  light: CellLight,
  cell: number,
  { first, columns, rows, from, step, lowM, stepM }: WallLattice,
): void {
  const [column, across] = under(((view.off[cell] as number) - from) / step, columns);
  const [row, up] = under(((view.z[cell] as number) - lowM) / stepM, rows);
  light.corner[cell] = first + row * columns + column;
  light.stride[cell] = columns;
  light.across[cell] = across;
  light.up[cell] = up;
}

function placeOnGround(view: MeasuredView, light: CellLight, cell: number, { first, from, step }: GroundLattice): void {
  const distanceM = view.distanceM[cell] as number;
  const last = GROUND_DISTANCES_M.length - 1;
  let ring = 0;
  while (ring < last - 1 && distanceM > (GROUND_DISTANCES_M[ring + 1] as number)) ring++;
  const [near, far] = [GROUND_DISTANCES_M[ring] as number, GROUND_DISTANCES_M[ring + 1] as number];
  const [column, across] = under(((view.off[cell] as number) - from) / step, GROUND_BEARINGS);
  light.corner[cell] = first + ring * GROUND_BEARINGS + column;
  light.stride[cell] = GROUND_BEARINGS;
  light.across[cell] = across;
  light.up[cell] = Math.min(1, Math.max(0, (distanceM - near) / (far - near)));
}

const RIPPLE = 0.03;
const column = newColumn();

/** What a look mirrored by water meets, its slope shaken by ripples that come again with every row of the frame. */
function mirror(view: MeasuredView, light: CellLight, cell: number, patches: Patches): void {
  const { edges, eye } = view;
  const [x, y] = [view.x[cell] as number, view.y[cell] as number];
  const ripple = RIPPLE * Math.sin(3.1 * x + 5.3 * y) * Math.cos(1.7 * y - 2.3 * x);
  const slope = Math.max(0.001, -(view.slope[cell] as number) + ripple);
  light.mirrorSlope[cell] = slope;
  const bearing = bearingOf(view, cell);
  const [dx, dy] = [Math.sin(bearing), Math.cos(bearing)];
  castColumn(edges, { x, y, eyeM: eye.groundM, groundM: eye.groundM }, dx, dy, column);
  for (let k = 0; k < column.count; k++) {
    if (slope >= (column.high[k] as number)) continue;
    const edge = column.edge[k] as number;
    const distanceM = column.distanceM[k] as number;
    if (edge >= 0) {
      light.mirrored[cell] = wallPatchAt(
        edges,
        patches,
        edge,
        x + distanceM * dx,
        y + distanceM * dy,
        eye.groundM + slope * distanceM,
      );
    }
    return;
  }
}
