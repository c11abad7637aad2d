import { DateTime } from 'luxon';

/** An instant as EXIF writes it, by the wall of a zone: `2027:03:13 10:15:30`. */
export function wallText(atMs: number, zone: string): string {
  return DateTime.fromMillis(atMs, { zone }).toFormat('yyyy:MM:dd HH:mm:ss');
}
