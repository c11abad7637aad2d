import type { Movers, Stop, Subject } from './stop.js';
import { zoneOfPassers } from './zone.js';

/** Of a thing nobody passes and nothing moves; it stands at one distance, to the accuracy of putting a camera up (s). */
const THING_SPREAD = 0.02;

/** Whether a stop is about a thing at one distance, not about people. */
export function isOfThing({ movers }: Pick<Stop, 'movers'>): boolean {
  return movers.speedMps === 0 && movers.speedSpreadMps === 0 && movers.passersPerMinute === 0;
}

/** The same stop about a thing, where its people would pass: a statue, a shop window, a sign. */
export function ofThing(stop: Stop): Stop {
  const still: Movers = { ...stop.movers, who: 'a thing', speedMps: 0, speedSpreadMps: 0, travelSpreadDeg: 0, passersPerMinute: 0 };
  const { medianM } = stop.subject;
  const subject: Subject = {
    law: 'whoeverPasses',
    medianM,
    spread: THING_SPREAD,
    ...zoneOfPassers({ medianM, spread: THING_SPREAD }),
  };
  return { ...stop, movers: still, subject, wishes: { ...stop.wishes, people: 'nobody' } };
}

/** And about people again, who pass where it stood. */
export function ofPeople(stop: Stop, movers: Movers, spread: number): Stop {
  const { medianM } = stop.subject;
  const { people: _, ...wishes } = stop.wishes ?? {};
  return { ...stop, movers, subject: { medianM, spread, ...zoneOfPassers({ medianM, spread }) }, wishes };
}
