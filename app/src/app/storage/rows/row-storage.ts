import { inject, Injectable } from '@angular/core';
import { BrowserRows } from './browser-rows';
import { Database } from './database';
import { within } from '../../base/fetched';
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

/** The browser's database where it has one that opens; else memory, and why. */
@Injectable({ providedIn: 'root' })
export class RowStorage {
  private readonly database = inject(Database);

  /**
   * The database has its own limit, because one that does not open is done without; what reads its rows is a part of the program
   * that may be slow to come, and without it nothing may be shown in the place of somebody's data. @throws NotFetched
   */
  async open(): Promise<OpenedRows> {
    const rows = new BrowserRows(this.database);
    const stored = await this.stored(rows);
    if ('reason' in stored) {
      const memory = new MemoryRows();
      return { rows: memory, loaded: await memory.load(), onlyInMemory: stored.reason };
    }
    return { rows, loaded: await rows.understood(stored.rows), onlyInMemory: null };
  }

  private async stored(
    rows: BrowserRows,
  ): Promise<{ readonly rows: Awaited<ReturnType<BrowserRows['stored']>> } | { readonly reason: string }> {
    try {
      const late = (): Error => new Error('the browser does not open its database');
      return { rows: await within(rows.stored(), OPENS_WITHIN_MS, late) };
    } catch (error) {
      return { reason: error instanceof Error ? error.message : String(error) };
    }
  }
}
