import { RAD_PER_DEG } from '../units/index.js';
import type { Prism } from '../light/index.js';
import { castRay, type WallEdge } from './horizon/castRay.js';
import { type Camera, eyeOf } from './groundGrid.js';
import type { BearingMask } from './horizon/horizon.js';
import { columnsOf, type LookDirection, lookSteps, type View } from './viewRays.js';

/**
 * The façade before the camera. The frame is level, 3:2. Of what the middle half of it meets, the face that most looks meet
 * counts, all of it that is inside the frame, from the ground to its own top or the frame's. docs/formulas.md#facade.
 */
/** Looks that choose the face: this many heights over the horizon, in shares of the upper half of the frame. */
const CHOOSING_ROWS = [0, 0.25, 0.5, 0.75] as const;
/** Samples of the face: columns over the frame, rows from the ground up. */
const COLUMNS = 16;
const ROWS = 8;

/** Walls within this of one plane, and as near to one another along it, are one face. */
const SAME_PLANE_DEG = 2;
const SAME_PLANE_M = 0.3;

/** Tangents of half the frame's angles across and up. */
interface FrameHalf {
  readonly across: number;
  readonly up: number;
}

function frameHalfOf({ halfFieldDeg, isFrameUpright = false }: Camera): FrameHalf {
  const across = Math.tan(Math.min(89, halfFieldDeg) * RAD_PER_DEG);
  return { across, up: across * (isFrameUpright ? 3 / 2 : 2 / 3) };
}

interface SeenWall {
  readonly edge: WallEdge;
  readonly normalDeg: number;
  readonly looks: number;
}

/** The walls met by the looks of the middle half, with how many meet each. */
function wallsSeenBy(camera: Camera, { up }: FrameHalf, prisms: readonly Prism[]): SeenWall[] {
  const byFace = new Map<string, SeenWall>();
  for (const offDeg of columnsOf(camera.halfFieldDeg, Infinity)) {
    for (const share of CHOOSING_ROWS) {
      const elevationDeg = Math.atan(share * up * Math.cos(offDeg * RAD_PER_DEG)) / RAD_PER_DEG;
      const bearingDeg = camera.shootingBearingDeg + offDeg;
      const hit = castRay({ from: eyeOf(camera), bearingDeg, elevationDeg, groundM: camera.groundM, prisms });
      if (hit.kind !== 'wall') continue;
      const { edge, normalDeg, face } = hit;
      byFace.set(face, { edge, normalDeg, looks: (byFace.get(face)?.looks ?? 0) + 1 });
    }
  }
  return [...byFace.values()];
}

/** Whether two walls are parts of one face: nearly one plane, and side by side in it. */
function isOneFace(a: SeenWall, b: SeenWall): boolean {
  const turn = Math.abs(((a.normalDeg - b.normalDeg + 540) % 360) - 180);
  if (turn > SAME_PLANE_DEG) return false;
  const [nx, ny] = [Math.sin(a.normalDeg * RAD_PER_DEG), Math.cos(a.normalDeg * RAD_PER_DEG)];
  const off = (x: number, y: number): number => (x - a.edge.ax) * nx + (y - a.edge.ay) * ny;
  const along = (x: number, y: number): number => (x - a.edge.ax) * ny - (y - a.edge.ay) * nx;
  const isInPlane = [off(b.edge.ax, b.edge.ay), off(b.edge.bx, b.edge.by)].every((m) => Math.abs(m) <= SAME_PLANE_M);
  const endOfA = along(a.edge.bx, a.edge.by);
  const [b0, b1] = [along(b.edge.ax, b.edge.ay), along(b.edge.bx, b.edge.by)];
  const gapM = Math.max(Math.min(b0, b1) - Math.max(0, endOfA), Math.min(0, endOfA) - Math.max(b0, b1));
  return isInPlane && gapM <= SAME_PLANE_M;
}

