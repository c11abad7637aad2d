import { Injectable, inject } from '@angular/core';
import { LAST_WALK_MINUTE, type Place } from '@roam-dial/core/light';
import { isGot, type RestFound, type WhereNow } from '@roam-dial/core/outing';
import { districtOf } from '@roam-dial/core/plan';
import { endOfDayPlace, minutesOnFoot } from '@roam-dial/core/walk';
import { BehaviorSubject, filter, firstValueFrom, type Observable, type Subscription } from 'rxjs';
import { DayClient } from '../../workers/day/day.client';
import { DayPlanStore } from '../../state/plan/day-plan.store';
import { FootWays } from '../../state/walk/foot-ways';
import { OutingStore, type RunningNow } from '../../state/outing/outing.store';
import { MOST_PLANNED, visitsOf } from '../../state/walk/walk-of-day';
import { WayAheadStore } from '../../state/outing/way-ahead.store';
import { WorkspaceStore } from '../../state/workspace/workspace.store';

/** What has been asked about the rest of the day. */
export type RestAsked =
  | { readonly kind: 'none' }
  | { readonly kind: 'asking' }
  | { readonly kind: 'found'; readonly rest: RestFound; readonly askedMin: number }
  | { readonly kind: 'failed'; readonly message: string };

const TOO_MUCH = `At most ${MOST_PLANNED} stops are planned for one day.`;
const NOT_MEASURED = 'The light of this walk is still being measured.';

/** The plan from here and now, offered and never taken unasked. */
@Injectable({ providedIn: 'root' })
export class RestStore {
  private readonly client = inject(DayClient);
  private readonly day = inject(DayPlanStore);
  private readonly outings = inject(OutingStore);
  private readonly wayAhead = inject(WayAheadStore);
  private readonly ways = inject(FootWays);
  private readonly store = inject(WorkspaceStore);
  private readonly subject = new BehaviorSubject<RestAsked>({ kind: 'none' });
  private running: Subscription | null = null;

  readonly asked$: Observable<RestAsked> = this.subject;

  forget(): void {
    this.running?.unsubscribe();
    this.subject.next({ kind: 'none' });
  }

  async ask(): Promise<void> {
    this.forget();
    this.subject.next({ kind: 'asking' });
    const [plannable, now] = await Promise.all([firstValueFrom(this.day.plannable$), firstValueFrom(this.outings.now$)]);
    if (now === null || plannable?.of == null || plannable.walk.id !== now.walk.id) {
      const isTooMuch = plannable !== null && visitsOf(plannable.walk) > MOST_PLANNED;
      this.subject.next({ kind: 'failed', message: isTooMuch ? TOO_MUCH : NOT_MEASURED });
      return;
    }
    const where = await this.whereNow(now);
    this.running = this.client.ask<'rest'>(plannable.of, { kind: 'rest', where }).subscribe((step) => {
      if (step.kind === 'progress') return;
      if (step.kind !== 'done') this.subject.next({ kind: 'failed', message: step.message });
      else if (step.answer === null) this.subject.next({ kind: 'failed', message: 'The zone skips this day.' });
      else this.subject.next({ kind: 'found', rest: step.answer, askedMin: where.nowMin });
    });
  }

  private async whereNow(now: RunningNow): Promise<WhereNow> {
    const { walk, standing, minute, nowMs, outing } = now;
    const { standard, districts } = await this.store.snapshot();
    const left = await firstValueFrom(this.wayAhead.left$);
    const here = standing.kind === 'there' ? standing.at.position : (left?.here ?? left?.way.from ?? null);
    const district = districtOf({ districts }, walk);
    const places = [...walk.stops, ...(walk.pauses ?? [])].map(({ position }) => position);
    const end = endOfDayPlace(walk);
    const pairs = [...places, end].map((to) => ({ from: here, to }));
    const { wayOf } = await firstValueFrom(this.ways.between(district, pairs).pipe(filter(({ isWhole }) => isWhole)));
    const minutes = (to: Place | null): number => minutesOnFoot(here, to, standard.paceMps, wayOf({ from: here, to }));
    const isHere = standing.kind === 'there' ? standing.at.id : null;
    return {
      nowMin: Math.max(0, Math.min(LAST_WALK_MINUTE, Math.floor(minute))),
      doneIds: doneIn(now),
      at:
        standing.kind !== 'there' || isGot(outing, standing.at.id)
          ? null
          : { id: standing.at.id, servedMin: Math.max(0, Math.floor((nowMs - standing.sinceMs) / 60_000)) },
      walksMin: walk.stops
        .map(({ id, position }) => (id === isHere ? 0 : minutes(position)))
        .concat((walk.pauses ?? []).map(({ position }) => (position === null ? 0 : minutes(position)))),
      homeMin: end === null ? 0 : minutes(end),
    };
  }
}

/** Stops that were got or gone on from, and pauses that have begun. */
function doneIn({ walk, outing, standing, minute }: RunningNow): readonly string[] {
  const hereId = standing.kind === 'there' ? standing.at.id : null;
  const been = outing.happenings.flatMap(({ stopId, event }) => (event.kind === 'wentOn' && stopId !== hereId ? [stopId] : []));
  const got = outing.happenings.flatMap(({ stopId, event }) => (event.kind === 'got' ? [stopId] : []));
  const leftOut = outing.happenings.flatMap(({ stopId, event }) => (event.kind === 'notToday' ? [stopId] : []));
  const eaten = (walk.pauses ?? []).flatMap(({ id, atMin }) => (atMin !== null && atMin <= minute ? [id] : []));
  return [...new Set([...been, ...got, ...leftOut, ...eaten])];
}
