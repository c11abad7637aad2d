import { passesThrough, type Prism, type SunPosition, walkGrid } from '../light/index.js';
import { RAD_PER_DEG } from '../units/index.js';
import { crossingM } from './column.js';
import type { Edges } from './edges.js';

/** Where the (apparent) sun stands: a level direction of length 1, and the tangent and cosine of its altitude. */
export interface SunRay {
  readonly dx: number;
  readonly dy: number;
  readonly slope: number;
  readonly cos: number;
}

export function sunRayOf({ azimuthDeg, altitudeDeg }: SunPosition): SunRay {
  const [azimuth, altitude] = [azimuthDeg * RAD_PER_DEG, altitudeDeg * RAD_PER_DEG];
  return { dx: Math.sin(azimuth), dy: Math.cos(azimuth), slope: Math.tan(altitude), cos: Math.cos(altitude) };
}

/** The sun's disc is so many radians across. */
const DISC_RAD = 0.0093;
const NEAREST_M = 1e-3;

/** The shadow over a place: what stands under `heightM` is shaded by the edge at `edgeM`. */
export interface Shadow {
  heightM: number;
  edgeM: number;
}

/**
 * Height of the shadow over a place, into `shadow`: the highest of T − d·tan h over the walls that a ray towards the sun enters.
 * No further than where it is `enough`: nothing there can be lit any more. Source: docs/formulas.md#eye-level.
 */
export function castShadow(edges: Edges, x: number, y: number, sun: SunRay, enough: number, shadow: Shadow): void {
  shadow.heightM = -Infinity;
  shadow.edgeM = Infinity;
  if (edges.grid === null) return;
  const { dx, dy, slope } = sun;
  const { tallestM } = edges;
  walkGrid(edges.grid, { x, y, dx, dy }, tallestM / Math.max(slope, 1e-6), (k, enterM, leaveM) => {
    if (shadow.heightM >= enough || tallestM - enterM * slope <= shadow.heightM) return true;
    const facing = dx * (edges.nx[k] as number) + dy * (edges.ny[k] as number);
    if (facing >= 0) return false;
    const distanceM = crossingM(edges, k, x, y, dx, dy, facing);
    if (!(distanceM >= 0 && distanceM >= enterM && distanceM < leaveM)) return false;
    const heightM = (edges.topM[k] as number) - distanceM * slope;
    if (heightM > shadow.heightM) {
      shadow.heightM = heightM;
      shadow.edgeM = distanceM;
    }
    return false;
  });
}

/** Share of the sun's disc that stands over the shadow's edge at a height: 0 in the shade, ½ on its edge, 1 in the sun. */
export function litShare({ heightM, edgeM }: Shadow, atM: number, { cos }: SunRay): number {
  if (heightM === -Infinity) return 1;
  const share = ((atM - heightM) * cos * cos) / (DISC_RAD * Math.max(NEAREST_M, edgeM)) + 0.5;
  return Math.min(1, Math.max(0, share));
}

/** What hangs over the ground and lets some of the sun through, or none: arches, roofs, crowns. */
export interface Hanging {
  readonly prism: Prism;
  readonly lets: number;
}

/** Share of the sun that what hangs in its way lets through to a point. */
export function letThrough(hanging: readonly Hanging[], x: number, y: number, atM: number, { dx, dy, slope }: SunRay): number {
  let share = 1;
  for (const { prism, lets } of hanging) {
    if (share === 0) return 0;
    const [mx, my] = [prism.midX - x, prism.midY - y];
    if (Math.abs(mx * dy - my * dx) > prism.radiusM || mx * dx + my * dy < -prism.radiusM) continue;
    const from = Math.max(0, (prism.baseM - atM) / slope);
    const to = (prism.heightM - atM) / slope;
    if (to > from && passesThrough(prism, { x, y, dx, dy }, from, to)) share *= lets;
  }
  return share;
}
