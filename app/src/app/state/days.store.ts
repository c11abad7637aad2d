import { Injectable, inject } from '@angular/core';
import { fieldAtDistance, type StopDay, type StopDayInput, type Stop, type Walk } from '@roam-dial/core';
import { auditTime, combineLatest, distinctUntilChanged, map, type Observable, shareReplay, startWith, Subject } from 'rxjs';
import type { Workspace } from '../data/workspace';
import { StopDaysClient } from '../workers/stop-days.client';
import { kitInHand } from './bag';
import { CardStore } from './card.store';
import { WorkspaceStore } from './workspace.store';

/** Days by stop id; a stop whose day is still being computed keeps the one it had. */
export type DaysByStop = ReadonlyMap<string, StopDay | null>;

const HALF_FIELD_WITHOUT_KIT_DEG = 30;
/** Answers of many stops come one by one; the charts are drawn once for those of this time. */
const GATHER_MS = 30;

function halfFieldDeg(workspace: Workspace, walk: Walk, stop: Stop): number {
  const kit = kitInHand(workspace.kit, walk, stop);
  if (kit === null) return HALF_FIELD_WITHOUT_KIT_DEG;
  const { body, focalLengthMm } = kit;
  return fieldAtDistance({ focalLengthMm, ...body, distanceM: 1 + focalLengthMm / 1000 }).horizontalDeg / 2;
}

function inputFor(workspace: Workspace, walk: Walk, stop: Stop): StopDayInput {
  const { day, cloud, place } = walk;
  const { intent, shootingBearingDeg, streetAxisDeg, sunGap, lamps, hours, lightOffsetEv } = stop;
  return {
    site: { intent, shootingBearingDeg, streetAxisDeg, sunGap, lamps, hours, lightOffsetEv },
    day,
    cloud,
    timeZone: place.timeZone,
    latitude: place.latitude,
    longitude: place.longitude,
    halfFieldDeg: halfFieldDeg(workspace, walk, stop),
  };
}

/** The light of every stop of the walk through its day, computed in a worker and only where something changed. */
@Injectable({ providedIn: 'root' })
export class DaysStore {
  private readonly client = inject(StopDaysClient);
  private readonly known = new Map<string, { key: string; day: StopDay | null }>();
  private readonly arrived = new Subject<void>();

  readonly days$: Observable<DaysByStop> = combineLatest([
    inject(WorkspaceStore).workspace$,
    inject(CardStore).focus$.pipe(
      map(({ walk }) => walk),
      distinctUntilChanged(),
    ),
    this.arrived.pipe(auditTime(GATHER_MS), startWith(undefined)),
  ]).pipe(
    map(([workspace, walk]) => (walk === null ? new Map<string, StopDay | null>() : this.daysOf(workspace, walk))),
    shareReplay({ bufferSize: 1, refCount: true }),
  );

  private daysOf(workspace: Workspace, walk: Walk): DaysByStop {
    const days = new Map<string, StopDay | null>();
    for (const stop of walk.stops) {
      const input = inputFor(workspace, walk, stop);
      const key = JSON.stringify(input);
      const known = this.known.get(stop.id);
      if (known?.key !== key) this.ask(stop.id, key, input, known?.day ?? null);
      days.set(stop.id, this.known.get(stop.id)?.day ?? null);
    }
    return days;
  }

  /** Late answers to questions that have changed since are dropped. */
  private ask(stopId: string, key: string, input: StopDayInput, meanwhile: StopDay | null): void {
    this.known.set(stopId, { key, day: meanwhile });
    void this.client.ask(input).then((day) => {
      if (this.known.get(stopId)?.key !== key) return;
      this.known.set(stopId, { key, day });
      this.arrived.next();
    });
  }
}
