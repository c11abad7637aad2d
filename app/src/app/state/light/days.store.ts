import { Injectable, inject } from '@angular/core';
import { lightInputFor, siteOf } from '@roam-dial/core/plan';
import type { Stop, StopDay, StopDayInput } from '@roam-dial/core/stop';
import { MINUTES_PER_DAY } from '@roam-dial/core/light';
import { cloudOf, minutesMeasured, type Walk } from '@roam-dial/core/walk';
import {
  auditTime,
  BehaviorSubject,
  combineLatest,
  distinctUntilChanged,
  EMPTY,
  firstValueFrom,
  map,
  type Observable,
  of,
  startWith,
  Subject,
  switchMap,
  timer,
} from 'rxjs';
import { KeptDays } from '../../storage/kept-days';
import type { Workspace } from '../../storage/workspace';
import { answersOf } from '../../workers/answers';
import { LightClient } from '../../workers/light/light.client';
import { siteRefOf } from '../../workers/light/light-jobs';
import { DayQueue, type DaysProgress, type WantedDay } from './day-queue';
import { FocusStore } from '../selection/focus.store';
import { shared } from '../../base/shared';
import { slice } from '../workspace/slice';
import { WorkspaceStore } from '../workspace/workspace.store';

/** Days by stop id, of those that are known; a stop whose day is being worked out anew keeps the one it had meanwhile. */
export type DaysByStop = ReadonlyMap<string, StopDay | null>;

/** Answers of many stops come one by one; the charts are drawn once for those of this time. */
const GATHER_MS = 30;

/** About 250 kB each. */
const MOST_OTHER_DAYS = 60;

/** Days are put by when nothing has changed for so long: not while something is dragged. */
const REST_MS = 1000;

interface Known {
  readonly key: string;
  readonly day: StopDay | null;
}

/** The light of every stop of the walk through its day, worked out in workers and only where something changed. */
@Injectable({ providedIn: 'root' })
export class DaysStore {
  private readonly kept = inject(KeptDays);
  private readonly client = inject(LightClient);
  private readonly queue = new DayQueue(this.client.days);
  private readonly known = new Map<string, Known>();
  private readonly arrived = new Subject<void>();
  /** How many look at the night of the chosen stop. */
  private readonly lookers = new BehaviorSubject(0);
  private readonly wantedSubject = new BehaviorSubject<readonly WantedDay[]>([]);

  readonly progress$: Observable<DaysProgress | null> = this.queue.progress$;
  /** Whether nothing is being worked out: what there is will not change by itself. */
  readonly isSettled$: Observable<boolean> = this.progress$.pipe(
    map((progress) => progress === null),
    distinctUntilChanged(),
  );
  readonly isStopped$: Observable<boolean> = this.queue.isStopped$.pipe(distinctUntilChanged());

  readonly days$: Observable<DaysByStop> = combineLatest([
    this.wantedSubject,
    this.arrived.pipe(auditTime(GATHER_MS), startWith(undefined)),
  ]).pipe(
    map(([wanted]) => this.daysOf(wanted)),
    shared(),
  );

  constructor() {
    combineLatest([
      inject(WorkspaceStore).workspace$.pipe(slice('kit', 'standard', 'districts', 'walks')),
      combineLatest([inject(FocusStore).focus$, this.lookers]).pipe(
        map(([{ walk, stop, minuteOfDay }, lookers]): Looked => ({
          walk,
          stop,
          looks: lookers > 0,
          isPast: minuteOfDay >= MINUTES_PER_DAY,
        })),
        distinctUntilChanged((a, b) => a.walk === b.walk && a.stop === b.stop && a.isPast === b.isPast && a.looks === b.looks),
      ),
    ])
      .pipe(
        map(([workspace, looked]) => wantedDays(workspace, looked)),
        distinctUntilChanged(isSameWanted),
      )
      .subscribe(this.wantedSubject);

    this.wantedSubject
      .pipe(
        map((wanted) => wanted.filter((one) => !this.isKnown(one))),
        switchMap((missing) => this.lookUp(missing)),
      )
      .subscribe((missing) => this.queue.want(missing));

    this.queue.answers$.subscribe(({ stopId, key, day }) => this.cacheDay(stopId, { key, day }));

    this.isSettled$.pipe(switchMap((isSettled) => (isSettled ? timer(REST_MS) : EMPTY))).subscribe(() => this.persistDays());
  }

