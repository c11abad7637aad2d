import { computed, inject, Injectable, linkedSignal, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { lightInputFor, siteOf } from '@roam-dial/core/plan';
import {
  bestDays,
  CARPET_STARTS,
  isOfTheDark,
  type SameLight,
  type YearInput,
  type YearOfQuality,
  type YearOfSun,
} from '@roam-dial/core/stop';
import { EMPTY, map, of, startWith, switchMap } from 'rxjs';
import { answersOf } from '../../../workers/answers';
import { LightClient } from '../../../workers/light/light.client';
import { type LightQuestion, siteRefOf } from '../../../workers/light/light-jobs';
import { LightState } from '../light-state';

type YearQuestion = Extract<LightQuestion, { kind: 'yearOfSun' }>;

const MOST_BEST = 5;
const DAY_MS = 86_400_000;

/** The days from a year's first to the next year's first: the night of 31 December ends on that. */
function yearInput(day: string): Required<Pick<YearInput, 'fromDay' | 'days'>> {
  const year = Number(day.slice(0, 4));
  return { fromDay: `${day.slice(0, 4)}-01-01`, days: (Date.UTC(year + 1, 0) - Date.UTC(year, 0)) / DAY_MS + 1 };
}

const SAME_CONTENT = { equal: (a: unknown, b: unknown): boolean => JSON.stringify(a) === JSON.stringify(b) };

/** A year of the selected stop, as its parts arrive; and the same light again. */
@Injectable()
export class YearState {
  private readonly room = inject(LightState);
  private readonly client = inject(LightClient).years;
  readonly withinDeg = signal(2);
  /** The date and time that worked: where the person stood when asking. */
  readonly worked = signal<{ readonly day: string; readonly minuteOfDay: number } | null>(null);

  /** The same question as before is the same object: an edit that light does not care for begins no new year. */
  private readonly question = computed<YearQuestion | null>(() => {
    const [workspace, walk, stop] = [this.room.workspace(), this.room.walk(), this.room.stop()];
    if (workspace === undefined || walk === null || stop === null) return null;
    const input: Omit<YearInput, 'streets'> = { ...lightInputFor(workspace, walk, stop), ...yearInput(walk.day) };
    return { kind: 'yearOfSun', site: siteRefOf(siteOf(workspace, walk, stop)), input };
  }, SAME_CONTENT);
  /** Nights in one piece, from noon to noon: for pictures of the dark, until it is chosen otherwise. */
  readonly isByNights = linkedSignal(() => {
    const intent = this.room.stop()?.intent;
    return intent !== undefined && isOfTheDark(intent);
  });
  readonly fromMin = computed(() => CARPET_STARTS[this.isByNights() ? 1 : 0]);
  private readonly district = computed(() => {
    const site = this.room.site();
    return site.kind === 'district' ? site.district : null;
  });

  readonly sun = toSignal<YearOfSun | null>(
    toObservable(this.question).pipe(
      switchMap((question) =>
        question === null ? of(null) : answersOf(this.client.ask<'yearOfSun'>(question, this.district())).pipe(startWith(null)),
      ),
    ),
    { initialValue: null },
  );

  /** Another stop begins anew. */
  private readonly isStoppedSignal = linkedSignal({ source: this.question, computation: () => false });
  readonly isStopped = this.isStoppedSignal.asReadonly();
  readonly quality = toSignal<YearOfQuality | null>(
    toObservable(computed(() => (this.isStoppedSignal() ? null : this.question()))).pipe(
      switchMap((question) => {
        // What there is when it is stopped stays on screen.
        if (question === null) return EMPTY;
        const steps = this.client.ask<'yearOfQuality'>({ ...question, kind: 'yearOfQuality' }, this.district());
        return steps.pipe(
          map((step) => (step.kind === 'progress' ? (step.progress.year ?? null) : step.kind === 'done' ? step.answer : null)),
          startWith(null),
        );
      }),
    ),
    { initialValue: null },
  );
  readonly daysDone = computed(() => this.quality()?.daysDone ?? 0);
  readonly isDone = computed(() => this.quality() !== null && this.daysDone() === this.quality()?.days.length);
  readonly best = computed(() => {
    const found = this.quality();
    if (found === null || !this.isDone()) return [];
    const days = this.isByNights() ? found.days : found.days.slice(0, -1);
    return bestDays({ ...found, days }, MOST_BEST, this.fromMin());
  });

  readonly again = toSignal<readonly SameLight[] | null>(
    toObservable(computed(() => ({ question: this.question(), worked: this.worked(), withinDeg: this.withinDeg() }))).pipe(
      switchMap(({ question, worked, withinDeg }) => {
        if (question === null || worked === null) return of(null);
        return answersOf(this.client.ask<'sameLight'>({ ...question, kind: 'sameLight', ...worked, withinDeg }, this.district()));
      }),
    ),
    { initialValue: null },
  );

  stop(): void {
    this.isStoppedSignal.set(true);
  }

  goOn(): void {
    this.isStoppedSignal.set(false);
  }
}
