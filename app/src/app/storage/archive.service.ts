import { Injectable } from '@angular/core';
import { type Archive, shippedArchive } from '@roam-dial/core/formats/archive';
import type { ReadArchive } from '@roam-dial/core/formats/reading';
import { demoOn } from './demo/demo';
import { fetched } from '../base/fetched';

/** Reads archives. The reader with its schemas is a chunk of its own, loaded when the first file comes. */
@Injectable({ providedIn: 'root' })
export class ArchiveService {
  async readFile(file: File): Promise<ReadArchive> {
    const { LARGEST_ARCHIVE_BYTES, readArchive } = await fetched(
      'The archive reader',
      () => import('@roam-dial/core/formats/reading'),
    );
    // A file past the limit is refused by its size, unread.
    if (file.size > LARGEST_ARCHIVE_BYTES) {
      const megabytes = Math.round(file.size / 1024 / 1024);
      const message = `The file is ${megabytes} MB; at most ${LARGEST_ARCHIVE_BYTES / 1024 / 1024} MB are read.`;
      return { ok: false, refusal: 'huge', message, problems: [] };
    }
    return readArchive(await file.text());
  }

  /** The demo that ships with the program. */
  async demo(today: Date): Promise<Archive> {
    const response = await fetch('demo.json');
    if (!response.ok) throw new Error(`the demo could not be loaded (HTTP ${response.status})`);
    return demoOn(shippedArchive(await response.text()), today);
  }
}
