import { Injectable, inject } from '@angular/core';
import { Database, type SightRow } from './database';
import { DemoSights } from './demo-sights';

/** Where the browser keeps nothing, so many are held for as long as the page is open. */
const MOST_IN_MEMORY = 400;

/** What frames look like, beside the workspace: asked for one by one, when they come into view. */
@Injectable({ providedIn: 'root' })
export class Sights {
  private readonly database = inject(Database);
  private readonly demo = inject(DemoSights);
  private readonly inMemory = new Map<string, SightRow>();

  /** @throws Error where the browser has no room left. */
  async put(row: SightRow): Promise<void> {
    if (this.database.isOpen()) {
      await this.database.sights.put(row);
      return;
    }
    const [oldest] = this.inMemory.keys();
    if (this.inMemory.size >= MOST_IN_MEMORY && oldest !== undefined) this.inMemory.delete(oldest);
    this.inMemory.set(row.id, row);
  }

  async get(id: string): Promise<SightRow | null> {
    const own = this.database.isOpen() ? await this.database.sights.get(id) : this.inMemory.get(id);
    return own ?? (await this.demo.get(id));
  }
}
