import { Injectable, InjectionToken, inject } from '@angular/core';
import type { StopDay } from '@roam-dial/core/stop';
import Dexie, { type Table } from 'dexie';
import { catchError, from, map, type Observable, of } from 'rxjs';
import { contentKey } from '../base/content-key';

/** Set when the program is built: what its arithmetic comes to. Undefined where it is not built, as in tests and while developing. */
declare const ROAM_DIAL_ARITHMETIC: string | undefined;

/** Days of another arithmetic are other days. Null: none are kept, because nobody could say of which arithmetic they are. */
export const ARITHMETIC = new InjectionToken<string | null>('arithmetic', {
  factory: () => (typeof ROAM_DIAL_ARITHMETIC === 'undefined' ? null : ROAM_DIAL_ARITHMETIC),
});

/** How many days are kept; about 250 kB each. */
export const MOST_KEPT = new InjectionToken<number>('most kept days', { factory: () => 160 });

interface KeptDay {
  readonly key: string;
  /** When it was last asked for, ms since 1970. */
  readonly usedAt: number;
  readonly day: StopDay;
}

/** A database of its own: it holds nothing that could not be worked out again. */
class KeptDatabase extends Dexie {
  declare readonly days: Table<KeptDay, string>;

  constructor() {
    super('roam-dial-measured');
    this.version(1).stores({ days: 'key, usedAt' });
  }
}

/**
 * Days of light that were worked out before, by all that they depend on: a walk opened again shows its windows at once. Kept
 * where the browser lets it; where not, they are worked out again, and nothing is said.
 */
@Injectable({ providedIn: 'root' })
export class KeptDays {
  private readonly arithmetic = inject(ARITHMETIC);
  private readonly most = inject(MOST_KEPT);
  private readonly database = this.arithmetic === null ? null : new KeptDatabase();
  /** Keys that are known to be kept: not written twice. */
  private readonly known = new Set<string>();

  /** Those of the questions that have an answer kept. */
  read(questions: readonly string[]): Observable<ReadonlyMap<string, StopDay>> {
    const { database } = this;
    if (database === null) return of(new Map());
    const keys = questions.map((question) => this.keyOf(question));
    return from(database.days.bulkGet(keys)).pipe(
      map((rows) => {
        const found = new Map<string, StopDay>();
        rows.forEach((row, k) => {
          if (row === undefined) return;
          this.known.add(row.key);
          found.set(questions[k] as string, row.day);
        });
        return found;
      }),
      catchError(() => of(new Map<string, StopDay>())),
    );
  }

  /** Puts answers by, and clears those out that nobody has asked for longest. */
  keep(answers: readonly { readonly key: string; readonly day: StopDay }[]): void {
    const { database } = this;
    if (database === null || answers.length === 0) return;
    const usedAt = Date.now();
    const rows = answers.map(({ key, day }) => ({ key: this.keyOf(key), usedAt, day }));
    const isNew = ({ key }: KeptDay): boolean => !this.known.has(key);
    const used = rows.filter((row) => !isNew(row)).map(({ key }) => ({ key, changes: { usedAt } }));
    database
      .transaction('rw', database.days, async () => {
        await database.days.bulkPut(rows.filter(isNew));
        await database.days.bulkUpdate(used);
        const tooMany = (await database.days.count()) - this.most;
        if (tooMany > 0) await database.days.bulkDelete(await database.days.orderBy('usedAt').limit(tooMany).primaryKeys());
      })
      .then(() => rows.forEach(({ key }) => this.known.add(key)))
      // A browser that refuses has them worked out again.
      .catch(() => undefined);
  }

  private keyOf(question: string): string {
    return `${this.arithmetic ?? ''}/${contentKey(question)}`;
  }
}
