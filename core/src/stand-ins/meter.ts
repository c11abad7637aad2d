import { seeded } from '../metering/index.js';

/** What a meter held in the hand says at a moment. */
export interface HandReading {
  /** Whole number of the reading since it began. */
  readonly count: number;
  readonly ev100: number;
  /** What it is pointed at. */
  readonly name: string;
}

/** How often it reads. */
export const READS_EVERY_MS = 500;
/** So many readings it stays on one thing. */
const STAYS = 8;
const STEPS_BETWEEN = 3;
const SPREAD_EV = 0.12;

/** A made-up square in the afternoon: what somebody with a meter would point it at, one thing after the other. */
const POINTED_AT: readonly { readonly name: string; readonly ev100: number }[] = [
  { name: 'the white wall', ev100: 15.8 },
  { name: 'a coat in the sun', ev100: 13.4 },
  { name: 'the pavement', ev100: 14.6 },
  { name: 'a face in the shade', ev100: 11.2 },
  { name: 'the open doorway', ev100: 8.1 },
  { name: 'the sky', ev100: 14.9 },
];

/**
 * The stand-in for a meter in the hand: a made-up scene read over and over, the same every time. The server streams it, and
 * without a server the browser reads it itself.
 */
export function handReadingAt(count: number): HandReading {
  const place = Math.floor(count / STAYS) % POINTED_AT.length;
  const [now, before] = [POINTED_AT[place], POINTED_AT[(place + POINTED_AT.length - 1) % POINTED_AT.length]] as const;
  if (now === undefined || before === undefined) throw new RangeError(`count must be a whole number of at least 0, got ${count}`);
  // It sweeps from one thing to the next before it rests there; a hand is never quite still.
  const share = Math.min(1, ((count % STAYS) + 1) / STEPS_BETWEEN);
  const tremble = SPREAD_EV * (2 * seeded(count)() - 1);
  return { count, ev100: before.ev100 + share * (now.ev100 - before.ev100) + tremble, name: now.name };
}
