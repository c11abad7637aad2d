import { DateTime } from 'luxon';

/** The date where the person is, as walks and file names have it. */
export function today(now: DateTime = DateTime.now()): string {
  return now.toFormat('yyyy-MM-dd');
}
