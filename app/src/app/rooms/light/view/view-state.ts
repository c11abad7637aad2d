import { computed, inject, Injectable, linkedSignal, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { digitalMedium, keyToneOf, type Medium } from '@roam-dial/core/metering';
import { type KitInHand, kitInHand, sightFrameOf, sightInstantOf, sightSiteOf } from '@roam-dial/core/plan';
import { mediumOf } from '@roam-dial/core/setup';
import type { SightFrame, SightQuestion } from '@roam-dial/core/sight';
import { DEFAULT_METERING, type Stop } from '@roam-dial/core/stop';
import { filter } from 'rxjs';
import { districtKey } from '../../../workers/district-key';
import type { SightDrawn } from '../../../workers/sight/sight-jobs';
import { SightClient, type SightWanted } from '../../../workers/sight/sight.client';
import { LightState } from '../light-state';

/** A frame where nothing is in the bag: a full-frame camera at 35 mm. */
const WITHOUT_KIT: SightFrame = {
  sensorWidthMm: 36,
  sensorHeightMm: 24,
  focalLengthMm: 35,
  isUpright: false,
  tiltDeg: 0,
  riseMm: 0,
};
const MEDIUM_WITHOUT_KIT = { headroomEv: 3, shadowRangeEv: 7, straightOverEv: 2.5, straightUnderEv: 5, baseIso: 100 };

interface Place {
  readonly key: string;
  readonly site: SightQuestion['site'];
  readonly from: 'district' | 'section' | 'none';
  /** Buildings nearby, and of how many the height is assumed. */
  readonly heights: { readonly assumed: number; readonly all: number };
}

const NEAR_M = 150;

function mediumFor(kit: KitInHand | null, stop: Stop): Medium {
  const on = stop.metering?.on ?? DEFAULT_METERING.on;
  return kit === null ? digitalMedium(MEDIUM_WITHOUT_KIT, on, MEDIUM_WITHOUT_KIT.baseIso) : mediumOf({ ...kit, meteredOn: on });
}

const SAME_CONTENT = { equal: (a: unknown, b: unknown): boolean => JSON.stringify(a) === JSON.stringify(b) };

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
    const [kit, stop] = [this.kit(), this.room.stop()];
    if (stop === null) return WITHOUT_KIT;
    return kit === null ? { ...WITHOUT_KIT, isUpright: stop.framing?.isUpright === true } : sightFrameOf(kit, stop);
  }, SAME_CONTENT);
  readonly frame = linkedSignal<{ stopId: string | null; held: SightFrame }, SightFrame>({
    source: () => ({ stopId: this.stopId(), held: this.held() }),
    computation: ({ held }) => held,
  });
  readonly isChanged = computed(() => !SAME_CONTENT.equal(this.frame(), this.held()));
  readonly hasPerson = signal(true);
  readonly isClippingMarked = signal(false);
  readonly isLarge = signal(false);

  readonly place = computed<Place | null>(() => {
    const [workspace, walk, stop] = [this.room.workspace(), this.room.walk(), this.room.stop()];
    if (workspace === undefined || walk === null || stop === null) return null;
    const { site, from } = sightSiteOf(workspace, walk, stop);
    const district = this.room.district();
    const { eastM, northM, groundM = 0 } = site;
    const named = from === 'district' && district !== null ? districtKey(district) : JSON.stringify(site.buildings);
    const near = (district?.buildings ?? []).filter(({ footprint }) => {
      const [x, y] = footprint[0] ?? [Infinity, Infinity];
      return Math.hypot(x - eastM, y - northM) <= NEAR_M;
    });
    const assumed = near.filter(({ heightSource }) => heightSource === 'assumed').length;
    return { key: `${named}/${eastM}/${northM}/${groundM}`, site, from, heights: { assumed, all: near.length } };
  });

  private readonly wanted = computed<SightWanted | null>(() => {
    const [walk, stop, place, light] = [this.room.walk(), this.room.stop(), this.place(), this.room.light()];
    if (walk === null || stop === null || place === null || light === null) return null;
    const at = sightInstantOf(walk, stop, this.room.minute());
    if (at === null) return null;
    return {
      ...{ place: place.key, site: place.site },
      look: {
        bearingDeg: stop.shootingBearingDeg,
        frame: this.frame(),
        personM: this.hasPerson() ? stop.subject.medianM : null,
      },
      ...at,
      shown: {
        medium: mediumFor(this.kit(), stop),
        exposureEv: light.keyEv100 - keyToneOf(stop.intent),
        isClippingMarked: this.isClippingMarked(),
      },
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
