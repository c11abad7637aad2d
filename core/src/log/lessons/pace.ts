import type { Standard } from '../../kit/index.js';
import type { Outing } from '../../outing/index.js';
import type { Stop } from '../../stop/index.js';
import { footLengthM } from '../../walk/index.js';
import type { WalkLog } from '../frames/index.js';
import { clamped, expectedOf, hundredths, type Lesson, taughtBy } from './lesson.js';
import { logMiddle } from './logMiddle.js';

/** A way that was walked: its length and what it took. */
export interface WalkedLeg {
  readonly lengthM: number;
  readonly seconds: number;
}

/** Shorter ones say more of doors and lights than of legs. */
const SHORTEST_M = 50;
const SHORTEST_S = 30;
/** Slower is looking round, faster is no walking, m/s. */
const WALKING = [0.3, 3] as const;
/** How far a person is expected to be off their figure, ln (s), and a leg about it at least. */
const PACE_SD = 0.3;
const LEAST_LEG_SPREAD = 0.15;
/** Fewer legs are not asked; a track is one, of many. */
const LEAST_LEGS = 3;
const PACES = [0.1, 10] as const;

/**
 * Legs of a walk by what was tapped on it: from going on to being there. Their lengths as the plan has them without a map: straight
 * with its detour. A simulated walker teaches nothing.
 */
export function legsWalked({ clock, happenings }: Outing, stops: readonly Pick<Stop, 'id' | 'position'>[]): readonly WalkedLeg[] {
  if (clock.kind === 'simulated') return [];
  return happenings.flatMap(({ event, stopId, atMs }, k) => {
    const before = happenings[k - 1];
    if (event.kind !== 'arrived' || before?.event.kind !== 'wentOn') return [];
    const [from, to] = [before.stopId, stopId].map((id) => stops.find((stop) => stop.id === id)?.position ?? null);
    if (from == null || to == null) return [];
    return [{ lengthM: footLengthM(from, to), seconds: (atMs - before.atMs) / 1000 }];
  });
}

/** What the tracks of logs say: each as one way, the standing left out. */
export function tracksWalked(logs: readonly WalkLog[]): readonly WalkedLeg[] {
  return logs.flatMap(({ track }) => (track === undefined ? [] : [{ lengthM: track.lengthM, seconds: track.walkingS }]));
}

/** How fast a person walks from stop to stop, m/s. Source: docs/log.md#lessons. */
export function paceLesson(legs: readonly WalkedLeg[], standard: Standard): Lesson<Partial<Standard>> {
  const today = standard.paceMps;
  const paces = legs
    .filter(({ lengthM, seconds }) => lengthM >= SHORTEST_M && seconds >= SHORTEST_S)
    .map(({ lengthM, seconds }) => lengthM / seconds)
    .filter((pace) => pace >= WALKING[0] && pace <= WALKING[1]);
  if (paces.length < LEAST_LEGS) return { kind: 'notYet', today, why: paces.length === 0 ? 'none' : 'few', frames: paces.length };
  const expected = expectedOf(standard, 'paceMps', today);
  const found = logMiddle(paces, { expected, expectedSd: PACE_SD, leastSpread: LEAST_LEG_SPREAD });
  const paceMps = hundredths(clamped(found.value, PACES));
  return {
    kind: 'found',
    today,
    found: found.value,
    low: found.low,
    high: found.high,
    frames: paces.length,
    spoilt: 0,
    takes: { paceMps, ...taughtBy(standard, { paceMps: { today, taken: paceMps } }) },
  };
}
