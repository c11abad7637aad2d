import { inject, Injectable } from '@angular/core';
import type { ArchivedPicture } from '@roam-dial/core/formats/reading';
import { Database, type ThumbnailRow } from './rows/database';
import { archivedReading, bytesOf, packedAgain, textOf } from './reading-text';
import { Thumbnails } from './thumbnails';

/** So many are held as text before the browser may lay them aside. */
const BATCH = 100;
const SEPARATOR_BYTES = 3;

async function archived({ id, logId, thumb, reading }: ThumbnailRow): Promise<ArchivedPicture> {
  const bytes = thumb === null ? null : textOf(new Uint8Array(await thumb.arrayBuffer()));
  return {
    id,
    logId,
    picture: thumb === null || bytes === null ? null : { type: thumb.type === 'image/png' ? 'image/png' : 'image/jpeg', bytes },
    reading: reading === null ? null : archivedReading(reading),
  };
}

/** The small pictures of frames, patches and places as a part of an archive, and back. */
@Injectable({ providedIn: 'root' })
export class PictureArchive {
  private readonly database = inject(Database);
  private readonly sights = inject(Thumbnails);

  /**
   * Archives with the pictures behind their rows, before the closing brace: one, or as many as it takes for none to be over the
   * limit. Each holds all rows, so that each can be read alone, and one after the other they bring all pictures.
   */
  async withPictures(parts: readonly string[], limitBytes: number): Promise<readonly Blob[]> {
    const [head, foot] = [new Blob([...parts.slice(0, -1), ',\n "pictures": [']), new Blob(['\n ]', ...parts.slice(-1)])];
    const room = limitBytes - head.size - foot.size;
    const files: Blob[] = [];
    let batches: Blob[] = [];
    let size = 0;
    const close = (): void => {
      files.push(new Blob([head, ...batches, foot], { type: 'application/json' }));
      [batches, size] = [[], 0];
    };
    const ids = this.database.isOpen() ? await this.database.sights.toCollection().primaryKeys() : [];
    for (let at = 0; at < ids.length; at += BATCH) {
      const rows = (await this.database.sights.bulkGet(ids.slice(at, at + BATCH))).filter((row) => row !== undefined);
      const lines = await Promise.all(rows.map(async (row) => JSON.stringify(await archived(row))));
      const text = lines.join(',\n ');
      if (size > 0 && size + text.length + SEPARATOR_BYTES > room) close();
      batches.push(new Blob([size === 0 ? '\n ' : ',\n ', text]));
      size += text.length + SEPARATOR_BYTES;
    }
    close();
    return files;
  }

  /** Those that are not here yet, under what their frames are called here; a full disk takes as many as it can. */
  async take(pictures: readonly ArchivedPicture[], frameIds: ReadonlyMap<string, string>): Promise<void> {
    for (const { id: idThere, logId, picture, reading } of pictures) {
      const id = frameIds.get(idThere) ?? idThere;
      if ((await this.sights.get(id)) !== null) continue;
      const thumb = picture === null ? null : new Blob([bytesOf(picture.bytes)], { type: picture.type });
      try {
        await this.sights.put({ id, logId, thumb, reading: reading === null ? null : packedAgain(reading) });
      } catch {
        return;
      }
    }
  }
}
