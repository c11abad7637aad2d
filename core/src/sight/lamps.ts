import { EYE_HEIGHT_M } from '../optics/index.js';
import type { Way } from '../streets/index.js';
import { castColumn, type Column, newColumn } from './column.js';
import type { Edges } from './edges.js';
import { CHEST_M, type MeasuredLight, SPOT_M } from './light.js';
import { SEEN } from './seen.js';
import type { MeasuredView } from './measured.js';

/**
 * Street lamps made up along the map's streets: one every 25 m, sides in turn, full below the level and a third above, all of one
 * strength, so that the spot has exactly the light that the stop's lamps give. Judgement. Between lamps the ground falls by some
 * three stops.
 */
export interface LampLight {
  /** Lux on what each cell shows; 0 for the sky. */
  readonly lux: Float32Array;
  /** On the four sides of a person's chest: to the camera, away, left, right. */
  readonly chestLux: readonly [number, number, number, number];
  /** Cells that show a bulb, and how much of each. */
  readonly bulbs: readonly { readonly cell: number; readonly covered: number }[];
  /** On the level at eye height where the subject stands. */
  readonly spotLux: number;
  /** What a bulb shines with, cd/m². */
  readonly bulbLuminance: number;
}

interface Lamp {
  readonly x: number;
  readonly y: number;
  readonly atM: number;
}

const SPACING_M = 25;
const COVERED_SPACING_M = 8;
const INSIDE_M = 0.7;
const HEIGHT_M = { street: 5.5, lane: 4.5, covered: 4, laneBelowM: 6.5 } as const;
const WITHIN_M = 110;
const REACH_M = 45;
const ABOVE_LEVEL = 0.35;
const BULB_M = 0.14;
const BESIDE = { rightM: 2.2, atM: 4.5 } as const;
const USUAL_WIDTH_M = 6;

function lampsAlong(ways: readonly Way[], eye: MeasuredView['eye']): Lamp[] {
  const lamps: Lamp[] = [];
  for (const { points, kind, widthM = USUAL_WIDTH_M, isCovered = false } of ways) {
    if (kind === 'steps') continue;
    const spacing = isCovered ? COVERED_SPACING_M : SPACING_M;
    const height = isCovered ? HEIGHT_M.covered : widthM < HEIGHT_M.laneBelowM ? HEIGHT_M.lane : HEIGHT_M.street;
    let rest = spacing / 2;
    let side = 1;
    for (let k = 1; k < points.length; k++) {
      const [ax, ay] = points[k - 1] as readonly [number, number];
      const [bx, by] = points[k] as readonly [number, number];
      const lengthM = Math.hypot(bx - ax, by - ay);
      if (lengthM === 0) continue;
      for (; rest < lengthM; rest += spacing, side = -side) {
        const aside = isCovered ? 0 : side * Math.max(0, widthM / 2 - INSIDE_M);
        const [ux, uy] = [(bx - ax) / lengthM, (by - ay) / lengthM];
        const [x, y] = [ax + rest * ux + aside * uy, ay + rest * uy - aside * ux];
        if (Math.hypot(x - eye.x, y - eye.y) <= WITHIN_M) lamps.push({ x, y, atM: eye.groundM + height });
      }
      rest -= lengthM;
    }
  }
  return lamps;
}

const BEARINGS = 720;

/** What a lamp sees round itself: of each bearing the walls, so that a place behind one gets nothing. */
function roundOf(
  edges: Edges,
  { x, y, atM }: Lamp,
  groundM: number,
): (dx: number, dy: number, distanceM: number, slope: number) => boolean {
  const column: Column = newColumn();
  const starts = new Uint32Array(BEARINGS + 1);
  const [far, high]: [number[], number[]] = [[], []];
  for (let k = 0; k < BEARINGS; k++) {
    const turn = ((k + 0.5) / BEARINGS) * 2 * Math.PI;
    castColumn(edges, { x, y, eyeM: atM, groundM }, Math.sin(turn), Math.cos(turn), column);
    for (let n = 0; n < column.count; n++) {
      far.push(column.distanceM[n] as number);
      high.push(column.high[n] as number);
    }
    starts[k + 1] = far.length;
  }
  return (dx, dy, distanceM, slope) => {
    const turn = (Math.atan2(dx, dy) / (2 * Math.PI) + 1) % 1;
    const at = Math.min(BEARINGS - 1, Math.floor(turn * BEARINGS));
    for (let n = starts[at] as number; n < (starts[at + 1] as number); n++) {
      if ((far[n] as number) > distanceM * 0.985 - 0.1) return true;
      if (slope < (high[n] as number)) return false;
    }
    return true;
  };
}

/** Lux that a lamp of 1 cd puts onto a plate; null normal: the level. */
function luxOf(lamp: Lamp, x: number, y: number, atM: number, nx: number, ny: number, nz: number): number {
  const [dx, dy, dz] = [lamp.x - x, lamp.y - y, lamp.atM - atM];
  const square = Math.max(0.05, dx * dx + dy * dy + dz * dz);
  const cosine = (dx * nx + dy * ny + dz * nz) / Math.sqrt(square);
  return cosine <= 0 ? 0 : ((dz >= 0 ? 1 : ABOVE_LEVEL) * cosine) / square;
}

