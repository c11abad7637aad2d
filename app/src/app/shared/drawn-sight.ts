import { inject, type Signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { of, switchMap } from 'rxjs';
import type { SightDrawn } from '../workers/sight/sight-jobs';
import { SightClient, type SightWanted } from '../workers/sight/sight.client';

/** The picture of what is wanted: rough at once, finer when it rests; null while nothing is. In an injection context. */
export function drawnSight(wanted: Signal<SightWanted | null>): Signal<SightDrawn | null> {
  const client = inject(SightClient);
  const pictures$ = toObservable(wanted).pipe(switchMap((one) => (one === null ? of(null) : client.pictures(of(one)))));
  return toSignal(pictures$, { initialValue: null });
}