/** The walls that belong to one face with `first`, reached from neighbour to neighbour. */
function faceFrom(first: SeenWall, all: readonly SeenWall[]): SeenWall[] {
  const face = [first];
  // What is found on the way is gone through too.
  for (const wall of face) face.push(...all.filter((other) => !face.includes(other) && isOneFace(wall, other)));
  return face;
}

function mostSeen(all: readonly SeenWall[]): readonly SeenWall[] {
  const looksOf = (face: readonly SeenWall[]): number => face.reduce((sum, { looks }) => sum + looks, 0);
  return all.map((wall) => faceFrom(wall, all)).reduce((best, face) => (looksOf(face) > looksOf(best) ? face : best), []);
}

/** Level distance at which a bearing meets a wall, metres; null where it passes beside it. */
function distanceTo({ ax, ay, bx, by }: WallEdge, camera: Camera, bearingDeg: number): number | null {
  const [dx, dy] = [Math.sin(bearingDeg * RAD_PER_DEG), Math.cos(bearingDeg * RAD_PER_DEG)];
  const [ex, ey] = [bx - ax, by - ay];
  const [ox, oy] = [ax - camera.eastM, ay - camera.northM];
  const across = dx * ey - dy * ex;
  if (across === 0) return null;
  const distanceM = (ox * ey - oy * ex) / across;
  const share = (ox * dy - oy * dx) / across;
  return distanceM > 0 && share >= 0 && share <= 1 ? distanceM : null;
}

/** Looks at the face, evenly over the frame and from the ground to the face's top or the frame's. */
function looksAt(face: readonly SeenWall[], camera: Camera, frame: FrameHalf): LookDirection[] {
  const eye = eyeOf(camera);
  return Array.from({ length: COLUMNS }, (_, column) => {
    const offDeg = Math.atan((((column + 0.5) / COLUMNS) * 2 - 1) * frame.across) / RAD_PER_DEG;
    const bearingDeg = camera.shootingBearingDeg + offDeg;
    const nearest = face
      .map(({ edge }) => ({ edge, distanceM: distanceTo(edge, camera, bearingDeg) ?? Infinity }))
      .reduce((best, next) => (next.distanceM < best.distanceM ? next : best));
    if (nearest.distanceM === Infinity) return [];
    const reachM = nearest.distanceM * Math.cos(offDeg * RAD_PER_DEG) * frame.up;
    const lowM = Math.max(camera.groundM, nearest.edge.baseM, eye.heightM - reachM);
    const highM = Math.min(nearest.edge.topM, eye.heightM + reachM);
    if (highM <= lowM) return [];
    return Array.from({ length: ROWS }, (__, row): LookDirection => {
      const heightM = lowM + ((row + 0.5) / ROWS) * (highM - lowM);
      return [bearingDeg, Math.atan((heightM - eye.heightM) / nearest.distanceM) / RAD_PER_DEG];
    });
  }).flat();
}

const isOf = (face: readonly SeenWall[], edge: WallEdge): boolean =>
  face.some(({ edge: { ax, ay, bx, by } }) => ax === edge.ax && ay === edge.ay && bx === edge.bx && by === edge.by);

/** The looks that meet the face before the camera, those that something stands before left out; null where there is none. */
export function* faceSteps(camera: Camera, prisms: readonly Prism[], sunMask: BearingMask): Generator<number, View | null> {
  const frame = frameHalfOf(camera);
  const face = mostSeen(wallsSeenBy(camera, frame, prisms));
  yield 0;
  if (face.length === 0) return null;
  const from = eyeOf(camera);
  const looks = looksAt(face, camera, frame).filter(([bearingDeg, elevationDeg]) => {
    const hit = castRay({ from, bearingDeg, elevationDeg, groundM: camera.groundM, prisms });
    return hit.kind === 'wall' && isOf(face, hit.edge);
  });
  return looks.length === 0 ? null : yield* lookSteps(camera, looks, { prisms, waters: [] }, sunMask);
}
