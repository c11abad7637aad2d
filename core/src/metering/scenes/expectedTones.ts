import type { Reading } from '../../stop/index.js';
import { SMALL_MAP } from '../map/luminanceMap.js';
import { paintScene } from '../map/paintScene.js';
import { type FrameOfStop, mapSizeOf } from './frameOfStop.js';
import { sceneOfStop } from './ofStop.js';

/** Smaller parts of a frame are no tone of it (s). */
const LEAST_SHARE = 0.01;
const MOST_TONES = 6;

/**
 * The tones that a stop's own frame is expected to have, as readings that nobody has taken: the mean luminance of each surface of
 * the frame that fills a hundredth of it or more, the key first, then by size, six at most. EV at ISO 100.
 */
export function expectedTones(frame: FrameOfStop): readonly Reading[] {
  const scene = sceneOfStop(frame);
  const [key] = scene.keys;
  const map = paintScene(scene, mapSizeOf(frame, SMALL_MAP.height));
  const sums = map.names.map(() => ({ luminance: 0, cells: 0 }));
  map.label.forEach((label, place) => {
    const sum = sums[label];
    if (sum === undefined) return;
    sum.luminance += 2 ** (map.ev[place] as number);
    sum.cells++;
  });
  return sums
    .map(({ luminance, cells }, label) => ({ label, cells, ev100: Math.log2(luminance / Math.max(1, cells)) }))
    .filter(({ cells }) => cells >= LEAST_SHARE * map.label.length)
    .sort((a, b) => Number(map.names[b.label] === key.label) - Number(map.names[a.label] === key.label) || b.cells - a.cells)
    .slice(0, MOST_TONES)
    .map(({ label, ev100 }): Reading => {
      const name = map.names[label] ?? '';
      const isKey = name === key.label;
      const tone = isKey ? key.tone : null;
      const isLamp = map.isLamp[label] === true;
      return { id: `expected-${label}`, name, kind: 'spot', ev100, tone, takenMs: 0, isLetGo: false, isLamp, isKey };
    });
}
