import { evOfLux } from '../light/index.js';
import { type KeyOnMap, meterFrame, type MeteredFrame, prepareMap, type PreparedMap } from '../metering/index.js';
import { RAD_PER_DEG } from '../units/index.js';
import { LABEL, type SightLabel } from './labels.js';
import type { MeasuredView } from './measured.js';
import { SEEN } from './seen.js';
import type { Sight } from './sight.js';

/** What of a view its picture is about. */
export type KeySurface = 'person' | 'pool' | 'sunlit ground' | 'level' | 'wall' | 'sky' | 'anySky' | 'screen';

/** The key of a view: where it is, what it reads and how it is called; or that nothing of it is in this frame. */
export type KeyFound = KeyOnMap & {
  readonly name: string;
  readonly tone: number;
  /** Where the light is read and not a surface, EV at ISO 100. */
  readonly incidentEv: number | null;
};

/** A pool of light is looked for this near. */
const POOL_WITHIN_M = 12;
const SKY = { withinDeg: 12, underSlope: 0.12 } as const;
/** Less of a wall than this is not its lit part. */
const LEAST_LIT_SHARE = 0.02;

type IsKey = (cell: number) => boolean;

/** The wall that most cells of the frame's middle half meet; −1 for none. */
function wallMetMost({ edge, kind, question: { size } }: MeasuredView): number {
  const counts = new Map<number, number>();
  for (let cell = 0; cell < kind.length; cell++) {
    const column = cell % size.width;
    if (kind[cell] !== SEEN.wall || column < size.width / 4 || column >= (3 * size.width) / 4) continue;
    const its = edge[cell] as number;
    counts.set(its, (counts.get(its) ?? 0) + 1);
  }
  const [most] = [...counts].sort((a, b) => b[1] - a[1] || a[0] - b[0]);
  return most?.[0] ?? -1;
}

function isPlaster(view: MeasuredView, { label }: Sight['map']): { readonly name: SightLabel; readonly has: IsKey } {
  const wall = wallMetMost(view);
  const of = (name: SightLabel): IsKey => {
    return (cell) => view.edge[cell] === wall && wall >= 0 && label[cell] === LABEL[name];
  };
  const [lit, shaded] = [of('lit walls'), of('walls')];
  let [litCells, cells] = [0, 0];
  for (let cell = 0; cell < label.length; cell++) {
    if (lit(cell)) litCells++;
    if (lit(cell) || shaded(cell)) cells++;
  }
  return litCells > LEAST_LIT_SHARE * cells ? { name: 'lit walls', has: lit } : { name: 'walls', has: shaded };
}

interface Wanted {
  readonly name: string;
  readonly has: IsKey;
  /** Lux of the light that is read in place of a surface. */
  readonly lux: number | null;
}

function wantedOf(view: MeasuredView, sight: Sight, surface: KeySurface): Wanted {
  const { label } = sight.map;
  const isOf = (...names: readonly SightLabel[]): IsKey => {
    const numbers = names.map((name) => LABEL[name]);
    return (cell) => numbers.includes(label[cell] as number);
  };
  const isNear: IsKey = (cell) => (view.distanceM[cell] as number) < POOL_WITHIN_M;
  const [litGround, ground] = [isOf('lit ground'), isOf('ground', 'lit ground')];
  switch (surface) {
    case 'person':
      return { name: 'light on the person', has: isOf('coat', 'skin'), lux: sight.frontLux };
    case 'pool':
      return { name: 'light in the pool', has: (cell) => litGround(cell) && isNear(cell), lux: sight.sunlitLux };
    case 'level':
      return { name: 'light on the street', has: (cell) => ground(cell) && isNear(cell), lux: sight.levelLux };
    case 'sunlit ground':
      return { name: 'lit ground', has: litGround, lux: null };
    case 'wall':
      return { ...isPlaster(view, sight.map), lux: null };
    case 'screen':
      return { name: 'screen', has: isOf('screen'), lux: null };
    case 'anySky':
    case 'sky': {
      const sky = isOf('sky');
      const isLow: IsKey = (cell) => sky(cell) && (view.slope[cell] as number) < SKY.underSlope;
      const within = SKY.withinDeg * RAD_PER_DEG;
      return {
        name: 'sky',
        has: (cell) => (surface === 'anySky' ? sky(cell) : isLow(cell)) && Math.abs(view.off[cell] as number) <= within,
        lux: null,
      };
    }
  }
}

/**
 * The key of a view by what its picture is about: people by the light on their front, a pool by the light of the sunlit ground
 * within 12 m, a façade by its lit plaster, a sky by what stands low in the middle 24°, the rest by their own mean. Null where
 * nothing of it is in the frame. Source: docs/formulas.md#the-key-of-a-view.
 */
export function keyOfSight(
  view: MeasuredView,
  sight: Sight,
  { surface, tone, offsetEv = 0 }: { readonly surface: KeySurface; readonly tone: number; readonly offsetEv?: number },
): KeyFound | null {
  const { width, height, ev } = sight.map;
  const { name, has, lux } = wantedOf(view, sight, surface);
  let [luminance, cells, x, y] = [0, 0, 0, 0];
  for (let cell = 0; cell < ev.length; cell++) {
    if (!has(cell)) continue;
    luminance += 2 ** (ev[cell] as number);
    cells++;
    x += cell % width;
    y += Math.floor(cell / width);
  }
  if (cells === 0) return null;
  const incidentEv = lux === null ? null : evOfLux(lux) + offsetEv;
  const readEv = incidentEv ?? Math.log2(luminance / cells);
  return {
    ...{ name, tone, incidentEv, readEv, has },
    exposureEv: readEv - tone,
    share: cells / ev.length,
    at: { x: (x / cells + 0.5) / height, y: (y / cells + 0.5) / height },
  };
}

/** Where one focuses when there is nothing else to focus on: the person's chest, else the middle of the frame. */
function chestOn({ width, height, label }: PreparedMap): { readonly x: number; readonly y: number } {
  let [cells, x, y] = [0, 0, 0];
  for (let cell = 0; cell < label.length; cell++) {
    if (label[cell] !== LABEL.coat) continue;
    cells++;
    x += cell % width;
    y += Math.floor(cell / width);
  }
  if (cells === 0) return { x: width / height / 2, y: 0.5 };
  return { x: (x / cells + 0.5) / height, y: (y / cells + 0.5) / height };
}

/** What a body's patterns make of a view, with its key, or without where nothing of it is in the frame. */
export function meterSight(
  view: MeasuredView,
  sight: Sight,
  {
    straightOverEv,
    ...of
  }: {
    readonly surface: KeySurface;
    readonly tone: number;
    readonly offsetEv?: number;
    /** What the body's straight picture holds over mid-grey, stops. */
    readonly straightOverEv: number;
  },
): { readonly metered: MeteredFrame; readonly key: KeyFound | null; readonly map: PreparedMap } {
  const map = prepareMap(sight.map);
  const key = keyOfSight(view, sight, of);
  return { map, key, metered: meterFrame(map, key, { focus: key?.at ?? chestOn(map), straightOverEv }) };
}
