import { walkClock } from '@roam-dial/core/light';
import { minutesMeasured, type Walk } from '@roam-dial/core/walk';
import { type PastMidnight, timeDomain, type TimeDomain } from '../drawing/time-axis';
import type { Wording } from '../words/wording';

function pastMidnight(walk: Walk, shownMin: number, wording: Wording): PastMidnight {
  const nextDay = walkClock(walk.day, walk.place.timeZone)?.nextDay ?? walk.day;
  return { minutes: minutesMeasured(walk, shownMin), nextDay: wording.weekday(nextDay), shownMin };
}

/** The time axis of a walk: round its stays and the light of its day if given, on past midnight where it goes or one looks there. */
export function walkAxis(walk: Walk | null, light: TimeDomain | null, shownMin: number, wording: Wording): TimeDomain {
  return walk === null ? timeDomain([], light) : timeDomain(walk.stops, light, pastMidnight(walk, shownMin, wording));
}
