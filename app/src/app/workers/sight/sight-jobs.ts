import { type Medium, prepareMap, renderMap } from '@roam-dial/core/metering';
import {
  factsOf,
  type LampLight,
  measureLamps,
  measureLight,
  type MeasuredLight,
  type MeasuredView,
  measureView,
  frameSeenAt,
  type SightFacts,
  type SightInstant,
  type SightQuestion,
  tintOf,
} from '@roam-dial/core/sight';
import { Lru } from '../../base/lru';

/** How a view is to be shown: on what, at which exposure, and with what marked. */
export interface SightShown {
  readonly medium: Medium;
  /** EV at ISO 100. */
  readonly exposureEv: number;
  /** Marks what comes out white and black. */
  readonly isClippingMarked: boolean;
}

export interface SightAsked {
  readonly kind: 'sight';
  /** The place that the worker has been told of under this name. */
  readonly place: string;
  readonly look: Omit<SightQuestion, 'site'>;
  readonly instant: Omit<SightInstant, 'lamps'>;
  readonly lamps: { readonly fullLux: number; readonly share: number };
  readonly shown: SightShown;
}

export type SightAsk = SightAsked | { readonly kind: 'place'; readonly place: string; readonly site: SightQuestion['site'] };

/** The picture: 8 bit RGBA row by row, and what there is to be said of it. */
export interface SightDrawn {
  readonly width: number;
  readonly height: number;
  readonly pixels: Uint8ClampedArray<ArrayBuffer>;
  readonly facts: SightFacts;
}

interface Kept {
  readonly view: MeasuredView;
  readonly light: MeasuredLight;
  /** By their full light: made when they burn for the first time. */
  lamps: { readonly fullLux: number; readonly light: LampLight } | null;
}

/** Places that who asks counts on being known; twice as many are kept. */
export const MOST_PLACES = 12;
/** Views kept measured; 4 MB each at the size shown at rest. */
const MOST_VIEWS = 24;
/** By day and at dusk all of the sky is brighter than what lamps put on a street, until here. */
const LAMPS_STRONGER_BELOW_DEG = -5;
/** What a camera takes for white in the sun, in shade alone, and under lamps, which it leaves warm. */
const WHITE_K = { sun: 5500, shade: 6800, lamps: 3400 } as const;
const HATCH = 6;

/** Views of places, each measured once: another minute is a matter of look-ups. */
export class SightJobs {
  private readonly places = new Lru<string, SightQuestion['site']>(2 * MOST_PLACES);
  private readonly views = new Lru<string, Kept>(MOST_VIEWS);

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

  private keptFor({ place, look }: SightAsked): Kept | null {
    const key = JSON.stringify([place, look]);
    const known = this.views.get(key);
    if (known !== undefined) return known;
    const site = this.places.get(place);
    if (site === undefined) return null;
    const view = measureView({ ...look, site });
    const kept: Kept = { view, light: measureLight(view), lamps: null };
    this.views.set(key, kept);
    return kept;
  }
}

function lampsOf(kept: Kept, { fullLux, share }: SightAsked['lamps']): SightInstant['lamps'] {
  if (share === 0 || fullLux === 0) return null;
  if (kept.lamps?.fullLux !== fullLux) kept.lamps = { fullLux, light: measureLamps(kept.view, kept.light, fullLux) };
  return { light: kept.lamps.light, share };
}

function pictureOf(kept: Kept, { instant, lamps, shown }: SightAsked): SightDrawn {
  const sight = frameSeenAt(kept.view, kept.light, { ...instant, lamps: lampsOf(kept, lamps) });
  const { medium, exposureEv, isClippingMarked } = shown;
  const { width, height, ev } = sight.map;
  const { altitudeDeg } = instant.sun;
  const isByLamps = lamps.share > 0 && altitudeDeg < LAMPS_STRONGER_BELOW_DEG;
  const kelvin = tintOf(altitudeDeg, isByLamps) as Readonly<Record<string, number>>;
  const facts = factsOf(kept.view, sight, exposureEv, medium);
  const whiteBalanceK = isByLamps ? WHITE_K.lamps : facts.litGround === null ? WHITE_K.shade : WHITE_K.sun;
  const pixels = renderMap(prepareMap(sight.map), { medium, exposureEv, whiteBalanceK, kelvin });
  if (isClippingMarked) markClipping(pixels, ev, width, shown);
  return { width, height, pixels, facts };
}

/** White is dotted, black is hatched: shapes, because colours alone do not reach everybody. */
function markClipping(pixels: SightDrawn['pixels'], ev: Float32Array, width: number, { medium, exposureEv }: SightShown): void {
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
