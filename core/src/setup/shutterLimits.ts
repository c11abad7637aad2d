import { motionShutterLimitS, shakeShutterLimitS } from '../handheld/index.js';
import { cropFactor } from '../optics/index.js';
import type { IntentKind } from '../stop/index.js';
import { standardCircleMm } from './depthTable.js';
import type { SetUpInput } from './setUp.js';

/** Smear allowed, in circles of confusion: a strict edge for silhouettes, a little softness for candids. */
const SMEAR_IN_CIRCLES: Readonly<Partial<Record<IntentKind, number>>> = {
  silhouette: 1.5,
  intoTheSun: 1.5,
  brightBackdrop: 1.5,
  litStreet: 3,
};
const CANDID_SMEAR_IN_CIRCLES = 2;
/** The flash's own burst draws a sharp edge into the smear. */
const FLASH_SMEAR_GAIN = 3;

/** Pictures in which nothing moves that must be sharp. */
const STILL_INTENTS: ReadonlySet<IntentKind> = new Set(['facade', 'reflection']);

export interface ShutterLimits {
  /** Holds five walkers of six (mean speed and one spread) at the near end of the zone, the most across they go. */
  readonly wantedMotionS: number;
  /** Holds the typical walker at the typical distance: the least that still makes the picture. */
  readonly leastMotionS: number;
  readonly shakeS: number;
  readonly smearMm: number;
}

const LONGEST_HANDHELD_S = 1;
const BRACE_STOPS = 1.5;

function shakeLimitS({ body, lens, focalLengthMm, standard, approach }: SetUpInput): number {
  if (approach.support === 'tripod') return Infinity;
  const brace = approach.support === 'braced' ? BRACE_STOPS : 0;
  const { shakeRule } = standard;
  if (shakeRule.kind === 'floor') return Math.min(LONGEST_HANDHELD_S, shakeRule.floorS * 2 ** brace);
  return shakeShutterLimitS({
    focalLengthMm,
    cropFactor: shakeRule.kind === 'reciprocal' ? 1 : cropFactor(body),
    ruleFactor: shakeRule.kind === 'halfReciprocalCrop' ? 0.5 : 1,
    stabiliserStops: Math.max(body.stabiliserStops, lens.stabiliserStops),
    steadinessStops: standard.steadinessStops + brace,
    longestS: LONGEST_HANDHELD_S,
  });
}

/** Smear limit of the intent on this body, mm on the sensor; `Infinity` where nothing that moves must be sharp. */
function smearLimitMm(input: SetUpInput): number {
  const { kind } = input.intent;
  if (STILL_INTENTS.has(kind)) return Infinity;
  const circles = SMEAR_IN_CIRCLES[kind] ?? CANDID_SMEAR_IN_CIRCLES;
  return circles * standardCircleMm(input) * (kind === 'flashLift' ? FLASH_SMEAR_GAIN : 1);
}

/** Source: docs/formulas.md#shutter-limits. */
export function shutterLimits(input: SetUpInput): ShutterLimits {
  const { subject, movers, focalLengthMm } = input;
  const smearMm = smearLimitMm(input);
  const shakeS = shakeLimitS(input);
  if (smearMm === Infinity) return { wantedMotionS: Infinity, leastMotionS: Infinity, shakeS, smearMm };
  const most = Math.min(90, movers.travelAngleDeg + movers.travelSpreadDeg);
  const wantedMotionS = motionShutterLimitS({
    focalLengthMm,
    subjectDistanceM: subject.nearM,
    speedMps: movers.speedMps + movers.speedSpreadMps,
    travelAngleDeg: most,
    blurLimitMm: smearMm,
  });
  const typicalS = motionShutterLimitS({
    focalLengthMm,
    subjectDistanceM: subject.medianM,
    speedMps: movers.speedMps,
    travelAngleDeg: movers.travelAngleDeg,
    blurLimitMm: smearMm,
  });
  return { wantedMotionS, leastMotionS: Math.max(wantedMotionS, typicalS), shakeS, smearMm };
}
