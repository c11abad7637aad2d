import { LONGEST_NAME } from '@roam-dial/core/formats/archive';
import { LAST_MINUTE, type Place } from '@roam-dial/core/light';
import { DateTime } from 'luxon';
import { fetched } from '../base/fetched';

/** What a photograph says of where and when it was taken. */
export interface Snapshot {
  readonly place: Place;
  /** YYYY-MM-DD and minutes from midnight, as the camera's clock had them; null where it says nothing. */
  readonly taken: { readonly day: string; readonly minuteOfDay: number } | null;
  /** The way it looked, degrees from true north; null where it says nothing. */
  readonly bearingDeg: number | null;
}

export type ReadSnapshot = { readonly ok: true; readonly snapshot: Snapshot } | { readonly ok: false; readonly message: string };

const TAKEN = /^(\d{4})[:-](\d{2})[:-](\d{2})[ T](\d{2}):(\d{2})/;

function takenOf(text: unknown): Snapshot['taken'] {
  const hit = typeof text === 'string' ? TAKEN.exec(text) : null;
  if (hit === null) return null;
  const [, year, month, day, hour, minute] = hit;
  const minuteOfDay = Number(hour) * 60 + Number(minute);
  const date = `${year}-${month}-${day}`;
  return DateTime.fromISO(date).isValid && minuteOfDay <= LAST_MINUTE ? { day: date, minuteOfDay } : null;
}

/** Reads the position, the time and the bearing of a photograph; its reader is loaded with the first one. Nothing leaves the device. */
export async function readSnapshot(file: File): Promise<ReadSnapshot> {
  const { default: exifr } = await fetched('The photo reader', () => import('exifr/dist/lite.esm.mjs'));
  const said = await exifr.parse(file, { gps: true, exif: true, reviveValues: false }).catch(() => undefined);
  if (said === undefined) return { ok: false, message: `${file.name} is no photograph that says anything of itself.` };
  const { latitude, longitude } = said;
  if (!(Math.abs(latitude) <= 90 && Math.abs(longitude) <= 180)) {
    return { ok: false, message: `${file.name} does not say where it was taken: the camera had no position.` };
  }
  const bearing = said.GPSImgDirection;
  return {
    ok: true,
    snapshot: {
      place: { latitude, longitude },
      taken: takenOf(said.DateTimeOriginal ?? said.CreateDate),
      bearingDeg: typeof bearing === 'number' && bearing >= 0 && bearing <= 360 ? bearing % 360 : null,
    },
  };
}

/** A file's name as the name of a place. */
export function withoutEnding(fileName: string): string {
  return fileName.replace(/\.[a-z0-9]+$/i, '').slice(0, LONGEST_NAME);
}
