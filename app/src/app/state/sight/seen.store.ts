import { inject, Injectable } from '@angular/core';
import { type Observable, of, tap } from 'rxjs';
import { Lru } from '../../base/lru';
import type { SightDrawn } from '../../workers/sight/sight-jobs';
import { SightClient, type SightWanted } from '../../workers/sight/sight.client';
import { sightKey } from './sight-wanted';

/** Small pictures kept, of strips and cards. */
const MOST = 160;

/** Small views with what is metered of them, drawn once for all that ask. */
@Injectable({ providedIn: 'root' })
export class SeenStore {
  private readonly client = inject(SightClient);
  private readonly kept = new Lru<string, SightDrawn>(MOST);

  /** What is known of a view at once; null where it has not been drawn yet. */
  known(wanted: SightWanted): SightDrawn | null {
    return this.kept.get(sightKey(wanted)) ?? null;
  }

  /** A view, drawn if it has to be; null where it cannot be. */
  seen(wanted: SightWanted): Observable<SightDrawn | null> {
    const key = sightKey(wanted);
    const known = this.kept.get(key);
    if (known !== undefined) return of(known);
    return this.client.small(wanted).pipe(tap((drawn) => drawn !== null && this.kept.set(key, drawn)));
  }
}
