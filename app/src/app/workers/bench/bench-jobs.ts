import type { Body, MeterPattern } from '@roam-dial/core/kit';
import {
  answerOf,
  type KeptWorth,
  keptWorth,
  keyOnMap,
  type KeyOnMap,
  keyUnderSpot,
  type LuminanceMap,
  type Medium,
  mixedLightOf,
  paintScene,
  type PatternAnswer,
  type Photograph,
  photographMap,
  type PreparedMap,
  prepareMap,
  renderMap,
  type SceneDescription,
  type Spot,
  spotOn,
  type ToneHistogram,
  toneHistogram,
  zoneEvs,
} from '@roam-dial/core/metering';
import type { PlacementMethod } from '@roam-dial/core/stop';
import { Lru } from '../../base/lru';
import type { SightMap } from '../sight/sight-jobs';

/** A scene that is described, or a photograph that the bench has been told of. */
export type BenchSource =
  | { readonly kind: 'described'; readonly scene: SceneDescription; readonly width: number; readonly height: number }
  | { readonly kind: 'photo'; readonly id: string }
  /** What a frame will see, which the bench has been told of; `scene` is how its light changes. */
  | { readonly kind: 'seen'; readonly id: string; readonly scene: SceneDescription };

/** What the picture is about: one of the scene's own keys, or what lies under the spot. */
export type BenchKey = { readonly kind: 'own'; readonly place: number } | { readonly kind: 'spot' };

export interface BenchMeter {
  readonly kind: 'meter';
  readonly source: BenchSource;
  readonly key: BenchKey;
  /** Null: as the scene has it. */
  readonly tone: number | null;
  /** Null: where the spot has the most of the key. */
  readonly at: Spot | null;
  readonly pattern: MeterPattern;
  readonly patterns: readonly MeterPattern[];
  readonly school: PlacementMethod;
  readonly medium: Medium;
  readonly body: Pick<Body, 'straightOverEv' | 'markStep'>;
  readonly whiteBalanceK: number;
  /** Whatever is in the bag, to be told what it would lose. */
  readonly media: readonly Medium[];
}

export type BenchQuestion =
  | BenchMeter
  | { readonly kind: 'seen'; readonly id: string; readonly seen: SightMap }
  | { readonly kind: 'photo'; readonly id: string; readonly photograph: Photograph };

/** The frame at an exposure: its picture, and what it loses. */
export interface BenchFrame {
  readonly exposureEv: number;
  readonly pixels: Uint8ClampedArray<ArrayBuffer>;
  readonly histogram: ToneHistogram;
}

export interface BenchAnswer {
  readonly width: number;
  readonly height: number;
  readonly at: Spot;
  readonly key: Pick<KeyOnMap, 'readEv' | 'exposureEv' | 'share' | 'at'> & { readonly tone: number };
  readonly answers: readonly PatternAnswer[];
  /** EV of the zones of the multi-zone pattern. */
  readonly zones: readonly number[];
  /** As the pattern gives it, and as it should be. */
  readonly before: BenchFrame;
  readonly after: BenchFrame;
  /** What each medium would lose at the exposure that should be, in their order. */
  readonly lost: readonly Pick<ToneHistogram, 'beyondBlack' | 'beyondWhite'>[];
  /** What each way of keeping the exposure is worth while the scene's light changes; null where it is steady. */
  readonly kept: KeptWorth | null;
}

/** How far off an exposure may be here: what the card counts as well exposed. */
const TOLERANCE = { underEv: 1 / 3, overEv: 2 / 3, fadeEv: 1 };
const MOST_MAPS = 6;
const MOST_PHOTOS = 2;
const MOST_SEEN = 4;
const MIDDLE = 0.5;

/** Paints scenes once, and meters them as often as one asks. */
export class BenchJobs {
  private readonly maps = new Lru<string, PreparedMap>(MOST_MAPS);
  private readonly photos = new Lru<string, PreparedMap>(MOST_PHOTOS);
  private readonly seen = new Lru<string, SightMap & { readonly prepared: PreparedMap }>(MOST_SEEN);
  private readonly keys = new Lru<string, KeyOnMap | null>(MOST_MAPS);

  *answer(question: BenchQuestion): Generator<null, BenchAnswer | null> {
    yield null;
    if (question.kind === 'photo') {
      this.photos.set(question.id, prepareMap(photographMap(question.photograph)));
      return null;
    }
    if (question.kind === 'seen') {
      this.seen.set(question.id, { ...question.seen, prepared: prepareMap(question.seen.map) });
      return null;
    }
    return this.meter(question);
  }

