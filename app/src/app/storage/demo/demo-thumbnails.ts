import { Injectable } from '@angular/core';
import type { ArchivedReading } from '@roam-dial/core/formats/reading';
import type { ThumbnailRow } from '../rows/database';
import { packedAgain } from '../reading-text';

const FOLDER = 'demo-frames';
const IS_DEMOS = /^demo-frame-\d+$/;

type Written = Readonly<Record<string, ArchivedReading>>;

/** What the frames of the demo's earlier walk look like: shipped beside the program, asked for when they are looked at. */
@Injectable({ providedIn: 'root' })
export class DemoThumbnails {
  private readings: Promise<Written> | null = null;

  /** Null for a frame that is none of the demo's, and where its files are not to be had. */
  async get(id: string): Promise<ThumbnailRow | null> {
    if (!IS_DEMOS.test(id)) return null;
    this.readings ??= fetch(`${FOLDER}/readings.json`).then((response) => response.json() as Promise<Written>);
    try {
      const [written, picture] = await Promise.all([this.readings, fetch(`${FOLDER}/${id}.jpg`)]);
      const own = written[id];
      const reading = own === undefined ? null : packedAgain(own);
      return { id, logId: 'demo-log', thumb: picture.ok ? await picture.blob() : null, reading };
    } catch {
      this.readings = null;
      return null;
    }
  }
}
