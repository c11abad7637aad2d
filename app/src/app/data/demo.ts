import type { Archive, Walk } from '@roam-dial/core';
import { DateTime } from 'luxon';

const SATURDAY = 6;
const DAYS_OF_WEEK = 7;

/** The Saturday that is nearest to the fifteenth. */
function saturdayNearMidMarch(year: number): DateTime {
  const ides = DateTime.utc(year, 3, 15);
  const ahead = (SATURDAY - ides.weekday + DAYS_OF_WEEK) % DAYS_OF_WEEK;
  return ides.plus({ days: ahead <= 3 ? ahead : ahead - DAYS_OF_WEEK });
}

/** The next Saturday nearest to the middle of March, today included, as YYYY-MM-DD. */
export function nextDemoDay(today: Date): string {
  const { year, month, day } = DateTime.fromJSDate(today);
  const thisYear = saturdayNearMidMarch(year);
  const next = thisYear >= DateTime.utc(year, month, day) ? thisYear : saturdayNearMidMarch(year + 1);
  return next.toFormat('yyyy-MM-dd');
}

/** The shipped demo on its next day; its file is an ordinary export. */
export function demoOn(archive: Archive, today: Date): Archive {
  const day = nextDemoDay(today);
  return { ...archive, walks: archive.walks.map((walk): Walk => ({ ...walk, day })) };
}
