import { sharpZone } from './sharpness.js';

/** What was measured on the lens. */
export interface MeasuredThrow {
  readonly ringDiameterMm: number | null;
  /** The way that the ring turns towards infinity, seen from behind the camera. */
  readonly turnToInfinity: 'clockwise' | 'anticlockwise' | null;
  /** Turn at some distances, in any order; `Infinity` for the end of the throw. */
  readonly throwPoints: readonly { readonly distanceM: number; readonly degrees: number }[];
}

export type MissingMeasurement = 'ringDiameter' | 'direction' | 'infinity' | 'moreDistances' | 'order';

export interface TapeDistance {
  readonly distanceM: number;
  /** From the strip's left end, which is infinity where the ring turns clockwise towards it. */
  readonly atMm: number;
}

export interface TapeDepth {
  readonly fNumber: number;
  /** Left and right of the index, both positive. */
  readonly leftMm: number;
  readonly rightMm: number;
  /** The most that a mark is off at any of the distances that it was taken from. */
  readonly offMm: number;
}

export type BarrelTape =
  | { readonly kind: 'needs'; readonly missing: readonly MissingMeasurement[] }
  | {
      readonly kind: 'tape';
      readonly lengthMm: number;
      readonly circumferenceMm: number;
      readonly distances: readonly TapeDistance[];
      readonly depth: readonly TapeDepth[];
    };

/** With fewer, what lies between is guessed. */
const LEAST_POINTS = 4;

interface Turn {
  /** 1/distance. */
  readonly dioptres: number;
  /** Away from infinity. */
  readonly degrees: number;
}

function missingOf({ ringDiameterMm, turnToInfinity, throwPoints }: MeasuredThrow): readonly MissingMeasurement[] {
  const ends = turnsOf(throwPoints);
  const isMonotone = ends.every((turn, k) => k === 0 || turn.degrees > (ends[k - 1] as Turn).degrees);
  return [
    ...(ringDiameterMm === null ? (['ringDiameter'] as const) : []),
    ...(turnToInfinity === null ? (['direction'] as const) : []),
    ...(throwPoints.some(({ distanceM }) => distanceM === Infinity) ? [] : (['infinity'] as const)),
    ...(throwPoints.length < LEAST_POINTS ? (['moreDistances'] as const) : []),
    ...(isMonotone ? [] : (['order'] as const)),
  ];
}

/** Measured turns away from infinity, by rising dioptres. */
function turnsOf(points: MeasuredThrow['throwPoints']): readonly Turn[] {
  const infinity = points.find(({ distanceM }) => distanceM === Infinity)?.degrees ?? 0;
  return points
    .map(({ distanceM, degrees }) => ({ dioptres: 1 / distanceM, degrees: Math.abs(infinity - degrees) }))
    .sort((a, b) => a.dioptres - b.dioptres);
}

/** Turn away from infinity at a distance, straight between the measured ones in dioptres; null nearer than the nearest. */
function turnAt(turns: readonly Turn[], distanceM: number): number | null {
  const dioptres = 1 / distanceM;
  const above = turns.findIndex((turn) => turn.dioptres >= dioptres * (1 - 1e-12));
  if (above === -1) return null;
  const to = turns[above] as Turn;
  const from = turns[above - 1];
  if (from === undefined) return to.degrees;
  return from.degrees + ((dioptres - from.dioptres) / (to.dioptres - from.dioptres)) * (to.degrees - from.degrees);
}

interface Offsets {
  readonly toNear: readonly number[];
  readonly toFar: readonly number[];
}

const meanOf = (values: readonly number[]): number => values.reduce((a, b) => a + b, 0) / values.length;

/** Turns from a focus to its near and far limits, over all focuses whose limits lie on the throw. */
function offsetsOf(turns: readonly Turn[], focusesM: readonly number[], zoneAt: (focusM: number) => Zone): Offsets {
  const toNear: number[] = [];
  const toFar: number[] = [];
  for (const focusM of focusesM) {
    const zone = zoneAt(focusM);
    const at = turnAt(turns, focusM);
    if (zone === null || at === null) continue;
    const near = turnAt(turns, zone.nearM);
    if (near !== null) toNear.push(near - at);
    // Past the hyperfocal distance the throw ends before the depth does.
    if (zone.farM !== Infinity) toFar.push(at - (turnAt(turns, zone.farM) as number));
  }
  return { toNear, toFar };
}

type Zone = { readonly nearM: number; readonly farM: number } | null;

/**
 * A strip at true size for the focus ring: distances on the measured throw, and on a second strip the depth at each
 * aperture left and right of the index. Turn is straight in 1/distance between the measured points; 1° is π·diameter/360.
 * A fixed depth mark is the mean over the focus distances given, because a throw is never quite straight; `offMm` says how
 * far it is off at the worst of them. Source: docs/formulas.md#barrel-tape.
 */
export function barrelTape({
  measured,
  focalLengthMm,
  circleOfConfusionMm,
  fNumbers,
  distancesM,
}: {
  readonly measured: MeasuredThrow;
  readonly focalLengthMm: number;
  readonly circleOfConfusionMm: number;
  readonly fNumbers: readonly number[];
  readonly distancesM: readonly number[];
}): BarrelTape {
  const missing = missingOf(measured);
  const { ringDiameterMm, turnToInfinity, throwPoints } = measured;
  if (missing.length > 0 || ringDiameterMm === null) return { kind: 'needs', missing };

  const turns = turnsOf(throwPoints);
  const circumferenceMm = Math.PI * ringDiameterMm;
  const mmOf = (degrees: number): number => (degrees / 360) * circumferenceMm;
  const lengthMm = mmOf((turns.at(-1) as Turn).degrees);
  const isInfinityLeft = turnToInfinity === 'clockwise';
  const distances = distancesM.flatMap((distanceM): TapeDistance[] => {
    const degrees = turnAt(turns, distanceM);
    if (degrees === null) return [];
    return [{ distanceM, atMm: isInfinityLeft ? mmOf(degrees) : lengthMm - mmOf(degrees) }];
  });

  const depth = fNumbers.flatMap((fNumber): TapeDepth[] => {
    const zoneAt = (focusDistanceM: number): ReturnType<typeof sharpZone> =>
      sharpZone({ focalLengthMm, fNumber, circleOfConfusionMm, focusDistanceM });
    const hyperfocalM = zoneAt(Infinity)?.hyperfocalM;
    if (hyperfocalM === undefined) return [];
    const { toNear, toFar } = offsetsOf(turns, [...distancesM.filter((one) => one !== Infinity), hyperfocalM * (1 - 1e-9)], zoneAt);
    if (toNear.length === 0 || toFar.length === 0) return [];
    const [near, far] = [meanOf(toNear), meanOf(toFar)];
    const off = Math.max(...toNear.map((one) => Math.abs(one - near)), ...toFar.map((one) => Math.abs(one - far)));
    const [left, right] = isInfinityLeft ? [far, near] : [near, far];
    return [{ fNumber, leftMm: mmOf(left), rightMm: mmOf(right), offMm: mmOf(off) }];
  });
  return { kind: 'tape', lengthMm, circumferenceMm, distances, depth };
}
