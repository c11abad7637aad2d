import type { Reading } from '../../stop/index.js';
import { type LuminanceMap, SMALL_MAP } from '../map/luminanceMap.js';
import { paintScene } from '../map/paintScene.js';
import { type FrameOfStop, mapSizeOf } from './frameOfStop.js';
import { sceneOfStop } from './ofStop.js';

/** Smaller parts of a frame are no tone of it (s). */
const LEAST_SHARE = 0.01;
const MOST_TONES = 6;

/** What a frame is about: a light that is read by itself, or the surface of a label. */
export interface ExpectedKey {
  readonly name: string;
  readonly tone: number;
  /** EV at ISO 100; null for the mean of the surface of that name. */
  readonly incidentEv: number | null;
}

function expectedReading(id: string, over: Pick<Reading, 'name' | 'kind' | 'ev100' | 'tone' | 'isLamp' | 'isKey'>): Reading {
  return { id: `expected-${id}`, takenMs: 0, isLetGo: false, ...over };
}

/**
 * The tones of a map, as readings that nobody has taken: the mean luminance of each surface that fills a hundredth of it or more,
 * the key first, then by size, six at most. EV at ISO 100.
 */
export function expectedOnMap(map: LuminanceMap, key: ExpectedKey | null): readonly Reading[] {
  const sums = map.names.map(() => ({ luminance: 0, cells: 0 }));
  map.label.forEach((label, place) => {
    const sum = sums[label];
    if (sum === undefined) return;
    sum.luminance += 2 ** (map.ev[place] as number);
    sum.cells++;
  });
  const isKey = (label: number): boolean => key !== null && key.incidentEv === null && map.names[label] === key.name;
  const incident =
    key === null || key.incidentEv === null
      ? []
      : [
          expectedReading('key', {
            ...{ name: key.name, kind: 'incident', ev100: key.incidentEv, tone: key.tone, isLamp: false, isKey: true },
          }),
        ];
  const surfaces = sums
    .map(({ luminance, cells }, label) => ({ label, cells, ev100: Math.log2(luminance / Math.max(1, cells)) }))
    .filter(({ cells }) => cells >= LEAST_SHARE * map.label.length)
    .sort((a, b) => Number(isKey(b.label)) - Number(isKey(a.label)) || b.cells - a.cells)
    .slice(0, MOST_TONES - incident.length)
    .map(({ label, ev100 }) =>
      expectedReading(`${label}`, {
        ...{ name: map.names[label] ?? '', kind: 'spot', ev100, isLamp: map.isLamp[label] === true },
        ...{ tone: isKey(label) ? (key as ExpectedKey).tone : null, isKey: isKey(label) },
      }),
    );
  return [...incident, ...surfaces];
}

/** The tones that a stop's frame is expected to have where it is painted from its light alone. */
export function expectedTones(frame: FrameOfStop): readonly Reading[] {
  const scene = sceneOfStop(frame);
  const [{ label, tone }] = scene.keys;
  return expectedOnMap(paintScene(scene, mapSizeOf(frame, SMALL_MAP.height)), { name: label, tone, incidentEv: null });
}
