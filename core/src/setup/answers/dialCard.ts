import type { ManualSettings } from '../../stop/index.js';
import { flashReachM } from '../../exposure/index.js';
import { isoCeilingOf } from '../../kit/index.js';
import type { MeteredFrame } from '../../metering/index.js';
import { depthOfField, diffractionLimitFNumber } from '../../optics/index.js';
import { bodyShutters } from '../../kit/index.js';
import { markedBetween, snapToMark } from '../../units/index.js';
import { bestCell } from '../search/best.js';
import { type Evaluation, evaluationAt } from '../search/evaluation.js';
import type { Scene } from '../scene/scene.js';
import { type GridCell, gridIndex, type SettingsGrid, placeOfCell, searchAt } from '../search/searchAt.js';
import { type SetUpInput, shootingOf } from '../question/searchInput.js';
import { nearestPlace, prepareSearch } from '../search/searchSetUp.js';
import type { FocusWay, IsoLimit, Obstacle, SetUp, SetUpResult } from '../search/setUp.js';
import { sidesOf } from '../search/sides.js';
import { shakeLimitS } from '../scene/steadiness.js';
import { wantedTimeS } from '../scene/wantedTime.js';
import { meterOf } from './meterRow.js';
import { typicalMotionLimitS } from './motionLimit.js';
import { whyAperture, whyFocus, whyIso, whyShutter } from './why.js';

function focusWay({ input }: Scene, distanceM: number): FocusWay {
  if (input.approach.focus === 'lockedOnSpot') return shootingOf(input).spotByEye ? 'spotByEye' : 'spot';
  if (input.approach.focus === 'centrePoint') return 'autofocusOnSpot';
  if (distanceM === Infinity) return 'infinity';
  return input.lens.engravedDistancesM.length > 0 ? 'preset' : 'focusByWire';
}

function focusOf(scene: Scene, found: Evaluation): SetUp['focus'] {
  const { fNumber, focusM } = found.hand;
  const setting = {
    focalLengthMm: scene.input.focalLengthMm,
    fNumber,
    circleOfConfusionMm: scene.circleMm,
    focusDistanceM: focusM,
  };
  const sharpGeometric = depthOfField(setting);
  return {
    distanceM: focusM,
    way: focusWay(scene, focusM),
    sharp: found.sharp,
    sharpGeometric,
    diffractionFNumber: diffractionLimitFNumber(scene.circleMm),
    why: whyFocus(scene, found, sharpGeometric),
  };
}

const SHUTTER_ROLES = { slowestAuto: 'slowestAuto', shutter: 'set', iso: 'camera', support: 'camera' } as const;

function shutterOf(scene: Scene, found: Evaluation): SetUp['shutter'] {
  const marks = bodyShutters(scene.input.body);
  const taken = snapToMark({ value: found.camera.shutterS, marks, direction: 'nearest' }) ?? found.camera.shutterS;
  const motionLimitS = typicalMotionLimitS(scene);
  const handsLimitS = shakeLimitS(scene.input, found.hand.support);
  return {
    seconds: found.hand.shutterS ?? taken,
    role: SHUTTER_ROLES[scene.controls.dial.kind],
    motionLimitS,
    shakeLimitS: handsLimitS,
    why: whyShutter(scene, found, motionLimitS, handsLimitS),
  };
}

function isoLimit({ controls, input }: Scene): IsoLimit {
  if (controls.exposure === 'film') return 'roll';
  if (controls.dial.kind === 'iso') return 'setForShutter';
  if (controls.isoCeiling === controls.isoBase) return 'base';
  if (isoCeilingOf(input.body, input.standard) >= input.body.highestIso * (1 - 1e-9)) return 'bodyCeiling';
  return input.standard.isoCeilingByBody[input.body.id] === undefined ? 'usualCeiling' : 'ownCeiling';
}

function isoOf(scene: Scene, found: Evaluation): SetUp['iso'] {
  const { controls, input } = scene;
  const [lowest, highest] = found.hand.iso === null ? [controls.isoBase, controls.isoCeiling] : [found.hand.iso, found.hand.iso];
  const marks = markedBetween('iso', input.body.markStep, lowest, highest);
  const expected = snapToMark({ value: found.camera.iso, marks, direction: 'nearest' }) ?? found.camera.iso;
  return { lowest, highest, expected, limit: isoLimit(scene), why: whyIso(scene, found, expected) };
}

/** A third of a stop short is still lifted. */
const FLASH_SHORT_EV = 1 / 3;

function flashOf({ input }: Scene, { camera }: Evaluation): SetUp['flash'] {
  const { intent, flash, subject } = input;
  if (intent.kind !== 'flashLift' || flash === null) return null;
  const reachM = flashReachM({ guideNumberM: flash.guideNumberM, iso: camera.iso, fNumber: camera.fNumber });
  const rangeEv = flash.compensationRangeEv;
  return {
    compensationEv: Math.max(-rangeEv, Math.min(rangeEv, intent.flashEv)),
    reachM,
    reaches: reachM * 2 ** ((FLASH_SHORT_EV - intent.flashEv) / 2) >= subject.medianM,
  };
}

