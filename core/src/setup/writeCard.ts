import { autoExposure, type AutoExposure, type ExposureBody, flashReachM } from '../exposure/index.js';
import { shakeSharpProbability } from '../handheld/index.js';
import type { Body, MeterPattern } from '../kit/index.js';
import { compensationFor } from '../metering/index.js';
import { markedBetween, snapStops, snapToMark, STEPS_PER_STOP } from '../units/index.js';
import type { Choice } from './choose.js';
import type { DepthRow } from './depthTable.js';
import type { Plan } from './plan.js';
import type { FocusLimit, SetUp, ShutterLimit } from './setUp.js';
import { whyAperture, whyFocus, whyIso, whyMeter, whyShutter } from './why.js';

/** Settings that the hand makes for the exposure, and what the camera makes of them. */
export interface Settled {
  readonly seconds: number;
  readonly role: SetUp['shutter']['role'];
  readonly shutterLimit: ShutterLimit;
  readonly iso: { readonly lowest: number; readonly highest: number; readonly isSet: boolean };
  readonly exposure: AutoExposure;
}

function exposureBody({ input: { body }, rows }: Plan): ExposureBody {
  return {
    fastestShutterS: body.fastestShutterS,
    slowestShutterS: body.slowestShutterS,
    widestFNumber: (rows[0] as DepthRow).fNumber,
    smallestFNumber: (rows.at(-1) as DepthRow).fNumber,
    atCeiling: body.atCeiling,
  };
}

function handheldLimit(plan: Plan, slowestS: number): ShutterLimit {
  const { limits, wantedS, exposure } = plan;
  if (slowestS > wantedS) return 'slowedForLight';
  const motionS = exposure === 'baseIsoLong' ? Infinity : limits.wantedMotionS;
  const decidingS = Math.min(motionS, limits.shakeS);
  if (slowestS > decidingS * (1 + 1e-9)) return plan.input.intent.kind === 'flashLift' ? 'sync' : 'bodyOffersNoFaster';
  if (decidingS === Infinity) return 'nothingMoves';
  return motionS <= limits.shakeS ? 'subjectMoves' : 'shake';
}

/** t = N²·100/(2^EV·iso), unrounded. */
function meteredS(fNumber: number, targetEv: number, iso: number): number {
  return 2 ** (2 * Math.log2(fNumber) - targetEv - Math.log2(iso / 100));
}

function settle(plan: Plan, choice: Choice, targetEv: number): Settled {
  const { fNumber } = plan.rows[choice.row] as DepthRow;
  const { body } = plan.input;
  const common = { sceneEv100: targetEv, fNumber, body: exposureBody(plan) };
  const range = { isoBase: plan.isoLowest, isoCeiling: plan.isoHighest };
  const whole = { lowest: plan.isoLowest, highest: plan.isoHighest, isSet: false };
  const shutterLimit = handheldLimit(plan, choice.slowestS);

  switch (plan.exposure) {
    case 'aperturePriority': {
      const slowestAutoShutterS = Math.min(body.slowestShutterS, Math.max(body.fastestShutterS, choice.slowestS));
      const exposure = autoExposure({ mode: 'aperturePriority', ...common, ...range, slowestAutoShutterS });
      return { seconds: choice.slowestS, role: 'slowestAuto', shutterLimit, iso: whole, exposure };
    }
    case 'bothHeld': {
      const longestAtBase = meteredS(fNumber, targetEv, plan.isoLowest);
      const held = snapToMark({
        value: Math.min(choice.slowestS, longestAtBase),
        marks: plan.shuttersS,
        direction: 'down',
      });
      const shutterS = held ?? (plan.shuttersS[0] as number);
      const exposure = autoExposure({ mode: 'bothHeld', ...common, ...range, shutterS });
      const isFaster = shutterS < choice.slowestS;
      return { seconds: shutterS, role: 'set', shutterLimit: isFaster ? 'metered' : shutterLimit, iso: whole, exposure };
    }
    case 'fixedIso':
    case 'baseIsoLong': {
      const needed = (plan.isoLowest * meteredS(fNumber, targetEv, plan.isoLowest)) / choice.slowestS;
      const marks = markedBetween('iso', body.markStep, plan.isoLowest, plan.isoHighest);
      const iso = snapToMark({ value: Math.max(needed, plan.isoLowest), marks, direction: 'up' }) ?? plan.isoHighest;
      const exposure = autoExposure({ mode: 'aperturePriority', ...common, isoBase: iso, isoCeiling: iso });
      const seconds = snapToMark({ value: exposure.shutterS, marks: plan.shuttersS, direction: 'nearest' }) ?? exposure.shutterS;
      return { seconds, role: 'camera', shutterLimit: 'metered', iso: { lowest: iso, highest: iso, isSet: true }, exposure };
    }
    case 'film': {
      const wanted = meteredS(fNumber, targetEv, plan.isoLowest);
      const marks = plan.shuttersS.filter((seconds) => seconds <= choice.slowestS * (1 + 1e-9));
      const shutterS = snapToMark({ value: wanted, marks, direction: 'nearest' }) ?? (plan.shuttersS[0] as number);
      const exposure = autoExposure({ mode: 'bothHeld', ...common, ...range, shutterS });
      const isFaster = shutterS < choice.slowestS;
      return { seconds: shutterS, role: 'set', shutterLimit: isFaster ? 'metered' : shutterLimit, iso: whole, exposure };
    }
  }
}

