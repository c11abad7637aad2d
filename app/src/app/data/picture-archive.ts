import { inject, Injectable } from '@angular/core';
import type { PackedReading } from '@roam-dial/core/log';
import type { ArchivedPicture, ArchivedReading } from '@roam-dial/core/formats';
import { Database, type SightRow } from './database';
import { Sights } from './sights';

/** So many are held as text before the browser may lay them aside. */
const BATCH = 100;

function textOf(bytes: Uint8Array): string {
  let binary = '';
  for (let at = 0; at < bytes.length; at += 8192) binary += String.fromCharCode(...bytes.subarray(at, at + 8192));
  return btoa(binary);
}

const bytesOf = (text: string): Uint8Array<ArrayBuffer> => Uint8Array.from(atob(text), (one) => one.charCodeAt(0));

function archivedReading({ windows, full, ...rest }: PackedReading): ArchivedReading {
  const reading = { ...rest, windows: textOf(windows) };
  return full === undefined ? reading : { ...reading, full: { ...full, parts: textOf(full.parts) } };
}

function packedAgain({ windows, full, ...rest }: ArchivedReading): PackedReading {
  const reading = { ...rest, windows: bytesOf(windows) };
  return full === undefined ? reading : { ...reading, full: { ...full, parts: bytesOf(full.parts) } };
}

async function archived({ id, logId, thumb, reading }: SightRow): Promise<ArchivedPicture> {
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
  private readonly sights = inject(Sights);

  /** An archive's parts with the pictures behind its rows, before its closing brace. */
  async withPictures(parts: readonly string[]): Promise<readonly BlobPart[]> {
    const out: BlobPart[] = [...parts.slice(0, -1), ',\n "pictures": ['];
    const ids = this.database.isOpen() ? await this.database.sights.toCollection().primaryKeys() : [];
    for (let at = 0; at < ids.length; at += BATCH) {
      const rows = (await this.database.sights.bulkGet(ids.slice(at, at + BATCH))).filter((row) => row !== undefined);
      const lines = await Promise.all(rows.map(async (row) => JSON.stringify(await archived(row))));
      out.push(new Blob([at === 0 ? '\n ' : ',\n ', lines.join(',\n ')]));
    }
    return [...out, '\n ]', ...parts.slice(-1)];
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
