import type { MeterPattern } from '@roam-dial/core/kit';
import {
  type LuminanceMap,
  type Medium,
  type MeteredFrame,
  prepareMap,
  renderMap,
  type Spot,
  spotOn,
} from '@roam-dial/core/metering';
import {
  factsOf,
  type KeyFound,
  type KeySurface,
  type LampLight,
  measureLamps,
  measureLight,
  type MeasuredLight,
  type MeasuredView,
  measureView,
  meterSight,
  frameSeenAt,
  type SightFacts,
  type SightInstant,
  type SightQuestion,
  type Taken,
  takenFrame,
  tintOf,
} from '@roam-dial/core/sight';
import { Lru } from '../../base/lru';

/** How a view is to be shown: on what, at which exposure, and with what marked. */
export interface SightShown {
  readonly medium: Medium;
  /** As its picture should come out: at the key's own tone, or at an exposure, EV at ISO 100; or as a pattern alone would have it. */
  readonly exposed: { readonly by: 'key' } | { readonly by: 'ev'; readonly ev100: number } | { readonly by: MeterPattern };
  /** The exposure where nothing of the key is in the frame, EV at ISO 100. */
  readonly elseEv: number;
  /** What it is about. */
  readonly key: { readonly surface: KeySurface; readonly tone: number; readonly offsetEv: number };
  /** What the body's straight picture holds over mid-grey, stops. */
  readonly straightOverEv: number;
  /** Marks what comes out white and black. */
  readonly isClippingMarked: boolean;
  /** Draws an edge round the key. */
  readonly isKeyMarked: boolean;
  /** Soft by distance and smeared as a camera would take it; as an eye sees it where it is left out. */
  readonly taken?: Taken;
  /** Whether the map itself is to come too. */
  readonly isMapWanted?: boolean;
}

/** A view cell by cell, for a bench to meter. */
export interface SightMap {
  readonly map: LuminanceMap;
  readonly key: (Pick<KeyFound, 'name' | 'tone' | 'readEv' | 'share' | 'at'> & { readonly cells: Uint8Array }) | null;
  /** Colour of the light by label, kelvin. */
  readonly kelvin: Readonly<Record<string, number>>;
}

/** Where one stands among what a place has. */
export type SightSpot = Pick<SightQuestion['site'], 'eastM' | 'northM' | 'groundM'>;
export type SightPlace = Omit<SightQuestion['site'], keyof SightSpot>;

export interface SightAsked {
  readonly kind: 'sight';
  /** The place that the worker has been told of under this name. */
  readonly place: string;
  readonly spot: SightSpot;
  readonly look: Omit<SightQuestion, 'site'>;
  readonly instant: Omit<SightInstant, 'lamps'>;
  readonly lamps: { readonly fullLux: number; readonly share: number };
  readonly shown: SightShown;
}

export type SightAsk = SightAsked | { readonly kind: 'place'; readonly place: string; readonly site: SightPlace };

/** The picture: 8 bit RGBA row by row, and what there is to be said of it. */
export interface SightDrawn {
  readonly width: number;
  readonly height: number;
  readonly pixels: Uint8ClampedArray<ArrayBuffer>;
  readonly facts: SightFacts;
  readonly metered: MeteredFrame;
  /** At which it is shown, EV at ISO 100. */
  readonly exposureEv: number;
  /** Where a spot is put, frame heights from the top left; null where nothing of the key is in the frame. */
  readonly spotAt: Spot | null;
  /** Where it was asked for. */
  readonly map?: SightMap;
}

interface Kept {
  readonly view: MeasuredView;
  readonly light: MeasuredLight;
  /** By their full light: made when they burn for the first time. */
  lamps: { readonly fullLux: number; readonly light: LampLight } | null;
}

/** Places that who asks counts on being known; twice as many are kept. */
export const MOST_PLACES = 6;
/** Views kept measured: some 95 bytes a cell, 4 MB at the size shown at rest, 1 MB for one of a strip. */
const MOST_VIEWS = { small: 60, large: 12 } as const;
const SMALL_CELLS = 10_000;
/** By day and at dusk all of the sky is brighter than what lamps put on a street, until here. */
const LAMPS_STRONGER_BELOW_DEG = -5;
/** What a camera takes for white in the sun, in shade alone, and under lamps, which it leaves warm. */
const WHITE_K = { sun: 5500, shade: 6800, lamps: 3400 } as const;
const HATCH = 6;

/** Views of places, each measured once: another minute is a matter of look-ups. */
export class SightJobs {
  private readonly places = new Lru<string, SightPlace>(2 * MOST_PLACES);
  private readonly small = new Lru<string, Kept>(MOST_VIEWS.small);
  private readonly large = new Lru<string, Kept>(MOST_VIEWS.large);