function focusLimit({ input }: Plan, row: DepthRow): FocusLimit {
  if (input.approach.focus === 'lockedOnSpot') return 'spot';
  if (input.approach.focus === 'centrePoint') return 'autofocusOnSpot';
  if (row.focusM === Infinity) return 'infinity';
  return input.lens.engravedDistancesM.length > 0 ? 'preset' : 'focusByWire';
}

/** Logistic in EV round the body's stated limit, one stop wide (judgement). */
function lockChance({ input }: Plan, sceneEv100: number): number {
  if (input.approach.focus !== 'centrePoint') return 1;
  return 1 / (1 + Math.exp(input.body.autofocusLimitEv - sceneEv100));
}

/** The pattern that people leave the body on: the whole frame where it has it. */
function patternOf({ meterPatterns }: Body): MeterPattern {
  return meterPatterns.includes('wholeFrame') ? 'wholeFrame' : (meterPatterns[0] ?? 'wholeFrame');
}

function meterOf(plan: Plan): SetUp['meter'] {
  const { body } = plan.input;
  const pattern = patternOf(body);
  const exact = compensationFor(plan.placement, pattern, body.headroomEv);
  const byHand = plan.exposure === 'film' || (plan.exposure === 'bothHeld' && !body.compensationWhenBothHeld);
  return {
    pattern,
    compensationEv: snapStops(exact, STEPS_PER_STOP[body.markStep]),
    keyPlacementEv: plan.placement.keyEv,
    limit: byHand ? 'byHand' : 'keyTone',
    why: whyMeter(plan),
  };
}

/** A third of a stop short is still lifted. */
const FLASH_SHORT_EV = 1 / 3;

function flashOf({ input }: Plan, exposure: AutoExposure): SetUp['flash'] {
  const { intent, flash, subject } = input;
  if (intent.kind !== 'flashLift' || flash === null) return null;
  const reachM = flashReachM({ guideNumberM: flash.guideNumberM, iso: exposure.iso, fNumber: exposure.fNumber });
  const rangeEv = flash.compensationRangeEv;
  return {
    compensationEv: Math.max(-rangeEv, Math.min(rangeEv, intent.flashEv)),
    reachM,
    reaches: reachM * 2 ** ((FLASH_SHORT_EV - intent.flashEv) / 2) >= subject.medianM,
  };
}

/** Writes a choice out as the card: marked values, the limit that binds each, and why. */
export function writeCard(plan: Plan, choice: Choice, targetEv: number, settled = settle(plan, choice, targetEv)): SetUp {
  const { body, approach, standard } = plan.input;
  const row = plan.rows[choice.row] as DepthRow;
  const { iso, exposure } = settled;
  const isoMarks = markedBetween('iso', body.markStep, iso.lowest, iso.highest);
  const expected = snapToMark({ value: exposure.iso, marks: isoMarks, direction: 'nearest' }) ?? exposure.iso;
  const { wantedMotionS, shakeS } = plan.limits;
  return {
    aperture: { fNumber: row.fNumber, limit: choice.apertureLimit, why: whyAperture(plan, row) },
    focus: {
      distanceM: row.focusM,
      limit: focusLimit(plan, row),
      sharp: row.sharp,
      sharpGeometric: row.sharpGeometric,
      coversZone: row.coversZone,
      zoneChance: row.zoneChance * lockChance(plan, targetEv),
      why: whyFocus(plan, row),
    },
    shutter: {
      seconds: settled.seconds,
      role: settled.role,
      limit: settled.shutterLimit,
      motionLimitS: wantedMotionS,
      shakeLimitS: shakeS,
      steadyChance: shakeSharpProbability({
        shutterS: settled.seconds,
        limitS: shakeS,
        spreadStops: standard.steadinessSpreadStops,
      }),
      why: whyShutter(plan),
    },
    iso: {
      lowest: iso.lowest,
      highest: iso.highest,
      expected,
      limit: iso.isSet && plan.exposure === 'fixedIso' ? 'setForShutter' : plan.isoLimit,
      why: whyIso(plan, choice, targetEv, expected),
    },
    meter: meterOf(plan),
    flash: flashOf(plan, exposure),
    exposure,
    support: approach.support,
  };
}