  private meter(question: BenchMeter): BenchAnswer | null {
    const { source, pattern, patterns, school, medium, media, body, whiteBalanceK } = question;
    const map = this.mapOf(source);
    if (map === null) return null;
    const found = this.keyOf(question, map);
    if (found === null) return null;
    const { key, at, tone } = found;
    const answers = patterns.map((one) => answerOf(map, key, { pattern: one, at, body, school, medium }));
    const chosen = answers.find((one) => one.pattern === pattern) ?? answers[0];
    const kelvin = this.kelvinOf(source);
    const frameAt = (exposureEv: number): BenchFrame => ({
      exposureEv,
      pixels: renderMap(map, { medium, exposureEv, whiteBalanceK: source.kind === 'photo' ? null : whiteBalanceK, kelvin }),
      histogram: toneHistogram(map.histogram, medium, exposureEv),
    });
    const { readEv, exposureEv, share } = key;
    return {
      width: map.width,
      height: map.height,
      at,
      key: { readEv, exposureEv, share, at: key.at, tone },
      answers,
      zones: zoneEvs(map),
      before: frameAt(chosen?.readEv ?? exposureEv),
      after: frameAt(exposureEv),
      lost: media.map((one) => toneHistogram(map.histogram, one, exposureEv)),
      kept: this.keptOf(question, tone),
    };
  }

  private kelvinOf(source: BenchSource): Readonly<Record<string, number>> {
    if (source.kind === 'described') return source.scene.kelvin;
    return source.kind === 'seen' ? (this.seen.get(source.id)?.kelvin ?? {}) : {};
  }

  private mapOf(source: BenchSource): PreparedMap | null {
    if (source.kind === 'seen') return this.seen.get(source.id)?.prepared ?? null;
    if (source.kind === 'photo') return this.photos.get(source.id) ?? null;
    const name = nameOfMap(source);
    const known = this.maps.get(name);
    if (known !== undefined) return known;
    const painted: LuminanceMap = paintScene(source.scene, source);
    const map = prepareMap(painted);
    this.maps.set(name, map);
    return map;
  }

  private keyOf({ source, key, tone, at }: BenchMeter, map: PreparedMap): { key: KeyOnMap; at: Spot; tone: number } | null {
    const aspect = map.width / map.height;
    const its = source.kind === 'seen' ? this.keySeen(source.id, tone) : null;
    if (its !== null && key.kind === 'own') return { ...its, at: at ?? spotOn(map, its.key) };
    if (source.kind !== 'described' || key.kind === 'spot') {
      const spot = at ?? { x: aspect / 2, y: MIDDLE };
      return { key: keyUnderSpot(map, spot, tone ?? 0), at: spot, tone: tone ?? 0 };
    }
    const own = source.scene.keys[key.place] ?? source.scene.keys[0];
    const name = `${nameOfMap(source)}/${own.label}/${own.part}`;
    const known = this.keys.get(name);
    const found = known === undefined ? keyOnMap(map, own) : known;
    this.keys.set(name, found);
    if (found === null) return null;
    const wanted = tone ?? own.tone;
    const placed = { ...found, exposureEv: found.readEv - wanted };
    return { key: placed, at: at ?? spotOn(map, placed), tone: wanted };
  }

  /** The key of a view, at a tone; null where nothing of it is in the frame. */
  private keySeen(id: string, tone: number | null): { readonly key: KeyOnMap; readonly tone: number } | null {
    const key = this.seen.get(id)?.key ?? null;
    if (key === null) return null;
    const { cells, name: _, tone: own, ...found } = key;
    const wanted = tone ?? own;
    return { key: { ...found, exposureEv: found.readEv - wanted, has: (place) => cells[place] === 1 }, tone: wanted };
  }

  private keptOf({ source, key }: BenchMeter, tone: number): KeptWorth | null {
    if (source.kind === 'photo' || source.scene.changes === 'steady') return null;
    const { scene } = source;
    const own = scene.keys[key.kind === 'own' ? key.place : 0] ?? scene.keys[0];
    const mixed = mixedLightOf(scene, own);
    return mixed === null ? null : keptWorth(scene.changes, { ...mixed, tone, tolerance: TOLERANCE });
  }
}

function nameOfMap({ scene, width, height }: Extract<BenchSource, { kind: 'described' }>): string {
  return `${width}x${height} ${JSON.stringify(scene)}`;
}

/** Pictures are handed over, not copied. */
export function buffersOfBench(answer: BenchAnswer | null): ArrayBuffer[] {
  return answer === null ? [] : [answer.before.pixels.buffer, answer.after.pixels.buffer];
}
