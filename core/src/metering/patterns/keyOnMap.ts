import type { SceneKey } from '../map/scene.js';
import type { Spot } from '../map/shapes.js';
import { evOfBin, type PreparedMap } from './prepareMap.js';

/** What a picture is about, found on a map. */
export interface KeyOnMap {
  /** Log2 of its mean luminance, EV. */
  readonly readEv: number;
  /** The exposure that puts it at its tone: `readEv` − tone. */
  readonly exposureEv: number;
  /** Share of the frame. */
  readonly share: number;
  /** The middle of it. */
  readonly at: Spot;
  readonly has: (place: number) => boolean;
}

/** From this EV up a cell belongs to the brighter half of a surface: the median of its bins. */
function medianEv({ bin, label }: PreparedMap, of: number): number {
  const counts = new Map<number, number>();
  let cells = 0;
  for (let place = 0; place < label.length; place++) {
    if (label[place] !== of) continue;
    const its = bin[place] as number;
    counts.set(its, (counts.get(its) ?? 0) + 1);
    cells++;
  }
  let below = 0;
  for (const its of [...counts.keys()].sort((a, b) => a - b)) {
    below += counts.get(its) as number;
    if (below * 2 >= cells) return evOfBin(its);
  }
  return -Infinity;
}

/** The key of a scene on its map; null where nothing of it is in the frame. */
export function keyOnMap(map: PreparedMap, { label, part, tone }: SceneKey): KeyOnMap | null {
  const of = map.names.indexOf(label);
  if (of < 0) return null;
  const fromEv = part === 'litHalf' ? medianEv(map, of) : -Infinity;
  const has = (place: number): boolean => map.label[place] === of && (map.ev[place] as number) >= fromEv;
  let [luminance, cells, x, y] = [0, 0, 0, 0];
  for (let place = 0; place < map.ev.length; place++) {
    if (!has(place)) continue;
    luminance += 2 ** (map.ev[place] as number);
    cells++;
    x += place % map.width;
    y += Math.floor(place / map.width);
  }
  if (cells === 0) return null;
  const readEv = Math.log2(luminance / cells);
  const at = { x: (x / cells + 0.5) / map.height, y: (y / cells + 0.5) / map.height };
  return { readEv, exposureEv: readEv - tone, share: cells / map.ev.length, at, has };
}