/** Writes one cell out as the card. */
export function setUpAtCell(cells: SettingsGrid, place: GridCell, seen: MeteredFrame | null = null): SetUp {
  const { scene } = cells;
  const found = evaluationAt(cells, place);
  return {
    aperture: { fNumber: found.hand.fNumber, why: whyAperture(scene, found) },
    focus: focusOf(scene, found),
    shutter: shutterOf(scene, found),
    iso: isoOf(scene, found),
    meter: meterOf(scene, seen),
    flash: flashOf(scene, found),
    found,
    sides: sidesOf(cells, place),
    support: found.hand.support,
  };
}

const MOST_STOPS = 16;

/** Whole thirds of a stop, more (+1) or less (−1) light, from which on there is a best; null within 16 stops. */
function stopsUntilPossible(scene: Scene, keyEv100: number, way: 1 | -1): number | null {
  const isPossible = (thirds: number): boolean => bestCell(searchAt(scene, keyEv100 + (way * thirds) / 3)).isEnough;
  const possible = Array.from({ length: MOST_STOPS }, (_, k) => 3 * (k + 1)).find(isPossible);
  if (possible === undefined) return null;
  return ([possible - 2, possible - 1].find(isPossible) ?? possible) / 3;
}

/** What stands in the way: the flash, the hands, or the light; or, where no light would help, the worst limit. */
function obstacleFor(cells: SettingsGrid, setUp: SetUp): Obstacle {
  const { scene, keyEv100 } = cells;
  const { intent, flash, subject } = scene.input;
  if (intent.kind === 'flashLift') {
    if (flash === null) return { kind: 'noFlash' };
    if (setUp.flash !== null && !setUp.flash.reaches) {
      return { kind: 'flashTooWeak', reachM: setUp.flash.reachM, subjectM: subject.medianM };
    }
  }
  const wantedS = wantedTimeS(scene.input);
  const { factors } = setUp.found;
  if (wantedS !== null && factors.shake < Math.min(factors.light, factors.depth, factors.motion)) {
    return { kind: 'needsTripod', wantedS, longestS: setUp.shutter.shakeLimitS };
  }
  const isTooBright = setUp.found.camera.errorEv > 0;
  const stops = stopsUntilPossible(scene, keyEv100, isTooBright ? -1 : 1);
  if (stops !== null) return { kind: isTooBright ? 'tooBright' : 'tooDark', stops };
  const worst = setUp.found.limits[0];
  return { kind: 'limit', limit: worst?.limit ?? 'depth', left: worst?.left ?? 0 };
}

/** A picture with visibly less noise takes two stops of ISO less (s). */
const CLEANER_BY_STOPS = 2;

/** The best of what needs two stops of ISO less; null without any that is enough. */
function cleanerThan(cells: SettingsGrid, { isoStops }: Evaluation): Evaluation | null {
  if (isoStops < CLEANER_BY_STOPS) return null;
  const { cell, isEnough } = bestCell(cells, isoStops - CLEANER_BY_STOPS);
  return isEnough ? evaluationAt(cells, placeOfCell(cells, cell)) : null;
}

/**
 * The card of a prepared stop at one EV of its metered surface; of what the hand has chosen, where it has; metered on the view
 * that stands there, where that is known.
 */
export function dialCardAt(
  cells: SettingsGrid,
  chosen: ManualSettings | null = null,
  seen: MeteredFrame | null = null,
): SetUpResult {
  const { cell, isEnough } = bestCell(cells);
  const best = placeOfCell(cells, cell);
  const place = chosen === null ? best : nearestPlace(cells.scene, chosen, best);
  const setUp = setUpAtCell(cells, place, seen);
  const isBest = gridIndex(cells, place) === cell;
  const found = isBest ? setUp.found : evaluationAt(cells, best);
  const shown = { setUp, sacrifices: setUp.found.limits, best: found, cleaner: isEnough ? cleanerThan(cells, found) : null };
  return isEnough ? { kind: 'ready', ...shown } : { kind: 'cannot', obstacle: obstacleFor(cells, setUp), ...shown };
}

/**
 * The dial card of one stop: the five numbers of the best set-up in marked values, what it gives up, what stops each
 * control, and why; or that the picture cannot be had, with what stands in the way. Rules: docs/formulas.md#search.
 * @throws TypeError, RangeError as `searchSetUp`.
 */
export function dialCard(input: SetUpInput): SetUpResult {
  return dialCardAt(searchAt(prepareSearch(input), input.light.keyEv100));
}