  /** The days of a walk that is not on screen, or is there on another day: beside what is on it, and nothing of them is kept. */
  async of(workspace: Workspace, walk: Walk): Promise<DaysByStop> {
    const wanted = wantedDays(workspace, { walk, stop: null, isPast: false, looks: false });
    const kept = await firstValueFrom(this.kept.read(wanted.map(({ key }) => key)));
    const days = new Map<string, StopDay | null>();
    for (const { stop, key, question, district } of wanted) {
      const known = this.known.get(stop.id);
      const own = known?.key === key ? known.day : kept.get(key);
      days.set(stop.id, own ?? (await firstValueFrom(answersOf(this.client.years.ask<'day'>(question, district)))));
    }
    return days;
  }

  /**
   * From now on somebody looks at the night of the chosen stop: it is measured past midnight, also on a walk by day. Gives back what
   * ends that; a page may begin before the one before it has ended.
   */
  lookPastMidnight(): () => void {
    this.lookers.next(this.lookers.value + 1);
    return () => this.lookers.next(this.lookers.value - 1);
  }

  /** Leaves what is still to be worked out; what is known stays. */
  stop(): void {
    this.queue.stop();
  }

  goOn(): void {
    this.queue.goOn();
  }

  /** Takes what is kept from another time; what is still missing then. */
  private lookUp(missing: readonly WantedDay[]): Observable<readonly WantedDay[]> {
    if (missing.length === 0) return of(missing);
    return this.kept.read(missing.map(({ key }) => key)).pipe(
      map((found) => {
        for (const { stop, key } of missing) {
          const day = found.get(key);
          if (day !== undefined) this.cacheDay(stop.id, { key, day });
        }
        return missing.filter((one) => !this.isKnown(one));
      }),
    );
  }

  private cacheDay(stopId: string, known: Known): void {
    this.known.delete(stopId);
    this.known.set(stopId, known);
    this.forgetOldest();
    this.arrived.next();
  }

  private isKnown({ stop, key }: WantedDay): boolean {
    return this.known.get(stop.id)?.key === key;
  }

  private daysOf(wanted: readonly WantedDay[]): DaysByStop {
    return new Map(
      wanted.flatMap(({ stop: { id } }) => {
        const known = this.known.get(id);
        return known === undefined ? [] : [[id, known.day] as const];
      }),
    );
  }

  private persistDays(): void {
    const fresh = this.wantedSubject.value.filter((one) => this.isKnown(one));
    this.kept.keep(
      fresh.flatMap(({ stop, key }) => {
        const day = this.known.get(stop.id)?.day ?? null;
        return day === null ? [] : [{ key, day }];
      }),
    );
  }

  /** Days of other walks are kept in memory as long as there are not too many of them. */
  private forgetOldest(): void {
    const ofWalk = new Set(this.wantedSubject.value.map(({ stop }) => stop.id));
    const others = [...this.known.keys()].filter((id) => !ofWalk.has(id));
    for (const id of others.slice(0, Math.max(0, others.length - MOST_OTHER_DAYS))) this.known.delete(id);
  }
}

/** What a day depends on is its key: a note changes none. */
const isSameWanted = (a: readonly WantedDay[], b: readonly WantedDay[]): boolean =>
  a.length === b.length &&
  a.every(({ stop, key }, k) => b[k]?.key === key && b[k]?.stop.id === stop.id && b[k]?.stop.name === stop.name);

/** What is on screen, and whether it looks past midnight: the time handle, or the night of the chosen stop. */
interface Looked {
  readonly walk: Walk | null;
  readonly stop: Stop | null;
  readonly isPast: boolean;
  readonly looks: boolean;
}

/** The days of a walk's stops, the selected one's first, past midnight where the walk or somebody looks there. */
function wantedDays(workspace: Workspace, { walk, stop: selected, isPast, looks }: Looked): readonly WantedDay[] {
  if (walk === null) return [];
  const [minutes, ofSelected] = [isPast, isPast || looks].map((is) => minutesMeasured(walk, is ? MINUTES_PER_DAY : 0));
  const first = selected === null ? walk.stops : [selected, ...walk.stops.filter((stop) => stop !== selected)];
  return first.map((stop) => {
    const site = siteOf(workspace, walk, stop);
    const asked = { ...lightInputFor(workspace, walk, stop), day: walk.day, cloud: cloudOf(walk) };
    const count = (stop === selected ? ofSelected : minutes) ?? MINUTES_PER_DAY;
    const input: Omit<StopDayInput, 'streets'> = count === MINUTES_PER_DAY ? asked : { ...asked, minutes: count };
    const question = { kind: 'day', site: siteRefOf(site), input } as const;
    return { stop, key: JSON.stringify(question), question, district: site.kind === 'district' ? site.district : null };
  });
}
