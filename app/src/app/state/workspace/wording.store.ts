import { Injectable, inject, type Signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { DEFAULT_SETTINGS } from '@roam-dial/core/formats/archive';
import { distinctUntilChanged, map, type Observable, shareReplay } from 'rxjs';
import { Wording } from '../../words/wording';
import { WorkspaceStore } from './workspace.store';

/** The person's way of writing values. */
@Injectable({ providedIn: 'root' })
export class WordingStore {
  readonly wording$: Observable<Wording> = inject(WorkspaceStore).settings$.pipe(
    distinctUntilChanged((a, b) => a.lengthUnit === b.lengthUnit && a.clock === b.clock),
    map((settings) => new Wording(settings)),
    shareReplay(1),
  );
}

/** For the templates of one component; until something is open, as in a new browser. */
export function wordingSignal(): Signal<Wording> {
  return toSignal(inject(WordingStore).wording$, { initialValue: new Wording(DEFAULT_SETTINGS) });
}
