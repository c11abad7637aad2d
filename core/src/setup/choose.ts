import type { DepthRow } from './depthTable.js';
import type { Plan } from './plan.js';
import type { ApertureLimit, Obstacle, Sacrifice } from './setUp.js';

/** The hand's choice at one EV, before it is written out as a card. */
export interface Choice {
  readonly row: number;
  /** Slowest shutter, marked. */
  readonly slowestS: number;
  readonly apertureLimit: ApertureLimit;
  readonly sacrifices: readonly Sacrifice[];
  readonly obstacle: Obstacle | null;
}

const ROUNDING_EV = 1e-9;

function rowOf(plan: Plan, row: number): DepthRow {
  const found = plan.rows[row];
  if (found === undefined) throw new RangeError(`row must be from 0 to ${plan.rows.length - 1}, got ${row}`);
  return found;
}

/** Stops by which the light falls short at this aperture and shutter with ISO at its highest; 0 or less is enough. */
function shortEv(plan: Plan, targetEv: number, row: number, shutterS: number): number {
  const { fNumber } = rowOf(plan, row);
  return 2 * Math.log2(fNumber) - Math.log2(shutterS) - Math.log2(plan.isoHighest / 100) - targetEv;
}

/** Stops by which the light is too much at this aperture with ISO at its lowest and the shutter at its fastest. */
function overEv(plan: Plan, targetEv: number, row: number): number {
  const { fNumber } = rowOf(plan, row);
  const fastest = plan.input.intent.kind === 'flashLift' ? (plan.shuttersS[0] as number) : plan.input.body.fastestShutterS;
  return targetEv - (2 * Math.log2(fNumber) - Math.log2(fastest) - Math.log2(plan.isoLowest / 100));
}

/** Below this chance that a person is in the sharp zone, giving up depth is not a picture any more. */
export const LEAST_ZONE_CHANCE = 0.5;

function apertureLimitOf(plan: Plan, row: number): ApertureLimit {
  if (plan.leastRow === null) return 'zoneOutOfReach';
  if (row < plan.wantedRow) return row === 0 ? 'lensWidest' : 'openedForLight';
  return row === plan.leastRow && row > 0 && row === plan.firstCovering ? 'zoneNeedsIt' : 'preferred';
}

/** Too bright for the widest wanted aperture: stop down until the fastest shutter can hold it. */
function stopDown(plan: Plan, targetEv: number): Choice {
  const dimmer = plan.rows.findIndex((_, row) => row >= plan.wantedRow && overEv(plan, targetEv, row) <= ROUNDING_EV);
  const row = dimmer === -1 ? plan.rows.length - 1 : dimmer;
  const over = overEv(plan, targetEv, row);
  return {
    row,
    slowestS: plan.wantedS,
    apertureLimit: dimmer === -1 ? 'lensSmallest' : 'tooBright',
    sacrifices: [],
    obstacle: dimmer === -1 ? { kind: 'tooBright', stops: over } : null,
  };
}

function slower(plan: Plan, slowestS: number): readonly Sacrifice[] {
  return slowestS > plan.wantedS ? [{ kind: 'slowerThanWanted', wantedS: plan.wantedS, leastS: slowestS }] : [];
}

function depthGivenUp(plan: Plan, row: number): readonly Sacrifice[] {
  if (plan.leastRow !== null && row >= plan.leastRow) return [];
  const { zoneChance } = rowOf(plan, row);
  const wantedFNumber = rowOf(plan, plan.leastRow ?? plan.wantedRow).fNumber;
  return [{ kind: 'depth', wantedFNumber, zoneChance }];
}

/** What the aperture may be opened to, in turn: first what costs no depth, then what does. */
function openings(from: number, downTo: number): readonly number[] {
  return Array.from({ length: Math.max(0, from - downTo + 1) }, (_, k) => from - k);
}

/**
 * The order in which things are given up as the light falls short: aperture down to what the zone needs, then the
 * shutter down to what holds the typical walker, then depth while half of the people are still in it; past that it
 * cannot be done. Source: docs/formulas.md#first-set-up.
 */
export function chooseAt(plan: Plan, targetEv: number): Choice {
  if (overEv(plan, targetEv, plan.wantedRow) > ROUNDING_EV) return stopDown(plan, targetEv);
  const enough = (row: number, shutterS: number): boolean => shortEv(plan, targetEv, row, shutterS) <= ROUNDING_EV;
  const least = plan.leastRow ?? plan.wantedRow;

  const free = openings(plan.wantedRow, least).find((row) => enough(row, plan.wantedS));
  if (free !== undefined) return choice(plan, free, plan.wantedS, apertureLimitOf(plan, free));

  const slowed = plan.shuttersS.find((s) => s >= plan.wantedS && s <= plan.leastS && enough(least, s));
  if (slowed !== undefined) return choice(plan, least, slowed, apertureLimitOf(plan, least));

  const deepEnough = openings(least, 0).filter((row) => rowOf(plan, row).zoneChance >= LEAST_ZONE_CHANCE);
  const shallow = deepEnough.find((row) => enough(row, plan.leastS));
  if (shallow !== undefined) return choice(plan, shallow, plan.leastS, 'depthGivenUp');

  const widest = deepEnough.at(-1) ?? least;
  const stops = shortEv(plan, targetEv, widest, plan.leastS);
  const limit = widest === 0 ? 'lensWidest' : widest < least ? 'depthGivenUp' : apertureLimitOf(plan, least);
  return { ...choice(plan, widest, plan.leastS, limit), obstacle: { kind: 'tooDark', stops } };
}

function choice(plan: Plan, row: number, slowestS: number, apertureLimit: ApertureLimit): Choice {
  const { zoneChance } = rowOf(plan, row);
  const isHopeless = zoneChance < LEAST_ZONE_CHANCE;
  return {
    row,
    slowestS,
    apertureLimit,
    sacrifices: [...slower(plan, slowestS), ...depthGivenUp(plan, row)],
    obstacle: isHopeless ? { kind: 'zoneTooDeep', zoneChance } : null,
  };
}
