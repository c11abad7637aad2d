import { EMPTY_ARCHIVE } from '@roam-dial/core/formats/archive';
import { BehaviorSubject } from 'rxjs';
import type { Loaded, RowStore, Written } from './row-store';

/** Rows of a browser that keeps none: the program has what it needs in memory, and these are forgotten with the page. */
export class MemoryRows implements RowStore {
  readonly revision$ = new BehaviorSubject(0);

  load(): Promise<Loaded> {
    return Promise.resolve({ archive: EMPTY_ARCHIVE, isSeeded: false, revision: 0, aside: [] });
  }

  loadSince(known: Loaded): Promise<Loaded> {
    return Promise.resolve(known);
  }

  write(): Promise<Written> {
    this.revision$.next(this.revision$.value + 1);
    return Promise.resolve({ revision: this.revision$.value, lost: [] });
  }

  seed(): Promise<Written> {
    return this.write();
  }

  writeAll(): Promise<Written> {
    return this.write();
  }
}
