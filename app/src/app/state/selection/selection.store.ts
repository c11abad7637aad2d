import { LAST_WALK_MINUTE } from '@roam-dial/core/light';
import { Injectable, inject } from '@angular/core';
import { NavigationEnd, Router } from '@angular/router';
import { BehaviorSubject, distinctUntilChanged, filter, map, type Observable, Subject, switchMap, timer } from 'rxjs';

/** What the address says: which walk, which stop, what time of day. Null where it leaves it open. */
export interface AddressSelection {
  readonly walkId: string | null;
  readonly stopId: string | null;
  readonly minuteOfDay: number | null;
}
const REST_MS = 250;

/** `15:36` as minutes from midnight, `24:40` of the day after; null for what is no time. */
export function parseClock(text: string | null): number | null {
  const hit = /^(\d{1,2}):(\d{2})$/.exec(text ?? '');
  if (hit === null) return null;
  const minute = Number(hit[1]) * 60 + Number(hit[2]);
  return Number(hit[2]) < 60 && minute <= LAST_WALK_MINUTE ? minute : null;
}

export function clockText(minuteOfDay: number): string {
  const pad = (n: number): string => String(n).padStart(2, '0');
  return `${pad(Math.floor(minuteOfDay / 60))}:${pad(minuteOfDay % 60)}`;
}

/**
 * Walk, stop and time as the address holds them, so that reload, back and a bookmark work. Choosing is a step of the
 * history; moving time shows at once and is written to the address when it rests.
 */
@Injectable({ providedIn: 'root' })
export class SelectionStore {
  private readonly router = inject(Router);
  private readonly subject = new BehaviorSubject<AddressSelection>(this.fromAddress());
  private readonly movedMinute = new Subject<void>();
  /** A minute that the address does not hold yet. */
  private unwrittenMinute: number | null = null;

  readonly selection$: Observable<AddressSelection> = this.subject.pipe(
    distinctUntilChanged((a, b) => a.walkId === b.walkId && a.stopId === b.stopId && a.minuteOfDay === b.minuteOfDay),
  );
  private readonly arrived$ = this.router.events.pipe(filter((event) => event instanceof NavigationEnd));
  readonly room$: Observable<string> = this.arrived$.pipe(
    map(() => this.room()),
    distinctUntilChanged(),
  );

  constructor() {
    this.arrived$.subscribe(() => this.readAddress());
    this.movedMinute.pipe(switchMap(() => timer(REST_MS))).subscribe(() => this.writeMinute());
  }

  selectWalk(walkId: string): void {
    this.navigate({ walk: walkId, stop: null, t: null });
  }

  selectStop(walkId: string, stopId: string, minuteOfDay: number): void {
    this.navigate({ walk: walkId, stop: stopId, t: clockText(minuteOfDay) });
  }

  /** Goes along with a walk that is being walked: no step of the history. */
  follow(walkId: string, stopId: string, minuteOfDay: number): void {
    const now = this.subject.value;
    if (now.walkId !== walkId || now.stopId !== stopId) {
      this.navigate({ walk: walkId, stop: stopId, t: clockText(Math.min(LAST_WALK_MINUTE, Math.max(0, minuteOfDay))) }, true);
    } else if (now.minuteOfDay !== minuteOfDay) this.setMinute(minuteOfDay);
  }

  setMinute(minuteOfDay: number): void {
    const minute = Math.min(LAST_WALK_MINUTE, Math.max(0, Math.round(minuteOfDay)));
    this.unwrittenMinute = minute;
    this.subject.next({ ...this.subject.value, minuteOfDay: minute });
    this.movedMinute.next();
  }

  /** A change of room keeps a minute that was still resting; a change of stop brings its own. */
  private readAddress(): void {
    const address = this.fromAddress();
    const { walkId, stopId } = this.subject.value;
    const isSameStop = address.walkId === walkId && address.stopId === stopId;
    if (this.unwrittenMinute === null || !isSameStop) {
      this.unwrittenMinute = null;
      this.subject.next(address);
      return;
    }
    this.subject.next({ ...address, minuteOfDay: this.unwrittenMinute });
    this.movedMinute.next();
  }

  /** Not into a navigation that is under way, whose place it would take: the minute rests again when that arrives. */
  private writeMinute(): void {
    if (this.unwrittenMinute === null || this.router.currentNavigation() !== null) return;
    const t = clockText(this.unwrittenMinute);
    this.unwrittenMinute = null;
    this.navigate({ t }, true);
  }

  private navigate(queryParams: Record<string, string | null>, replaceUrl = false): void {
    void this.router.navigate([], { queryParams, queryParamsHandling: 'merge', replaceUrl });
  }

  private room(): string {
    return this.router.url.split('?')[0]?.replace(/^\//, '') ?? '';
  }

  private fromAddress(): AddressSelection {
    const query = this.router.parseUrl(this.router.url).queryParamMap;
    return { walkId: query.get('walk'), stopId: query.get('stop'), minuteOfDay: parseClock(query.get('t')) };
  }
}
