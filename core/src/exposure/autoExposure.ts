import { checkFinite, checkOneOf, checkOptions, checkPositive, rangeError } from '../units/index.js';
import { exposureValueOf } from './exposureValue.js';

export type AutoExposureMode = 'aperturePriority' | 'shutterPriority' | 'bothHeld';
export type CeilingBehaviour = 'slowerShutter' | 'underexpose';

export interface ExposureBody {
  readonly fastestShutterS: number;
  readonly slowestShutterS: number;
  readonly widestFNumber: number;
  readonly smallestFNumber: number;
  readonly atCeiling: CeilingBehaviour;
}

export type TooBright = 'fastestShutter' | 'smallestAperture' | 'isoBase';
export type TooDark = 'isoCeiling' | 'slowestShutter';
export type ExposureLimit = TooBright | TooDark;

export interface AutoExposure {
  readonly fNumber: number;
  readonly shutterS: number;
  readonly iso: number;
  /** Stops brighter (+) or darker (−) than wanted; exactly 0 if and only if `limit` is null. */
  readonly errorEv: number;
  readonly limit: ExposureLimit | null;
}

export interface AutoExposureOptions {
  readonly mode: AutoExposureMode;
  readonly sceneEv100: number;
  readonly compensationEv?: number;
  readonly fNumber?: number;
  readonly shutterS?: number;
  readonly slowestAutoShutterS?: number;
  readonly isoBase: number;
  readonly isoCeiling: number;
  readonly body: ExposureBody;
}

/** Rounding in log₂ must not be reported as a limit that was hit: below this many stops there is no error. */
const ROUNDING_EV = 1e-9;

type Settings = Pick<AutoExposure, 'fNumber' | 'shutterS' | 'iso'>;

function checkWithin(name: string, value: unknown, low: number, high: number): number {
  checkPositive(name, value);
  if (value < low || value > high) throw rangeError(name, `within the body's range ${low} to ${high}`, value);
  return value;
}

function checkBody(body: ExposureBody): void {
  checkOptions('body', body);
  checkPositive('body.fastestShutterS', body.fastestShutterS);
  checkPositive('body.slowestShutterS', body.slowestShutterS);
  checkPositive('body.widestFNumber', body.widestFNumber);
  checkPositive('body.smallestFNumber', body.smallestFNumber);
  checkOneOf('body.atCeiling', body.atCeiling, ['slowerShutter', 'underexpose']);
  if (body.slowestShutterS < body.fastestShutterS) {
    throw rangeError('body.slowestShutterS', `at least fastestShutterS (${body.fastestShutterS})`, body.slowestShutterS);
  }
  if (body.smallestFNumber < body.widestFNumber) {
    throw rangeError('body.smallestFNumber', `at least widestFNumber (${body.widestFNumber})`, body.smallestFNumber);
  }
}

/** A clamp that remembers which end it hit. */
function hold(value: number, low: number, high: number): { value: number; hit: 'low' | 'high' | null } {
  if (value < low) return { value: low, hit: 'low' };
  if (value > high) return { value: high, hit: 'high' };
  return { value, hit: null };
}

function outcome(targetEv: number, settings: Settings, limit: ExposureLimit | null): AutoExposure {
  const errorEv = targetEv - exposureValueOf(settings.fNumber, settings.shutterS, settings.iso);
  if (limit === null || Math.abs(errorEv) <= ROUNDING_EV) return { ...settings, errorEv: 0, limit: null };
  return { ...settings, errorEv, limit };
}

/** Shutter for the target at this aperture and ISO; t = N²/2^EV · 100/iso. */
function shutterFor(targetEv: number, fNumber: number, iso: number): number {
  return 2 ** (2 * Math.log2(fNumber) - targetEv - Math.log2(iso / 100));
}

function isoFor(targetEv: number, fNumber: number, shutterS: number): number {
  return 100 * 2 ** (2 * Math.log2(fNumber) - Math.log2(shutterS) - targetEv);
}

interface Door {
  readonly targetEv: number;
  readonly isoBase: number;
  readonly isoCeiling: number;
  readonly body: ExposureBody;
}

