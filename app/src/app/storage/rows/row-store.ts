import type { Archive } from '@roam-dial/core/formats/archive';
import type { Observable } from 'rxjs';
import type { Patch } from '../patch';
import type { SetAside } from './stored-form';

/** All that is stored, as of one moment. */
export interface Loaded {
  readonly archive: Archive;
  /** False in a browser that has never held anything: the demo is due. */
  readonly isSeeded: boolean;
  /** The writes it was read after. */
  readonly revision: number;
  readonly aside: readonly SetAside[];
}

export interface Written {
  readonly revision: number;
  /** What had no row to be written to any more: removed meanwhile, by another tab. */
  readonly lost: readonly Patch[];
}

/** What was stored has been taken away from under the program: the browser's data for this site were cleared. */
export class ClearedError extends Error {
  constructor() {
    super('the stored data have been cleared');
  }
}

/** Where rows are kept; a browser's database, or memory where there is none. */
export interface RowStore {
  load(): Promise<Loaded>;
  /** What has changed since: only what has is read. */
  loadSince(known: Loaded): Promise<Loaded>;
  /** All or nothing. @throws ClearedError where fewer writes are stored than `knownRevision` */
  write(patches: readonly Patch[], knownRevision: number): Promise<Written>;
  /** Everything for the first time; null where another tab was quicker. */
  seed(archive: Archive): Promise<Written | null>;
  /** Everything anew, whatever there is. */
  writeAll(archive: Archive): Promise<Written>;
  /** The number of writes, at once and after every one, whichever tab made it. */
  readonly revision$: Observable<number>;
}
