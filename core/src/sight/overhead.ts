import { isStrictlyInside, type Prism } from '../light/index.js';
import { crossingM } from './column.js';
import { type Edges, edgesOf } from './edges.js';
import { hashed } from './hash.js';
import { SEEN } from './seen.js';
import type { MeasuredView } from './measured.js';

/** Arches and roofs on posts, over what stands behind them: walls between base and top, undersides where one looks up to them. */
export function paintHanging(view: MeasuredView, axis: number): void {
  const { eye, hanging } = view;
  for (const prism of hanging) {
    const cells = cellsTowards(view, axis, prism.midX - eye.x, prism.midY - eye.y, prism.radiusM);
    if (cells.length === 0) continue;
    const edges = edgesOf([{ ...prism, baseM: 0 }]);
    for (const cell of cells) hangingAt(view, axis, cell, prism, edges);
  }
}

/** Cells that look towards a circle on the ground, all of them from inside it. */
function cellsTowards(view: MeasuredView, axis: number, eastM: number, northM: number, radiusM: number): number[] {
  const away = Math.hypot(eastM, northM);
  const half = away <= radiusM ? Math.PI : Math.asin(radiusM / away);
  const turn = Math.atan2(eastM, northM) - axis;
  const middle = Math.atan2(Math.sin(turn), Math.cos(turn));
  const cells: number[] = [];
  for (let cell = 0; cell < view.off.length; cell++) {
    if (Math.abs((view.off[cell] as number) - middle) <= half) cells.push(cell);
  }
  return cells;
}

function hangingAt(view: MeasuredView, axis: number, cell: number, prism: Prism, edges: Edges): void {
  const { eye } = view;
  const { baseM, heightM } = prism;
  const slope = view.slope[cell] as number;
  const [dx, dy] = [Math.sin(axis + (view.off[cell] as number)), Math.cos(axis + (view.off[cell] as number))];
  for (let k = 0; k < edges.count; k++) {
    const facing = dx * (edges.nx[k] as number) + dy * (edges.ny[k] as number);
    if (facing === 0) continue;
    const distanceM = crossingM(edges, k, eye.x, eye.y, dx, dy, facing);
    if (!(distanceM > 0)) continue;
    const z = eye.eyeM + distanceM * slope;
    if (facing < 0 && z > baseM && z < heightM && distanceM < (view.distanceM[cell] as number)) {
      put(view, cell, SEEN.hanging, distanceM, dx, dy);
    } else if (facing > 0 && z > baseM && baseM > eye.eyeM && slope > 0) {
      const under = (baseM - eye.eyeM) / slope;
      const isUnder = under < distanceM && under < (view.distanceM[cell] as number);
      if (isUnder && isStrictlyInside(prism, eye.x + under * dx, eye.y + under * dy)) put(view, cell, SEEN.hanging, under, dx, dy);
    }
  }
}

function put(view: MeasuredView, cell: number, kind: number, distanceM: number, dx: number, dy: number): void {
  view.kind[cell] = kind;
  view.distanceM[cell] = distanceM;
  view.x[cell] = view.eye.x + distanceM * dx;
  view.y[cell] = view.eye.y + distanceM * dy;
  view.z[cell] = view.eye.eyeM + distanceM * (view.slope[cell] as number);
  view.edge[cell] = -1;
  view.piece[cell] = -1;
}

const TRUNK_M = 0.17;
const LEAF_CUBES_PER_M = 2;
const LEAF_DENSITY = 0.9;

/** Crowns as ellipsoids of leaves, and their trunks. */
export function paintTrees(view: MeasuredView, axis: number): void {
  const { eye } = view;
  const { trees = [] } = view.question.site;
  for (const { eastM, northM, radiusM, heightM, baseM = heightM / 3 } of trees) {
    const [mx, my] = [eastM - eye.x, northM - eye.y];
    if (Math.hypot(mx, my) < radiusM) continue;
    const [tall, centre] = [(heightM - baseM) / 2, (heightM + baseM) / 2];
    for (const cell of cellsTowards(view, axis, mx, my, radiusM)) {
      const off = view.off[cell] as number;
      const slope = view.slope[cell] as number;
      const [dx, dy] = [Math.sin(axis + off), Math.cos(axis + off)];
      const along = mx * dx + my * dy;
      const aside = mx * dy - my * dx;
      const z = eye.eyeM + along * slope;
      if (Math.abs(aside) < TRUNK_M && z < centre && z > eye.groundM && along < (view.distanceM[cell] as number)) {
        put(view, cell, SEEN.leaf, along, dx, dy);
        continue;
      }
      // (along·t) on the level, the look as a line through the ellipsoid with its height scaled to the radius.
      const [ox, oy, oz] = [-mx / radiusM, -my / radiusM, (eye.eyeM - centre) / tall];
      const [vx, vy, vz] = [dx / radiusM, dy / radiusM, slope / tall];
      const a = vx * vx + vy * vy + vz * vz;
      const b = ox * vx + oy * vy + oz * vz;
      const inside = b * b - a * (ox * ox + oy * oy + oz * oz - 1);
      if (inside <= 0) continue;
      const enters = (-b - Math.sqrt(inside)) / a;
      if (enters <= 0 || enters >= (view.distanceM[cell] as number)) continue;
      const chord = (2 * Math.sqrt(inside)) / a / radiusM;
      const cube = (value: number): number => Math.floor(value * LEAF_CUBES_PER_M);
      const hash = hashed(cube(eye.x + enters * dx) * 73 + cube(eye.y + enters * dy), cube(eye.eyeM + enters * slope), 31);
      if (hash < LEAF_DENSITY * Math.min(1, chord)) put(view, cell, SEEN.leaf, enters, dx, dy);
    }
  }
}
