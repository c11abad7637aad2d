import type { SceneKey } from '../map/scene.js';
import type { Spot } from '../map/shapes.js';
import { patternEv, spotRadius, spotShareOf } from './patterns.js';
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

/** What lies under a spot, taken for the key. */
export function keyUnderSpot(map: PreparedMap, at: Spot, tone: number): KeyOnMap {
  const readEv = patternEv(map, { pattern: 'spot', at, straightOverEv: 0 });
  const radius = spotRadius(map);
  const has = (place: number): boolean => {
    const [x, y] = [((place % map.width) + 0.5) / map.height, (Math.floor(place / map.width) + 0.5) / map.height];
    return (x - at.x) ** 2 + (y - at.y) ** 2 <= radius ** 2;
  };
  return { readEv, exposureEv: readEv - tone, share: (Math.PI * radius ** 2) / (map.width / map.height), at, has };
}

/** Places across and down that are tried for a spot. */
const TRIED_ACROSS = 24;
const TRIED_DOWN = 16;
/** As good as all of it. */
const ALL_OF_IT = 0.985;
/** Rows of a map of which every cell is looked at; of finer ones every second, third... */
const ROWS_LOOKED_AT = 136;

/** Where a spot has the most of a key: of places that have as good as all of it, the nearest to its middle. */
export function spotOn(map: PreparedMap, key: Pick<KeyOnMap, 'at' | 'has'>): Spot {
  const aspect = map.width / map.height;
  const every = Math.max(1, Math.round(map.height / ROWS_LOOKED_AT));
  const tried = Array.from({ length: TRIED_ACROSS * TRIED_DOWN }, (_, k) => ({
    x: (((k % TRIED_ACROSS) + 0.5) / TRIED_ACROSS) * aspect,
    y: (Math.floor(k / TRIED_ACROSS) + 0.5) / TRIED_DOWN,
  }));
  const found = [key.at, ...tried].map((at) => ({
    at,
    share: Math.min(ALL_OF_IT, spotShareOf(map, at, key.has, { every })),
    away: Math.hypot(at.x - key.at.x, at.y - key.at.y),
  }));
  return found.reduce((best, one) => (one.share > best.share || (one.share === best.share && one.away < best.away) ? one : best))
    .at;
}