function aperturePriority(door: Door, fNumber: number, slowestAutoShutterS: number): AutoExposure {
  const { targetEv, isoBase, isoCeiling, body } = door;
  const atBase = hold(shutterFor(targetEv, fNumber, isoBase), body.fastestShutterS, slowestAutoShutterS);
  if (atBase.hit !== 'high') {
    const limit = atBase.hit === 'low' ? 'fastestShutter' : null;
    return outcome(targetEv, { fNumber, shutterS: atBase.value, iso: isoBase }, limit);
  }
  const iso = hold(isoFor(targetEv, fNumber, slowestAutoShutterS), isoBase, isoCeiling);
  if (iso.hit !== 'high' || body.atCeiling === 'underexpose') {
    const limit = iso.hit === 'high' ? 'isoCeiling' : null;
    return outcome(targetEv, { fNumber, shutterS: slowestAutoShutterS, iso: iso.value }, limit);
  }
  const longer = hold(shutterFor(targetEv, fNumber, isoCeiling), slowestAutoShutterS, body.slowestShutterS);
  const limit = longer.hit === 'high' ? 'slowestShutter' : null;
  return outcome(targetEv, { fNumber, shutterS: longer.value, iso: isoCeiling }, limit);
}

function shutterPriority(door: Door, shutterS: number): AutoExposure {
  const { targetEv, isoBase, isoCeiling, body } = door;
  const wanted = 2 ** ((targetEv + Math.log2(shutterS) + Math.log2(isoBase / 100)) / 2);
  const aperture = hold(wanted, body.widestFNumber, body.smallestFNumber);
  if (aperture.hit !== 'low') {
    const limit = aperture.hit === 'high' ? 'smallestAperture' : null;
    return outcome(targetEv, { fNumber: aperture.value, shutterS, iso: isoBase }, limit);
  }
  const iso = hold(isoFor(targetEv, body.widestFNumber, shutterS), isoBase, isoCeiling);
  const limit = iso.hit === 'high' ? 'isoCeiling' : null;
  return outcome(targetEv, { fNumber: body.widestFNumber, shutterS, iso: iso.value }, limit);
}

function bothHeld(door: Door, fNumber: number, shutterS: number): AutoExposure {
  const iso = hold(isoFor(door.targetEv, fNumber, shutterS), door.isoBase, door.isoCeiling);
  const limit = iso.hit === null ? null : iso.hit === 'low' ? 'isoBase' : 'isoCeiling';
  return outcome(door.targetEv, { fNumber, shutterS, iso: iso.value }, limit);
}

/**
 * What a camera with automatic ISO sets, unrounded, for a scene of `sceneEv100` (target: sceneEv100 − compensationEv).
 * - aperturePriority: the shutter floats at base ISO down to `slowestAutoShutterS`, then ISO rises to the ceiling,
 *   then `body.atCeiling` decides: the shutter goes on lengthening, or the frame is underexposed.
 * - shutterPriority: the aperture floats at base ISO, then ISO rises, then the frame is underexposed.
 * - bothHeld: only ISO floats.
 * `fNumber` and `shutterS` are required where the mode has the hand set them and ignored elsewhere.
 * Source: docs/formulas.md#automatic-exposure.
 * @throws TypeError where a value is missing or of the wrong type; RangeError where it is outside the body's range.
 * @example autoExposure({ mode: 'bothHeld', sceneEv100: 11, fNumber: 8, shutterS: 1 / 400, isoBase: 100,
 *   isoCeiling: 6400, body }) // iso 1250, errorEv 0, limit null
 */
export function autoExposure(options: AutoExposureOptions): AutoExposure {
  checkOptions('options', options);
  const { mode, sceneEv100, compensationEv = 0, isoBase, isoCeiling, body } = options;
  checkOneOf('mode', mode, ['aperturePriority', 'shutterPriority', 'bothHeld']);
  checkFinite('sceneEv100', sceneEv100);
  checkFinite('compensationEv', compensationEv);
  checkPositive('isoBase', isoBase);
  checkPositive('isoCeiling', isoCeiling);
  if (isoCeiling < isoBase) throw rangeError('isoCeiling', `at least isoBase (${isoBase})`, isoCeiling);
  checkBody(body);

  const { fastestShutterS: fastest, slowestShutterS: slowest, widestFNumber: widest, smallestFNumber: smallest } = body;
  const door: Door = { targetEv: sceneEv100 - compensationEv, isoBase, isoCeiling, body };
  switch (mode) {
    case 'aperturePriority': {
      const fNumber = checkWithin('fNumber', options.fNumber, widest, smallest);
      const { slowestAutoShutterS = slowest } = options;
      return aperturePriority(door, fNumber, checkWithin('slowestAutoShutterS', slowestAutoShutterS, fastest, slowest));
    }
    case 'shutterPriority':
      return shutterPriority(door, checkWithin('shutterS', options.shutterS, fastest, slowest));
    case 'bothHeld': {
      const fNumber = checkWithin('fNumber', options.fNumber, widest, smallest);
      return bothHeld(door, fNumber, checkWithin('shutterS', options.shutterS, fastest, slowest));
    }
  }
}
