import type { Archive, Walk } from '@roam-dial/core';

const SATURDAY = 6;
const DAY_MS = 86_400_000;

function saturdayNearMidMarch(year: number): Date {
  const ides = Date.UTC(year, 2, 15);
  const weekday = new Date(ides).getUTCDay();
  const ahead = (SATURDAY - weekday + 7) % 7;
  return new Date(ides + (ahead <= 3 ? ahead : ahead - 7) * DAY_MS);
}

/** The next Saturday nearest to the middle of March, today included, as YYYY-MM-DD. */
export function nextDemoDay(today: Date): string {
  const year = today.getFullYear();
  const startOfToday = Date.UTC(year, today.getMonth(), today.getDate());
  const thisYear = saturdayNearMidMarch(year);
  return (thisYear.getTime() >= startOfToday ? thisYear : saturdayNearMidMarch(year + 1)).toISOString().slice(0, 10);
}

/** The shipped demo on its next day; its file is an ordinary export. */
export function demoOn(archive: Archive, today: Date): Archive {
  const day = nextDemoDay(today);
  return { ...archive, walks: archive.walks.map((walk): Walk => ({ ...walk, day })) };
}
