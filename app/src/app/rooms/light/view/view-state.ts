import { computed, inject, Injectable, linkedSignal, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import type { MeterPattern } from '@roam-dial/core/kit';
import { kitInHand } from '@roam-dial/core/plan';
import type { SightFrame } from '@roam-dial/core/sight';
import type { Stop } from '@roam-dial/core/stop';
import { filter } from 'rxjs';
import { CardStore } from '../../../state/card/card.store';
import { takenBy } from '../../../state/card/taken-by';
import { frameOfStop, placeOfSight, type PlaceOfSight, SAME_SIGHT, sightWanted } from '../../../state/sight/sight-wanted';
import type { SightDrawn } from '../../../workers/sight/sight-jobs';
import { SightClient, type SightWanted } from '../../../workers/sight/sight.client';
import { LightState } from '../light-state';

interface Place extends PlaceOfSight {
  /** Buildings nearby, and of how many the height is assumed. */
  readonly heights: { readonly assumed: number; readonly all: number };
}

const NEAR_M = 150;

const SAME_CONTENT = { equal: (a: unknown, b: unknown): boolean => JSON.stringify(a) === JSON.stringify(b) };

/** The selected stop as its frame sees it: at the time handle, with what is switched on, and the picture as it comes. */
@Injectable()
export class ViewState {
  private readonly room = inject(LightState);
  private readonly client = inject(SightClient);
  private readonly card = toSignal(inject(CardStore).card$);

  private readonly kit = computed(() => {
    const [workspace, walk, stop] = [this.room.workspace(), this.room.walk(), this.room.stop()];
    return workspace === undefined || walk === null || stop === null ? null : kitInHand(workspace.kit, walk, stop);
  });
  private readonly stopId = computed(() => this.room.stop()?.id ?? null);
  /** As the stop's camera is held; what is changed here is for looking, and goes with the stop that one leaves. */
  private readonly held = computed<SightFrame>(() => frameOfStop(this.kit(), this.room.stop()), SAME_CONTENT);
  readonly frame = linkedSignal<{ stopId: string | null; held: SightFrame }, SightFrame>({
    source: () => ({ stopId: this.stopId(), held: this.held() }),
    computation: ({ held }) => held,
  });
  /** Which way one looks; the stop's own until one turns. */
  readonly bearingDeg = linkedSignal<{ stopId: string | null; bearingDeg: number }, number>({
    source: () => ({ stopId: this.stopId(), bearingDeg: this.room.stop()?.shootingBearingDeg ?? 0 }),
    computation: ({ bearingDeg }) => bearingDeg,
  });
  readonly isTurned = computed(() => this.bearingDeg() !== this.room.stop()?.shootingBearingDeg);
  readonly isChanged = computed(() => this.isTurned() || !SAME_CONTENT.equal(this.frame(), this.held()));
  /** Somebody stands there where people pass, until it is switched. */
  readonly hasPerson = linkedSignal<{ stopId: string | null; isPassed: boolean }, boolean>({
    source: () => ({ stopId: this.stopId(), isPassed: (this.room.stop()?.movers.passersPerMinute ?? 0) > 0 }),
    computation: ({ isPassed }) => isPassed,
  });
  readonly isClippingMarked = signal(false);
  readonly isKeyMarked = signal(false);
  /** As the card's set-up takes it: soft by distance, the walker smeared, at its own exposure. */
  readonly isAsTaken = signal(false);
  /** The pattern that is drawn over it. */
  readonly pattern = signal<MeterPattern | null>(null);
  readonly isLarge = signal(false);

  readonly place = computed<Place | null>(() => {
    const [workspace, walk, stop] = [this.room.workspace(), this.room.walk(), this.room.stop()];
    if (workspace === undefined || walk === null || stop === null) return null;
    const place = placeOfSight(workspace, walk, stop);
    const { eastM, northM } = place.spot;
    const near = (this.room.district()?.buildings ?? []).filter(({ footprint }) => {
      const [x, y] = footprint[0] ?? [Infinity, Infinity];
      return Math.hypot(x - eastM, y - northM) <= NEAR_M;
    });
    const assumed = near.filter(({ heightSource }) => heightSource === 'assumed').length;
    return { ...place, heights: { assumed, all: near.length } };
  });

  private readonly wanted = computed<SightWanted | null>(() => {
    const [walk, stop, place, light] = [this.room.walk(), this.room.stop(), this.place(), this.room.light()];
    if (walk === null || stop === null || place === null || light === null) return null;
    const wanted = sightWanted(place, walk, stop, this.room.minute(), { kit: this.kit(), light });
    if (wanted === null) return null;
    const { look, shown } = wanted;
    return {
      ...wanted,
      look: {
        ...look,
        bearingDeg: this.bearingDeg(),
        frame: this.frame(),
        personM: this.hasPerson() ? stop.subject.medianM : null,
      },
      shown: {
        ...shown,
        ...this.taken(stop),
        isClippingMarked: this.isClippingMarked(),
        isKeyMarked: this.isKeyMarked(),
      },
      isLarge: this.isLarge(),
    };
  }, SAME_SIGHT);

  readonly picture = toSignal<SightDrawn | null>(
    this.client.pictures(toObservable(this.wanted).pipe(filter((wanted) => wanted !== null))),
    { initialValue: null },
  );

  change(part: Partial<SightFrame>): void {
    this.frame.update((frame) => ({ ...frame, ...part }));
  }

  /** Of the card at this minute, where that is what is asked for and there is one. */
  private taken({ id }: Pick<Stop, 'id'>): Partial<SightWanted['shown']> {
    const card = this.card();
    if (!this.isAsTaken() || card?.kind !== 'card' || card.stop.id !== id) return {};
    return takenBy(card);
  }

  turnTo(bearingDeg: number): void {
    this.bearingDeg.set(((bearingDeg % 360) + 360) % 360);
  }

  asHeld(): void {
    this.bearingDeg.set(this.room.stop()?.shootingBearingDeg ?? 0);
    this.frame.set(this.held());
  }
}