  *answer(ask: SightAsk): Generator<null, SightDrawn | null> {
    if (ask.kind === 'place') {
      this.places.set(ask.place, ask.site);
      return null;
    }
    const kept = this.keptFor(ask);
    if (kept === null) return null;
    // Whoever has asked for another view meanwhile does not wait for this one.
    yield null;
    return pictureOf(kept, ask);
  }

  private keptFor({ place, spot, look }: SightAsked): Kept | null {
    const key = JSON.stringify([place, spot, look]);
    const views = look.size.width * look.size.height <= SMALL_CELLS ? this.small : this.large;
    const known = views.get(key);
    if (known !== undefined) return known;
    const site = this.places.get(place);
    if (site === undefined) return null;
    const view = measureView({ ...look, site: { ...site, ...spot } });
    const kept: Kept = { view, light: measureLight(view), lamps: null };
    views.set(key, kept);
    return kept;
  }
}

function lampsOf(kept: Kept, { fullLux, share }: SightAsked['lamps']): SightInstant['lamps'] {
  if (share === 0 || fullLux === 0) return null;
  if (kept.lamps?.fullLux !== fullLux) kept.lamps = { fullLux, light: measureLamps(kept.view, kept.light, fullLux) };
  return { light: kept.lamps.light, share };
}

function exposureOf({ exposed, elseEv }: SightShown, { key, patterns }: MeteredFrame): number {
  if (exposed.by === 'ev') return exposed.ev100;
  if (exposed.by === 'key') return key?.exposureEv ?? elseEv;
  return patterns.find(({ pattern }) => pattern === exposed.by)?.readEv ?? elseEv;
}

function pictureOf(kept: Kept, { instant, lamps, shown }: SightAsked): SightDrawn {
  const sight = frameSeenAt(kept.view, kept.light, { ...instant, lamps: lampsOf(kept, lamps) });
  const { map, key, metered } = meterSight(kept.view, sight, { ...shown.key, straightOverEv: shown.straightOverEv });
  const { medium } = shown;
  const exposureEv = exposureOf(shown, metered);
  const { width, height, ev } = map;
  const { altitudeDeg } = instant.sun;
  const isByLamps = lamps.share > 0 && altitudeDeg < LAMPS_STRONGER_BELOW_DEG;
  const kelvin = tintOf(altitudeDeg, isByLamps) as Readonly<Record<string, number>>;
  const facts = factsOf(kept.view, sight, exposureEv, medium);
  const whiteBalanceK = isByLamps ? WHITE_K.lamps : facts.litGround === null ? WHITE_K.shade : WHITE_K.sun;
  const pixels = renderMap(shown.taken === undefined ? map : prepareMap(takenFrame(kept.view, sight, shown.taken)), {
    medium,
    exposureEv,
    whiteBalanceK,
    kelvin,
  });
  if (shown.isClippingMarked) markClipping(pixels, ev, width, medium, exposureEv);
  if (shown.isKeyMarked && key !== null) outline(pixels, width, key);
  const drawn = { width, height, pixels, facts, metered, exposureEv, spotAt: key === null ? null : spotOn(map, key) };
  return shown.isMapWanted === true ? { ...drawn, map: { map: sight.map, key: cellsOfKey(key, ev.length), kelvin } } : drawn;
}

function cellsOfKey(key: KeyFound | null, count: number): SightMap['key'] {
  if (key === null) return null;
  const { name, tone, readEv, share, at, has } = key;
  return { name, tone, readEv, share, at, cells: Uint8Array.from({ length: count }, (_, cell) => Number(has(cell))) };
}

/** The key's edge, in the colour of a selection. */
const EDGE = [207, 58, 29] as const;

function outline(pixels: SightDrawn['pixels'], width: number, { has }: Pick<KeyFound, 'has'>): void {
  const cells = pixels.length / 4;
  for (let cell = 0; cell < cells - width; cell++) {
    const isIn = has(cell);
    const isRowEnd = cell % width === width - 1;
    if ((!isRowEnd && isIn !== has(cell + 1)) || isIn !== has(cell + width)) pixels.set(EDGE, 4 * cell);
  }
}

/** White is dotted, black is hatched: shapes, because colours alone do not reach everybody. */
function markClipping(pixels: SightDrawn['pixels'], ev: Float32Array, width: number, medium: Medium, exposureEv: number): void {
  for (let cell = 0; cell < ev.length; cell++) {
    const stops = (ev[cell] as number) - exposureEv;
    const [row, column] = [Math.floor(cell / width), cell % width];
    if (stops > medium.overEv && row % 3 === 0 && column % 3 === 0) pixels.set([207, 58, 29], 4 * cell);
    else if (stops < -medium.underEv && (row + column) % HATCH === 0) pixels.set([120, 132, 156], 4 * cell);
  }
}

/** A picture's bytes are handed over, not copied. */
export function sightBuffersOf(answer: SightDrawn | null): Transferable[] {
  return answer === null ? [] : [answer.pixels.buffer];
}