/** Lamps of a view, once; `spotLux` is what they give on the level at eye height where the subject stands. */
export function measureLamps(view: MeasuredView, light: MeasuredLight, spotLux: number): LampLight {
  const { edges, eye, question } = view;
  const axis = (question.bearingDeg * Math.PI) / 180;
  const [ahead, right] = [
    [Math.sin(axis), Math.cos(axis)],
    [Math.cos(axis), -Math.sin(axis)],
  ] as const;
  const spotM = view.personM ?? SPOT_M;
  const [sx, sy] = [eye.x + spotM * ahead[0], eye.y + spotM * ahead[1]];
  const found = lampsAlong(question.site.ways ?? [], eye).map((lamp) => ({ lamp, reaches: roundOf(edges, lamp, eye.groundM) }));
  const on = (x: number, y: number, atM: number, nx: number, ny: number, nz: number, all: typeof found): number => {
    let lux = 0;
    for (const { lamp, reaches } of all) {
      const [dx, dy] = [x - lamp.x, y - lamp.y];
      const distanceM = Math.hypot(dx, dy);
      if (distanceM > REACH_M) continue;
      if (distanceM > 0.3 && !reaches(dx / distanceM, dy / distanceM, distanceM, (atM - lamp.atM) / distanceM)) continue;
      lux += luxOf(lamp, x, y, atM, nx, ny, nz);
    }
    return lux;
  };
  let lamps = found;
  let atSpot = on(sx, sy, eye.groundM + EYE_HEIGHT_M, 0, 0, 1, lamps);
  if (atSpot < 1e-4) {
    const lamp = { x: sx + BESIDE.rightM * right[0], y: sy + BESIDE.rightM * right[1], atM: eye.groundM + BESIDE.atM };
    lamps = [...found, { lamp, reaches: () => true }];
    atSpot = on(sx, sy, eye.groundM + EYE_HEIGHT_M, 0, 0, 1, lamps);
  }
  const candela = spotLux / atSpot;
  const lux = new Float32Array(view.kind.length);
  for (let cell = 0; cell < lux.length; cell++) {
    const kind = view.kind[cell] as number;
    if (kind === SEEN.sky) continue;
    const edge = view.edge[cell] as number;
    const [nx, ny, nz] = edge >= 0 ? [edges.nx[edge] as number, edges.ny[edge] as number, 0] : [0, 0, 1];
    lux[cell] = candela * on(view.x[cell] as number, view.y[cell] as number, view.z[cell] as number, nx, ny, nz, lamps);
  }
  const chest = (nx: number, ny: number): number =>
    light.person === null ? 0 : candela * on(light.person.feetX, light.person.feetY, eye.groundM + CHEST_M, nx, ny, 0, lamps);
  return {
    lux,
    chestLux: [chest(-ahead[0], -ahead[1]), chest(ahead[0], ahead[1]), chest(-right[0], -right[1]), chest(right[0], right[1])],
    bulbs: bulbsIn(
      view,
      lamps.map(({ lamp }) => lamp),
    ),
    spotLux,
    bulbLuminance: candela / (Math.PI * BULB_M * BULB_M),
  };
}

/** Cells in which a bulb is seen: not behind a wall, by the share of the cell that it covers. */
function bulbsIn(view: MeasuredView, lamps: readonly Lamp[]): LampLight['bulbs'] {
  const { eye, question } = view;
  const { size, frame } = question;
  const axis = (question.bearingDeg * Math.PI) / 180;
  const pitch = frame.sensorWidthMm / frame.focalLengthMm / Math.max(size.width, size.height);
  const bulbs: { cell: number; covered: number }[] = [];
  for (const lamp of lamps) {
    const [dx, dy] = [lamp.x - eye.x, lamp.y - eye.y];
    const distanceM = Math.hypot(dx, dy);
    const off = Math.atan2(Math.sin(Math.atan2(dx, dy) - axis), Math.cos(Math.atan2(dx, dy) - axis));
    if (Math.abs(off) > 1.4 || distanceM < 1) continue;
    const slope = (lamp.atM - eye.eyeM) / distanceM;
    const radius = BULB_M / distanceM / pitch;
    const reach = Math.max(1, Math.ceil(radius + 0.5)) * pitch;
    const discArea = Math.PI * radius * radius;
    const near: number[] = [];
    for (let cell = 0; cell < view.kind.length; cell++) {
      if (Math.abs((view.off[cell] as number) - off) > reach || Math.abs((view.slope[cell] as number) - slope) > reach) continue;
      if ((view.distanceM[cell] as number) > distanceM) near.push(cell);
    }
    const apart = (cell: number): number =>
      Math.hypot((view.off[cell] as number) - off, (view.slope[cell] as number) - slope) / pitch;
    if (near.length === 0) continue;
    if (radius < 0.7) {
      const nearest = near.reduce((best, cell) => (apart(cell) < apart(best) ? cell : best));
      bulbs.push({ cell: nearest, covered: Math.min(1, discArea) });
      continue;
    }
    for (const cell of near) {
      const covered = Math.min(1, Math.max(0, radius - apart(cell) + 0.5));
      if (covered > 0) bulbs.push({ cell, covered });
    }
  }
  return bulbs;
}
