import { Injectable, inject } from '@angular/core';
import type { Place } from '@roam-dial/core/light';
import { type District, type FootWay, metresFrom } from '@roam-dial/core/streets';
import { EMPTY, map, type Observable, of, startWith, switchMap } from 'rxjs';
import { waysKey } from '../../workers/district-key';
import { Lru } from '../../base/lru';
import { WaysClient } from '../../workers/ways/ways.client';
import type { WayPair } from '../../workers/ways/ways-jobs';

/** About 4 kB each: all pairs of thirty places, and some more. */
const MOST_WAYS_KEPT = 1200;

/** Two places on foot; either may not be known yet. */
export interface PlacePair {
  readonly from: Place | null;
  readonly to: Place | null;
}

/** The way between two places, as far as it has been found; null where no street leads, or none is known yet. */
export type WayOf = (pair: PlacePair) => FootWay | null;

/** Ways on foot along the streets of a district, found in a worker and kept. */
@Injectable({ providedIn: 'root' })
export class FootWays {
  private readonly client = inject(WaysClient);
  /** Null: no street leads there. */
  private readonly found = new Lru<string, { readonly way: FootWay | null }>(MOST_WAYS_KEPT);

  /** At once with what is known, and again when what was missing has been found: whether all of it is. */
  between(
    district: District | null,
    pairs: readonly PlacePair[],
  ): Observable<{ readonly wayOf: WayOf; readonly isWhole: boolean }> {
    const wayOf: WayOf = (pair) => {
      const asked = district === null ? null : wayAsked(district, pair);
      return asked === null ? null : (this.found.get(asked.key)?.way ?? null);
    };
    const key = district === null ? null : waysKey(district);
    const missing = district === null || key === null ? [] : this.missing(district, pairs);
    if (district === null || key === null || missing.length === 0) return of({ wayOf, isWhole: true });
    return this.client
      .ask(
        key,
        district.ways ?? [],
        missing.map(({ pair }) => pair),
      )
      .pipe(
        switchMap((step) => {
          if (step.kind === 'progress') return EMPTY;
          if (step.kind === 'done') step.answer.forEach((way, k) => this.found.set(missing[k]?.key ?? '', { way }));
          return of(true);
        }),
        startWith(false),
        map((isWhole) => ({ wayOf, isWhole })),
      );
  }

  private missing(district: District, pairs: readonly PlacePair[]): readonly WayAsked[] {
    return pairs.flatMap((pair) => {
      const asked = wayAsked(district, pair);
      return asked === null || this.found.get(asked.key) !== undefined ? [] : [asked];
    });
  }
}

interface WayAsked {
  /** The name under which it is kept. */
  readonly key: string;
  readonly pair: WayPair;
}

/** A way as it is asked for; null where one of the two stands nowhere. */
function wayAsked(district: District, { from, to }: PlacePair): WayAsked | null {
  const streets = waysKey(district);
  if (streets === null || from === null || to === null) return null;
  const pair = { from: metresFrom(district.origin, from), to: metresFrom(district.origin, to) };
  return { key: `${streets}/${JSON.stringify([district.origin, pair])}`, pair };
}
