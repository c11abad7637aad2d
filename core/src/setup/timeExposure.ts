import type { AutoExposure } from '../exposure/index.js';
import { snapToMark } from '../units/index.js';
import type { Choice } from './choose.js';
import type { DepthRow } from './depthTable.js';
import type { Plan } from './plan.js';
import type { Obstacle, SetUpResult } from './setUp.js';
import { type Settled, writeCard } from './writeCard.js';

/** Bulb exposures of fireworks are not metered: f/11 at base ISO holds the trails' colour (practice). */
const FIREWORKS_F_NUMBER = 11;

function nearestRow(rows: readonly DepthRow[], fNumber: number): number {
  const marks = rows.map((row) => row.fNumber);
  return marks.indexOf(snapToMark({ value: fNumber, marks, direction: 'nearest' }) ?? fNumber);
}

function obstacleOf(plan: Plan, seconds: number, overEv: number): Obstacle | null {
  if (overEv > 1 / 3) return { kind: 'tooBright', stops: overEv };
  const { shakeS } = plan.limits;
  return seconds > shakeS * (1 + 1e-9) ? { kind: 'needsTripod', wantedS: seconds, longestS: shakeS } : null;
}

/**
 * A time that is wanted for its own sake (water, trails, an emptied square, fireworks): base ISO, and the aperture that
 * gives it. Too bright at the smallest aperture: the stops of neutral density that are missing. Too dark at the widest:
 * the time grows. Longer than the hands hold: a tripod. Source: docs/formulas.md#time-exposures.
 */
export function timeExposure(plan: Plan, targetEv: number): SetUpResult {
  const { input, rows, isoLowest: iso, shuttersS } = plan;
  const { intent } = input;
  const isBulb = intent.kind === 'fireworks';
  const wantedS = intent.kind === 'fireworks' ? intent.bulbS : intent.kind === 'longExposure' ? intent.wantedS : 1;
  const exactFNumber = isBulb ? FIREWORKS_F_NUMBER : 2 ** ((Math.log2(wantedS * (iso / 100)) + targetEv) / 2);
  const row = nearestRow(rows, exactFNumber);
  const { fNumber } = rows[row] as DepthRow;
  const isHeldBack = row === rows.length - 1 && fNumber < exactFNumber;
  const overEv = isHeldBack ? 2 * Math.log2(exactFNumber / fNumber) : 0;

  const metered = isBulb || isHeldBack ? wantedS : 2 ** (2 * Math.log2(fNumber) - targetEv - Math.log2(iso / 100));
  const seconds = snapToMark({ value: metered, marks: shuttersS, direction: 'nearest' }) ?? metered;
  const exposure: AutoExposure = { fNumber, shutterS: seconds, iso, errorEv: 0, limit: null };
  const settled: Settled = {
    seconds,
    role: 'set',
    shutterLimit: 'wantedSeconds',
    iso: { lowest: iso, highest: iso, isSet: true },
    exposure,
  };
  const choice: Choice = { row, slowestS: seconds, apertureLimit: 'wantedSeconds', sacrifices: [], obstacle: null };
  const setUp = writeCard(plan, choice, targetEv, settled);
  const obstacle = obstacleOf(plan, seconds, overEv);
  return obstacle === null ? { kind: 'ready', setUp, sacrifices: [] } : { kind: 'cannot', obstacle, setUp, sacrifices: [] };
}
