import { checkOptions } from '../units/index.js';
import { localDaySpan } from './localDay.js';
import type { Building } from './prisms.js';
import { type ScenePoint, shadowScene } from './shadowScene.js';
import { checkPlace, type Place, sunPosition } from './sunPosition.js';
import { sunTrack } from './sunTrack.js';

export interface TimeSpan {
  readonly start: Date;
  readonly end: Date;
}

/** Half of the 30 s that no span or gap may fall short of, so that each holds at least one sample. */
const SAMPLE_S = 10;
const EXACT_MS = 250;

/**
 * The spans of a local day, clipped to it, in which `isSunlit` holds for `sunPosition` with standard refraction.
 * Ends are true to 5 s, no span or gap of 30 s or more is missed; an empty array on a day that the zone skipped.
 * Source: samples every 10 s along `sunTrack`, ends by bisection with the two functions themselves.
 * @throws TypeError, RangeError as in docs/formulas.md#ranges.
 */
export function sunlitWindows(
  options: Place & {
    readonly point: ScenePoint;
    readonly buildings: readonly Building[];
    readonly day: string;
    readonly timeZone: string;
  },
): TimeSpan[] {
  checkOptions('options', options);
  const { point, buildings, day, timeZone, latitude, longitude } = options;
  checkPlace(options);
  const scene = shadowScene({ buildings });
  scene.isSunlit({ point, sun: { azimuthDeg: 0, altitudeDeg: 0 } });
  const span = localDaySpan(day, timeZone);
  if (span === null) return [];

  const isLitAt = (timeMs: number): boolean =>
    scene.isSunlit({ point, sun: sunPosition({ time: new Date(timeMs), latitude, longitude }) });
  const edgeBetween = (fromMs: number, toMs: number, litAtFrom: boolean): number => {
    let [low, high] = [fromMs, toMs];
    while (high - low > EXACT_MS) {
      const middle = Math.round((low + high) / 2);
      if (isLitAt(middle) === litAtFrom) low = middle;
      else high = middle;
    }
    return high;
  };

  const track = sunTrack({
    start: new Date(span.startMs),
    end: new Date(span.endMs),
    stepS: SAMPLE_S,
    latitude,
    longitude,
  });
  const windows: TimeSpan[] = [];
  let openMs: number | null = null;
  let wasLit = false;
  track.timesMs.forEach((timeMs, k) => {
    const sun = { azimuthDeg: track.azimuthDeg[k] as number, altitudeDeg: track.altitudeDeg[k] as number };
    const isLit = scene.isSunlit({ point, sun });
    if (isLit !== wasLit) {
      const edgeMs = k === 0 ? timeMs : edgeBetween(track.timesMs[k - 1] as number, timeMs, wasLit);
      if (isLit) openMs = edgeMs;
      else if (openMs !== null) windows.push({ start: new Date(openMs), end: new Date(edgeMs) });
    }
    wasLit = isLit;
  });
  if (wasLit && openMs !== null) windows.push({ start: new Date(openMs), end: new Date(span.endMs) });
  return windows;
}
