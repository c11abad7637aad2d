import type { Archive } from '@roam-dial/core/formats/archive';
import type { LogStay, WalkLog } from '@roam-dial/core/log';
import type { Walk } from '@roam-dial/core/walk';
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

/** The shipped demo on its next day, what was brought home from its earlier walk as long before it; its file is an ordinary export. */
export function demoOn(archive: Archive, today: Date): Archive {
  const day = nextDemoDay(today);
  const laterMs = Date.parse(day) - Date.parse(archive.walks[0]?.day ?? day);
  const later = (text: string): string => new Date(Date.parse(text) + laterMs).toISOString().slice(0, 'YYYY-MM-DD'.length);
  return {
    ...archive,
    walks: archive.walks.map((walk): Walk => ({ ...walk, day })),
    logs: archive.logs.map((log): WalkLog => ({
      ...log,
      day: later(log.day),
      stays: log.stays.map((stay) => stayLater(stay, laterMs)),
    })),
    frames: archive.frames.map((frame) => ({ ...frame, wallMs: frame.wallMs === null ? null : frame.wallMs + laterMs })),
  };
}

/** Days in March that summer time does not come between are as long as each other. */
function stayLater(stay: LogStay, laterMs: number): LogStay {
  return {
    ...stay,
    fromMs: stay.fromMs + laterMs,
    toMs: stay.toMs + laterMs,
    cards: stay.cards.map(({ atMs, moment }) => ({ atMs: atMs + laterMs, moment })),
  };
}
