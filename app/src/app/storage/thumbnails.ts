import { Injectable, inject } from '@angular/core';
import { Database, type ThumbnailRow } from './rows/database';
import { DemoThumbnails } from './demo/demo-thumbnails';

/** Patches and places stand among the pictures of frames, under logs that are none. */
export const PATCHES = 'noise';
export const PLACES = 'places';
export const patchThumbnailId = (bodyId: string, iso: number): string => `${PATCHES}/${bodyId}/${iso}`;
export const placeThumbnailId = (stopId: string): string => `${PLACES}/${stopId}`;

/** Where the browser keeps nothing, so many are held for as long as the page is open. */
const MOST_IN_MEMORY = 400;

/** What frames, patches and places look like, beside the workspace: asked for one by one, when they come into view. */
@Injectable({ providedIn: 'root' })
export class Thumbnails {
  private readonly database = inject(Database);
  private readonly demo = inject(DemoThumbnails);
  private readonly inMemory = new Map<string, ThumbnailRow>();

  /** @throws Error where the browser has no room left. */
  async put(row: ThumbnailRow): Promise<void> {
    if (this.database.isOpen()) {
      await this.database.sights.put(row);
      return;
    }
    const [oldest] = this.inMemory.keys();
    if (this.inMemory.size >= MOST_IN_MEMORY && oldest !== undefined) this.inMemory.delete(oldest);
    this.inMemory.set(row.id, row);
  }

  async get(id: string): Promise<ThumbnailRow | null> {
    const own = this.database.isOpen() ? await this.database.sights.get(id) : this.inMemory.get(id);
    return own ?? (await this.demo.get(id));
  }

  /** The small picture of a place for another one that stands for it now; a full or broken disk leaves that without one. */
  async copyPlace(fromId: string, toId: string): Promise<void> {
    try {
      const thumb = (await this.get(placeThumbnailId(fromId)))?.thumb ?? null;
      if (thumb !== null) await this.put({ id: placeThumbnailId(toId), logId: PLACES, thumb, reading: null });
    } catch {
      // The stop itself is what was wanted.
    }
  }

  /** Takes out what is kept for none of these any more. */
  async keepOnly(ids: ReadonlySet<string>): Promise<void> {
    if (!this.database.isOpen()) return;
    const kept = await this.database.sights.toCollection().primaryKeys();
    await this.database.sights.bulkDelete(kept.filter((id) => !ids.has(id)));
  }
}
