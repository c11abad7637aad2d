import { inject, Injectable } from '@angular/core';
import { BrowserRows } from './browser-rows';
import { Database } from './database';
import { MemoryRows } from './memory-rows';
import type { Loaded, RowStore } from './row-store';

export interface OpenedRows {
  readonly rows: RowStore;
  readonly loaded: Loaded;
  /** Why nothing is stored; null where it is. */
  readonly onlyInMemory: string | null;
}

/** Longer than this no browser takes to open a database: another page holds it, or it is broken. */
const OPENS_WITHIN_MS = 8000;

function inTime<Value>(promise: Promise<Value>): Promise<Value> {
  const late = new Promise<never>((_, reject) => {
    setTimeout(() => reject(new Error('the browser does not open its database')), OPENS_WITHIN_MS);
  });
  return Promise.race([promise, late]);
}

/** The browser's database where it has one that opens; else memory, and why. */
@Injectable({ providedIn: 'root' })
export class RowStorage {
  private readonly database = inject(Database);

  async open(): Promise<OpenedRows> {
    const rows = new BrowserRows(this.database);
    try {
      return { rows, loaded: await inTime(rows.load()), onlyInMemory: null };
    } catch (error) {
      const memory = new MemoryRows();
      const reason = error instanceof Error ? error.message : String(error);
      return { rows: memory, loaded: await memory.load(), onlyInMemory: reason };
    }
  }
}
