import { computed, inject, Injectable, linkedSignal, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { kitInHand } from '@roam-dial/core/plan';
import type { SightFrame } from '@roam-dial/core/sight';
import { filter } from 'rxjs';
import { frameOfStop, placeOfSight, type PlaceOfSight, sightWanted } from '../../../state/sight/sight-wanted';
import type { SightDrawn } from '../../../workers/sight/sight-jobs';
import { SightClient, type SightWanted } from '../../../workers/sight/sight.client';
import { LightState } from '../light-state';

interface Place extends PlaceOfSight {
  /** Buildings nearby, and of how many the height is assumed. */
  readonly heights: { readonly assumed: number; readonly all: number };
}

const NEAR_M = 150;

const SAME_CONTENT = { equal: (a: unknown, b: unknown): boolean => JSON.stringify(a) === JSON.stringify(b) };

const NO_FRAME: SightFrame = {
  ...{ sensorWidthMm: 36, sensorHeightMm: 24, focalLengthMm: 35, isUpright: false, tiltDeg: 0, riseMm: 0 },
};

/** The selected stop as its frame sees it: at the time handle, with what is switched on, and the picture as it comes. */
@Injectable()
export class ViewState {
  private readonly room = inject(LightState);
  private readonly client = inject(SightClient);

  private readonly kit = computed(() => {
    const [workspace, walk, stop] = [this.room.workspace(), this.room.walk(), this.room.stop()];
    return workspace === undefined || walk === null || stop === null ? null : kitInHand(workspace.kit, walk, stop);
  });
  private readonly stopId = computed(() => this.room.stop()?.id ?? null);
  /** As the stop's camera is held; what is changed here is for looking, and goes with the stop that one leaves. */
  private readonly held = computed<SightFrame>(() => {
    const stop = this.room.stop();
    return stop === null ? NO_FRAME : frameOfStop(this.kit(), stop);
  }, SAME_CONTENT);
  readonly frame = linkedSignal<{ stopId: string | null; held: SightFrame }, SightFrame>({
    source: () => ({ stopId: this.stopId(), held: this.held() }),
    computation: ({ held }) => held,
  });
  readonly isChanged = computed(() => !SAME_CONTENT.equal(this.frame(), this.held()));
  readonly hasPerson = signal(true);
  readonly isClippingMarked = signal(false);
  readonly isKeyMarked = signal(false);
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
      look: { ...look, frame: this.frame(), personM: this.hasPerson() ? look.personM : null },
      shown: { ...shown, isClippingMarked: this.isClippingMarked(), isKeyMarked: this.isKeyMarked() },
      isLarge: this.isLarge(),
    };
  });

  readonly picture = toSignal<SightDrawn | null>(
    this.client.pictures(toObservable(this.wanted).pipe(filter((wanted) => wanted !== null))),
    { initialValue: null },
  );

  change(part: Partial<SightFrame>): void {
    this.frame.update((frame) => ({ ...frame, ...part }));
  }

  asHeld(): void {
    this.frame.set(this.held());
  }
}
