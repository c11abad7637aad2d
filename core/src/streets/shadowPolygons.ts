import { RAD_PER_DEG } from '../units/index.js';
import type { Building, SunPosition } from '../light/index.js';
/** Under this the shadow leaves every plan. */
const LOWEST_DEG = 0.5;

export type Outline = readonly (readonly [eastM: number, northM: number])[];

function isAnticlockwise(ring: Outline): boolean {
  const twice = ring.reduce((sum, [x, y], k) => {
    const [nextX, nextY] = ring[(k + 1) % ring.length] as readonly [number, number];
    return sum + x * nextY - nextX * y;
  }, 0);
  return twice > 0;
}

/**
 * The shadow that a building throws on the level ground, as outlines that all turn the same way, to be filled together:
 * its underside and its roof moved by height ÷ tan of the sun's altitude, and the band that each wall sweeps between them.
 * Empty with the sun under 0.5°. Courtyards are taken for roofed: this is for drawing, `isSunlit` and the horizons decide.
 */
export function shadowPolygons({ building, sun }: { readonly building: Building; readonly sun: SunPosition }): readonly Outline[] {
  if (sun.altitudeDeg < LOWEST_DEG) return [];
  const reach = 1 / Math.tan(sun.altitudeDeg * RAD_PER_DEG);
  const [dx, dy] = [-Math.sin(sun.azimuthDeg * RAD_PER_DEG) * reach, -Math.cos(sun.azimuthDeg * RAD_PER_DEG) * reach];
  const ring = isAnticlockwise(building.footprint) ? building.footprint : [...building.footprint].reverse();
  const moved = (heightM: number): Outline => ring.map(([x, y]) => [x + dx * heightM, y + dy * heightM] as const);
  const low = moved(building.baseM ?? 0);
  const high = moved(building.heightM);
  const bands = ring.map((_, k): Outline => {
    const next = (k + 1) % ring.length;
    const band = [low[k], low[next], high[next], high[k]] as Outline;
    return isAnticlockwise(band) ? band : [...band].reverse();
  });
  return [low, high, ...bands];
}
