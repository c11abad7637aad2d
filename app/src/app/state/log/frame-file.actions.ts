import { inject, Injectable } from '@angular/core';
import { fileOfFrame, frameName, type PlacedFrame, positionsBy, trackOf, walkedOf, type WalkLog } from '@roam-dial/core/log';
import { saveBlob, saveText } from '../../base/save-file';
import { counted } from '../../words/counted';
import { VERDICT_WORDS } from '../../words/log';
import { changeFrames, changeLog } from './edits';
import { WorkspaceStore } from '../workspace/workspace.store';
import { fetched } from '../../base/fetched';

const framesWord = (count: number): string => counted(count, 'frame', 'frames');
const LARGEST_BYTES = 64 * 1024 * 1024;

/** What a log takes of a track (core/src/formats/reading/logSchema.ts). */
const LONGEST_TRACK_M = 1e7;
const LONGEST_TRACK_S = 1e7;
type LogTrack = NonNullable<WalkLog['track']>;
const NOT_WALKED: LogTrack = { lengthM: 0, walkingS: 0 };

const together = (a: LogTrack, b: LogTrack): LogTrack => ({ lengthM: a.lengthM + b.lengthM, walkingS: a.walkingS + b.walkingS });

/** The frames of a walk to files and from files; what writes and reads is loaded when it is wanted. */
@Injectable({ providedIn: 'root' })
export class FrameFileActions {
  private readonly store = inject(WorkspaceStore);

  async saveTable(log: WalkLog, placed: readonly PlacedFrame[], hasPlaces: boolean): Promise<void> {
    const { writeFramesCsv } = await fetched('The file formats', () => import('@roam-dial/core/formats/logFiles'));
    saveText(writeFramesCsv({ log, placed, hasPlaces, words: VERDICT_WORDS }), `frames-${log.day}.csv`, 'text/csv');
  }

  /** A file a frame, in one archive: laid beside the frames they are read with them. */
  async saveSidecars(log: WalkLog, placed: readonly PlacedFrame[], hasPlaces: boolean): Promise<void> {
    const [{ sidecarNames, writeXmp }, { strToU8, zipSync }] = await Promise.all([
      fetched('The file formats', () => import('@roam-dial/core/formats/logFiles')),
      fetched('The ZIP writer', () => import('fflate')),
    ]);
    const facts = { log, hasPlaces, words: VERDICT_WORDS };
    const names = sidecarNames(placed.map(({ frame }) => fileOfFrame(frame)?.name ?? frameName(frame)));
    const files = placed.map((one, k) => [names[k], strToU8(writeXmp(one, facts))]);
    const zipped = zipSync(Object.fromEntries(files) as Record<string, Uint8Array>);
    saveBlob(new Blob([Uint8Array.from(zipped)], { type: 'application/zip' }), `sidecars-${log.day}.zip`);
  }

  async saveMap(log: WalkLog, placed: readonly PlacedFrame[]): Promise<void> {
    const { writeFramesGeoJson } = await fetched('The file formats', () => import('@roam-dial/core/formats/logFiles'));
    saveText(writeFramesGeoJson(log, placed, VERDICT_WORDS), `frames-${log.day}.geojson`, 'application/geo+json');
  }

  /** What came of it, in words. */
  async readTable(log: WalkLog, file: File): Promise<string> {
    if (file.size > LARGEST_BYTES) return `${file.name} is larger than ${LARGEST_BYTES / 1024 / 1024} MB.`;
    const { readFramesCsv, withLines } = await fetched('The file formats', () => import('@roam-dial/core/formats/logFiles'));
    const read = readFramesCsv(await file.text(), VERDICT_WORDS);
    if (!read.ok) return read.message;
    const { frames } = await this.store.snapshot();
    const changed = withLines(
      log,
      frames.filter(({ logId }) => logId === log.id),
      read.lines,
    );
    const byId = new Map(changed.map((frame) => [frame.id, frame]));
    if (changed.length > 0) {
      this.store.edit(
        { label: `read ${file.name}` },
        changeFrames(new Set(byId.keys()), (frame) => byId.get(frame.id) ?? frame),
      );
    }
    return `${counted(read.lines.length, 'line', 'lines')} read, ${framesWord(changed.length)} changed.`;
  }

  /** Positions for frames that have none, and how fast one walked; what came of it, in words. */
  async readTrack(log: WalkLog, file: File): Promise<string> {
    if (file.size > LARGEST_BYTES) return `${file.name} is larger than ${LARGEST_BYTES / 1024 / 1024} MB.`;
    const { readGpx } = await fetched('The track reader', () => import('@roam-dial/core/formats/walkFiles'));
    const read = readGpx(await file.text());
    if (!read.ok) return read.message;
    const track = trackOf(read.gpx.tracks.flat());
    if (track.length < 2) return `${file.name} has no track with times in it.`;
    // Walks of one file stay apart: from the end of one to the beginning of the next nobody walked.
    const walked = read.gpx.tracks.map((one) => walkedOf(trackOf(one))).reduce(together, NOT_WALKED);
    if (walked.lengthM > LONGEST_TRACK_M || walked.walkingS > LONGEST_TRACK_S) {
      const [km, days] = [Math.round(walked.lengthM / 1000), Math.round(walked.walkingS / 86_400)];
      return `${file.name} has ${km} km of walking over ${days} days, more than a log takes (10000 km, 115 days). Nothing was changed: export one walk alone.`;
    }
    const { frames } = await this.store.snapshot();
    const own = frames.filter(({ logId }) => logId === log.id);
    const places = positionsBy(log, own, track);
    this.store.edit({ label: `read the track ${file.name}` }, (workspace) =>
      changeFrames(new Set(places.keys()), (frame) => ({ ...frame, position: places.get(frame.id) ?? frame.position }))(
        changeLog(log.id, (one) => ({ ...one, track: walked }))(workspace),
      ),
    );
    const km = (walked.lengthM / 1000).toFixed(1);
    const minutes = Math.round(walked.walkingS / 60);
    return `${framesWord(places.size)} placed by the track. You walked ${km} km in ${minutes} min, stops not counted.`;
  }
}
