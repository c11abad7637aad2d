import { setUpAt } from './firstSetUp.js';
import { planSetUp } from './plan.js';
import type { Obstacle, Sacrifice, SetUp, SetUpInput } from './setUp.js';

/** One step of a light ladder: what the hand changes when the light has fallen to this EV. */
export interface Rung {
  readonly ev100: number;
  readonly setUp: SetUp;
  readonly sacrifices: readonly Sacrifice[];
  readonly changes: readonly Change[];
}

export type Change =
  | { readonly control: 'aperture'; readonly fNumber: number }
  | { readonly control: 'focus'; readonly distanceM: number }
  | { readonly control: 'shutter'; readonly seconds: number }
  | { readonly control: 'iso'; readonly iso: number };

export interface FirstLadder {
  readonly rungs: readonly Rung[];
  /** Where the picture ends; null where it still works at the foot of the ladder. */
  readonly ends: { readonly ev100: number; readonly obstacle: Obstacle } | null;
  readonly footEv100: number;
}

const STEPS_DOWN = 24;
/** A change is made for this many thirds ahead, so that the hand moves once a stop and not once a third. */
const AHEAD_STEPS = 2;

/** What the hand sets; ISO and shutter that move by themselves are no step. */
function changesBetween(before: SetUp, after: SetUp): readonly Change[] {
  const changes: Change[] = [];
  if (after.aperture.fNumber !== before.aperture.fNumber) {
    changes.push({ control: 'aperture', fNumber: after.aperture.fNumber });
  }
  if (after.focus.distanceM !== before.focus.distanceM) {
    changes.push({ control: 'focus', distanceM: after.focus.distanceM });
  }
  if (after.shutter.role !== 'camera' && after.shutter.seconds !== before.shutter.seconds) {
    changes.push({ control: 'shutter', seconds: after.shutter.seconds });
  }
  if (after.iso.limit === 'setForShutter' && after.iso.lowest !== before.iso.lowest) {
    changes.push({ control: 'iso', iso: after.iso.lowest });
  }
  return changes;
}

/** Whether the hand's settings still serve at a lower EV: nothing that it sets would have to change. */
function stillServes(held: SetUp, wanted: SetUp): boolean {
  const shutterServes = wanted.shutter.role === 'camera' || wanted.shutter.seconds <= held.shutter.seconds;
  const isoServes = wanted.iso.limit !== 'setForShutter' || wanted.iso.lowest <= held.iso.lowest;
  return wanted.aperture.fNumber >= held.aperture.fNumber && shutterServes && isoServes;
}

/**
 * What to change as the light falls, looked at in thirds of a stop over eight stops from the light now; it stops where
 * the picture does. A first ladder: when a setting no longer serves, the hand moves to what serves two thirds further
 * down as well. As EV falls each control moves one way only.
 */
export function firstLadder(input: SetUpInput): FirstLadder {
  const plan = planSetUp(input);
  const topEv = Math.floor(input.light.keyEv100 * 3 + 1e-9) / 3;
  const rungs: Rung[] = [];
  let held = setUpAt(plan, input.light.keyEv100).setUp;
  for (let step = 0; step <= STEPS_DOWN; step++) {
    const ev100 = topEv - step / 3;
    const result = setUpAt(plan, ev100);
    if (result.kind === 'cannot') return { rungs, ends: { ev100, obstacle: result.obstacle }, footEv100: ev100 };
    if (stillServes(held, result.setUp)) continue;
    const ahead = setUpAt(plan, ev100 - AHEAD_STEPS / 3);
    const { setUp, sacrifices } = ahead.kind === 'ready' ? ahead : result;
    rungs.push({ ev100, setUp, sacrifices, changes: changesBetween(held, setUp) });
    held = setUp;
  }
  return { rungs, ends: null, footEv100: topEv - STEPS_DOWN / 3 };
}
