import { focusPositionsM, lensApertures } from '../kit/index.js';
import {
  circleOfConfusionMm,
  depthOfField,
  inZoneProbability,
  logNormalBetween,
  normalBetween,
  sharpZone,
} from '../optics/index.js';
import type { SetUpInput, SharpZone } from './setUp.js';

/** What one aperture can hold sharp at its best focus. */
export interface DepthRow {
  readonly fNumber: number;
  readonly focusM: number;
  readonly sharp: SharpZone | null;
  readonly sharpGeometric: SharpZone;
  readonly coversZone: boolean;
  /** Chance that whoever is shot stands within `sharp`, before the chance of an autofocus lock. */
  readonly zoneChance: number;
}

/** Where people step round a spot that was focused on, standard deviation in metres. */
const STEP_SPREAD_M = 0.3;
/** How far off the middle of the frame the subject is wanted, degrees. */
const CENTRE_POINT_OFFSET_DEG = 15;
const RAD = Math.PI / 180;

/** Distance at which the subject really is when the frame is taken by the centre point: recomposed, and walked on. */
function centrePointDistanceM({ subject, movers, body }: SetUpInput): number {
  const recomposed = subject.medianM * Math.cos(CENTRE_POINT_OFFSET_DEG * RAD);
  return recomposed - movers.speedMps * Math.cos(movers.travelAngleDeg * RAD) * body.autofocusDelayS;
}

function zoneChance(input: SetUpInput, sharp: SharpZone): number {
  const { subject, standard, approach } = input;
  if (approach.focus === 'fixedZone') {
    return subject.spread > 0
      ? logNormalBetween({ medianM: subject.medianM, spread: subject.spread, ...sharp })
      : inZoneProbability({ intendedM: subject.medianM, ...standard, ...sharp });
  }
  const mean = approach.focus === 'lockedOnSpot' ? subject.medianM : centrePointDistanceM(input);
  return normalBetween({ mean, spread: STEP_SPREAD_M, low: sharp.nearM, high: sharp.farM });
}

function rowAt(input: SetUpInput, circleMm: number, fNumber: number, focusM: number): DepthRow {
  const { focalLengthMm, subject } = input;
  const setting = { focalLengthMm, fNumber, circleOfConfusionMm: circleMm, focusDistanceM: focusM };
  const sharp = sharpZone(setting);
  return {
    fNumber,
    focusM,
    sharp,
    sharpGeometric: depthOfField(setting),
    coversZone: sharp !== null && sharp.nearM <= subject.nearM * (1 + 1e-9) && sharp.farM >= subject.farM * (1 - 1e-9),
    zoneChance: sharp === null ? 0 : zoneChance(input, sharp),
  };
}

/** Chances nearer than this to each other are the same. */
const SAME_CHANCE = 0.002;

/** Covering the zone first, then the chance, then the focus nearest to the zone's own, 2·n·F/(n + F). */
function better(a: DepthRow, b: DepthRow, idealM: number): DepthRow {
  if (a.coversZone !== b.coversZone) return a.coversZone ? a : b;
  if (Math.abs(a.zoneChance - b.zoneChance) > SAME_CHANCE) return a.zoneChance > b.zoneChance ? a : b;
  const off = (row: DepthRow): number => Math.abs(1 / row.focusM - 1 / idealM);
  return off(b) < off(a) ? b : a;
}

function focusChoicesM({ approach, subject, lens }: SetUpInput): readonly number[] {
  const spotM = Math.max(subject.medianM, lens.closestFocusM);
  return approach.focus === 'fixedZone' ? focusPositionsM(lens) : [spotM];
}

/** The circle of confusion of the person's standard on this body, mm. */
export function standardCircleMm({ standard, body }: SetUpInput): number {
  return circleOfConfusionMm(standard.sharpness, body);
}

/**
 * For every marked aperture of the lens, ascending, the focus that serves the stop best.
 * Independent of the light, so that a ladder computes it once.
 */
export function depthTable(input: SetUpInput): readonly DepthRow[] {
  const { subject, lens, focalLengthMm } = input;
  const circleMm = standardCircleMm(input);
  const idealM = 2 / (1 / subject.nearM + 1 / subject.farM);
  return lensApertures(lens, focalLengthMm).map((fNumber) =>
    focusChoicesM(input)
      .map((focusM) => rowAt(input, circleMm, fNumber, focusM))
      .reduce((best, row) => better(best, row, idealM)),
  );
}
