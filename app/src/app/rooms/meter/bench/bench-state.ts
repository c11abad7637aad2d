import { computed, inject, Injectable, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { METER_PATTERNS, type MeterPattern } from '@roam-dial/core/kit';
import {
  BUILT_IN_SCENES,
  FULL_MAP,
  mapSizeOf,
  type SceneDescription,
  type SceneKey,
  sceneOfStop,
  type Spot,
} from '@roam-dial/core/metering';
import { frameOf } from '@roam-dial/core/setup';
import { distinctUntilChanged, filter, map, of, switchMap, tap } from 'rxjs';
import { sightOfCard } from '../../../state/card/card.store';
import { WorkspaceStore } from '../../../state/workspace/workspace.store';
import { SAME_SIGHT, sightKey } from '../../../state/sight/sight-wanted';
import type { SightMap } from '../../../workers/sight/sight-jobs';
import { SightClient } from '../../../workers/sight/sight.client';
import type { BenchMeter, BenchSource } from '../../../workers/bench/bench-jobs';
import { BenchClient } from '../../../workers/bench/bench.client';
import { type BenchPhoto, readPhotograph } from './photograph';
import { MeterState } from '../meter-state';

/** The scene that is metered: the stop's own, one that ships, or the person's photograph. */
export type SceneChoice = string;
export const OWN_STOP: SceneChoice = 'stop';
export const PHOTO: SceneChoice = 'photo';
/** What lies under the spot is the key. */
export const UNDER_SPOT = 'spot';

const FIRST_WHITE_K = 5500;
const HALF = 0.5;

/** What lies on the bench, and what the worker says of it. Nothing of it is stored. */
@Injectable()
export class BenchState {
  private readonly meter = inject(MeterState);
  private readonly client = inject(BenchClient);
  private readonly workspace = toSignal(inject(WorkspaceStore).workspace$);
  private readonly sights = inject(SightClient);

  readonly choice = signal<SceneChoice>(OWN_STOP);
  readonly keyPlace = signal<number | typeof UNDER_SPOT>(0);
  /** Null: as the scene has it. */
  readonly tone = signal<number | null>(null);
  readonly at = signal<Spot | null>(null);
  readonly pattern = signal<MeterPattern>('wholeFrame');
  readonly whiteBalanceK = signal(FIRST_WHITE_K);
  readonly split = signal(HALF);
  readonly photo = signal<BenchPhoto | null>(null);
  readonly problem = signal<string | null>(null);

  /** The described scene on the bench; null for a photograph. */
  readonly scene = computed<SceneDescription | null>(() => {
    const choice = this.choice();
    if (choice === PHOTO) return null;
    const card = this.meter.card();
    if (choice !== OWN_STOP) return BUILT_IN_SCENES.find(({ id }) => id === choice) ?? null;
    if (card === null) return null;
    return sceneOfStop(frameOf(card.input));
  });

  /** What the stop's frame will see, once it is drawn; null where no walls are known. */
  private readonly wantedSight = computed(() => {
    const card = this.meter.card();
    if (this.choice() !== OWN_STOP || card === null || card.seen === null) return null;
    const workspace = this.workspace();
    return workspace === undefined ? null : sightOfCard(workspace, card);
  }, SAME_SIGHT);
  readonly seen = toSignal<{ readonly id: string; readonly seen: SightMap } | null>(
    toObservable(this.wantedSight).pipe(
      switchMap((wanted) =>
        wanted === null
          ? of(null)
          : this.sights.whole(wanted).pipe(
              map((drawn) => (drawn?.map === undefined ? null : { id: sightKey(wanted), seen: drawn.map })),
              tap((found) => found !== null && this.client.useSeen(found.id, found.seen)),
            ),
      ),
    ),
    { initialValue: null },
  );

  /** What the frame on the bench may be about, the first first. */
  readonly keys = computed<readonly SceneKey[]>(() => {
    const [seen, scene] = [this.seen(), this.scene()];
    if (scene?.id !== OWN_STOP || seen === null) return scene?.keys ?? [];
    const { key } = seen.seen;
    return key === null ? [] : [{ label: key.name, part: 'all', tone: key.tone }];
  });
  /** Of a frame with nothing of its key in it, what lies under the spot. */
  readonly keyShown = computed(() => (this.scene() !== null && this.keys().length === 0 ? UNDER_SPOT : this.keyPlace()));
  /** The lights of what is on the bench by label, kelvin; null for a photograph, which does not say. */
  readonly lights = computed<{ readonly kelvin: Readonly<Record<string, number>>; readonly labels: readonly string[] } | null>(
    () => {
      const [seen, scene] = [this.seen(), this.scene()];
      if (scene === null) return null;
      if (scene.id === OWN_STOP && seen !== null) {
        const { map: cells, kelvin } = seen.seen;
        const found = new Set(cells.label);
        return { kelvin, labels: cells.names.filter((_, label) => found.has(label)) };
      }
      const fills = scene.layers.flatMap((layer) => (layer.kind === 'fill' ? [layer.label] : []));
      return { kelvin: scene.kelvin, labels: [...new Set(fills)] };
    },
  );

  private readonly source = computed<BenchSource | null>(() => {
    const [scene, card, photo, seen] = [this.scene(), this.meter.card(), this.photo(), this.seen()];
    if (scene === null) return photo === null ? null : { kind: 'photo', id: photo.id };
    if (scene.id === OWN_STOP && seen !== null) return { kind: 'seen', id: seen.id, scene };
    const size = scene.id === OWN_STOP && card !== null ? mapSizeOf(card.input, FULL_MAP.height) : FULL_MAP;
    return { kind: 'described', scene, ...size };
  });

  private readonly question = computed<BenchMeter | null>(() => {
    const [source, card, medium] = [this.source(), this.meter.card(), this.meter.medium()];
    if (source === null || card === null || medium === null) return null;
    const place = this.keyShown();
    return {
      kind: 'meter',
      source,
      key: place === UNDER_SPOT ? { kind: 'spot' } : { kind: 'own', place },
      tone: this.tone(),
      at: this.at(),
      pattern: this.pattern(),
      patterns: METER_PATTERNS,
      school: this.meter.metering().school,
      medium,
      body: card.kit.body,
      whiteBalanceK: this.whiteBalanceK(),
      media: this.meter.mediaAtHand().map((one) => one.medium),
    };
  });

  private readonly answer$ = this.client.answers(
    toObservable(this.question).pipe(
      filter((question) => question !== null),
      distinctUntilChanged((a, b) => JSON.stringify(a) === JSON.stringify(b)),
    ),
  );
  readonly answer = toSignal(this.answer$, { initialValue: null });

  choose(choice: SceneChoice): void {
    this.choice.set(choice);
    this.keyPlace.set(choice === PHOTO ? UNDER_SPOT : 0);
    this.tone.set(null);
    this.at.set(null);
  }

  chooseKey(place: number | typeof UNDER_SPOT): void {
    this.keyPlace.set(place);
    this.tone.set(null);
    this.at.set(place === UNDER_SPOT ? (this.answer()?.at ?? null) : null);
  }

  /** Takes a photograph for the scene; why not, where it cannot be. */
  async usePhoto(file: File): Promise<void> {
    this.problem.set(null);
    const read = await readPhotograph(file);
    if (!read.ok) {
      this.problem.set(read.message);
      return;
    }
    this.client.usePhoto(read.photo.id, read.photo.photograph);
    this.photo.set(read.photo);
    this.choose(PHOTO);
  }
}
