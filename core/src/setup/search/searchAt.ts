import { exposureWorth } from '../../exposure/index.js';
import { APPROACHES } from '../../stop/index.js';
import { type CameraFrame, cameraFrame, type CameraStops, cameraSets } from '../question/cameraSets.js';
import { type LightNodes, lightNodes } from '../scene/lightNodes.js';
import { type Scene, supportOf } from '../scene/scene.js';
import { placeOnGrid } from '../scene/timeGrid.js';

/**
 * Every cell that the hand can set, at one light. A cell is an aperture, a mark of the dial and a focus:
 * `(aperture * dial + mark) * focuses + focus`; a pair is the cell without its focus.
 */
export interface SettingsGrid {
  readonly scene: Scene;
  readonly keyEv100: number;
  readonly light: LightNodes;
  /** By cell; hard limits are not looked at. */
  readonly chance: Float64Array;
  readonly score: Float64Array;
  /** By pair: each factor's mean over the light, whatever the focus. */
  readonly shake: Float64Array;
  readonly motion: Float64Array;
  readonly exposure: Float64Array;
  readonly flicker: Float64Array;
  readonly flash: Float64Array;
  /** By pair: mean stops of ISO above base; stops by which the ISO needed at the mean light tops the ceiling; its error. */
  readonly isoStops: Float64Array;
  readonly overCeilingEv: Float64Array;
  readonly errorEv: Float64Array;
  /** Mean chance of an autofocus lock. */
  readonly lock: number;
}

export interface GridCell {
  readonly aperture: number;
  readonly dial: number;
  readonly focus: number;
}

export function gridIndex({ scene: { controls } }: Pick<SettingsGrid, 'scene'>, { aperture, dial, focus }: GridCell): number {
  return (aperture * controls.dial.values.length + dial) * controls.focusM.length + focus;
}

export function placeOfCell({ scene: { controls } }: Pick<SettingsGrid, 'scene'>, cell: number): GridCell {
  const focuses = controls.focusM.length;
  const pair = Math.floor(cell / focuses);
  const marks = controls.dial.values.length;
  return { aperture: Math.floor(pair / marks), dial: pair % marks, focus: cell % focuses };
}

/** What the hand's mark of the dial is in the stops of `cameraSets`. */
export function setInStops({ controls }: Pick<Scene, 'controls'>, value: number): number {
  switch (controls.dial.kind) {
    case 'slowestAuto':
    case 'shutter':
      return Math.log2(value);
    case 'iso':
      return Math.log2(value / controls.isoBase);
    case 'support':
      return 0;
  }
}

/** Chance of an autofocus lock: logistic in EV, half at the body's stated limit, one stop wide (judgement). */
function lockAt({ input }: Scene, ev100: number): number {
  return input.approach.focus === 'centrePoint' ? 1 / (1 + Math.exp(input.body.autofocusLimitEv - ev100)) : 1;
}

function meanLock(scene: Scene, { evs, weights }: LightNodes): number {
  return evs.reduce((sum, ev, k) => sum + (weights[k] as number) * lockAt(scene, ev), 0);
}

/** Sums over the light of one pair, reused from pair to pair. */
interface Sums {
  readonly byTime: Float64Array;
  first: number;
  last: number;
  shake: number;
  motion: number;
  exposure: number;
  flicker: number;
  flash: number;
  isoStops: number;
}

function between(values: Float64Array, place: number): number {
  const k = Math.floor(place);
  const from = values[k] as number;
  return from + (place - k) * ((values[k + 1] as number) - from);
}

interface Pair {
  readonly fNumber: number;
  readonly apertureLog2: number;
  readonly set: number;
  readonly steady: Float64Array;
}

/**
 * The light's nodes of one pair: how much of each exposure time they ask for, already weighed by shake, flicker, exposure
 * and flash, so that a focus costs one dot product with its row of depth and motion.
 */
function gather(scene: Scene, frame: CameraFrame, light: LightNodes, pair: Pair, camera: CameraStops, sums: Sums): void {
  const { table, tolerance, flashShare, flicker, timed, grid, controls } = scene;
  sums.byTime.fill(0, sums.first, sums.last + 1);
  Object.assign(sums, { first: grid.count, last: -1, shake: 0, motion: 0, exposure: 0, flicker: 0, flash: 0, isoStops: 0 });
  const { keyToneEv } = scene;
  const isUnmetered = scene.input.intent.kind === 'fireworks';
  const isLocking = scene.input.approach.focus === 'centrePoint';
  for (let node = 0; node < light.evs.length; node++) {
    const ev100 = light.evs[node] as number;
    const weight = light.weights[node] as number;
    cameraSets(frame, ev100 - keyToneEv, pair.apertureLog2, pair.set, camera);
    const worth = isUnmetered ? 1 : exposureWorth(camera.errorEv, tolerance);
    const lit = flashShare === null ? 1 : flashShare(pair.fNumber, controls.isoBase * 2 ** camera.isoStops);
    const place = placeOnGrid(grid, camera.log2S);
    const k = Math.floor(place);
    const whole = weight * worth * lit * scene.kept * (isLocking ? lockAt(scene, ev100) : 1);
    for (let side = 0; side < 2; side++) {
      const share = side === 0 ? 1 - (place - k) : place - k;
      if (share === 0) continue;
      const time = k + side;
      const left = (pair.steady[time] as number) * (flicker[time] as number) * (timed[time] as number);
      sums.byTime[time] = (sums.byTime[time] as number) + whole * share * left;
      sums.first = Math.min(sums.first, time);
      sums.last = Math.max(sums.last, time);
    }
    sums.shake += weight * between(pair.steady, place);
    sums.motion += weight * between(table.motion, place) * between(timed, place);
    sums.flicker += weight * between(flicker, place);
    sums.exposure += weight * worth;
    sums.flash += weight * lit;
    sums.isoStops += weight * camera.isoStops;
  }
}

/** Σ over the times asked for of their weight x the row of depth and motion. */
function dot(weights: Float64Array, joint: Float64Array, row: number, first: number, last: number): number {
  let sum = 0;
  for (let time = first; time <= last; time++) sum += (weights[time] as number) * (joint[row + time] as number);
  return sum;
}

export interface SearchOptions {
  /** Only the cells of one aperture and mark of the dial are worked out; the rest stays 0. */
  readonly only?: Pick<GridCell, 'aperture' | 'dial'>;
}

/** Every cell's chance and score at one light. Heavy parts are the scene's; this is a few milliseconds. */
export function searchAt(scene: Scene, keyEv100: number, { only }: SearchOptions = {}): SettingsGrid {
  const { controls, grid, input, figures } = scene;
  const { joint } = scene.table;
  const { fNumbers, dial, focusM } = controls;
  const pairs = fNumbers.length * dial.values.length;
  const focuses = focusM.length;
  const light = lightNodes(keyEv100, input.light.spreadEv ?? 0);
  const frame = cameraFrame(controls, input.body.atCeiling === 'slowerShutter');
  const of = (length: number): Float64Array => new Float64Array(length);
  const cells: SettingsGrid = {
    scene,
    keyEv100,
    light,
    chance: of(pairs * focuses),
    score: of(pairs * focuses),
    shake: of(pairs),
    motion: of(pairs),
    exposure: of(pairs),
    flicker: of(pairs),
    flash: of(pairs),
    isoStops: of(pairs),
    overCeilingEv: of(pairs),
    errorEv: of(pairs),
    lock: meanLock(scene, light),
  };
  const camera: CameraStops = { log2S: 0, isoStops: 0, errorEv: 0 };
  const sums: Sums = {
    byTime: of(grid.count),
    first: 0,
    last: -1,
    shake: 0,
    motion: 0,
    exposure: 0,
    flicker: 0,
    flash: 0,
    isoStops: 0,
  };

  let pair = 0;
  fNumbers.forEach((fNumber, aperture) => {
    const apertureLog2 = 2 * Math.log2(fNumber);
    dial.values.forEach((value, mark) => {
      if (only !== undefined && (only.aperture !== aperture || only.dial !== mark)) {
        pair++;
        return;
      }
      const set = setInStops(scene, value);
      const steady = scene.steady[APPROACHES.support.indexOf(supportOf(scene, value))] as Float64Array;
      gather(scene, frame, light, { fNumber, apertureLog2, set, steady }, camera, sums);
      cells.shake[pair] = sums.shake;
      cells.motion[pair] = sums.motion;
      cells.exposure[pair] = sums.exposure;
      cells.flicker[pair] = sums.flicker;
      cells.flash[pair] = sums.flash;
      cells.isoStops[pair] = sums.isoStops;
      const atMean = keyEv100 - scene.keyToneEv;
      cameraSets(frame, atMean, apertureLog2, set, camera);
      cells.errorEv[pair] = camera.errorEv;
      cells.overCeilingEv[pair] = overCeiling(frame, apertureLog2 - atMean - frame.baseLog2, set);
      const cost = figures.isoCostPerStop * sums.isoStops;
      for (let focus = 0; focus < focuses; focus++) {
        const row = (aperture * focuses + focus) * grid.count;
        const chance = dot(sums.byTime, joint, row, sums.first, sums.last);
        cells.chance[pair * focuses + focus] = chance;
        cells.score[pair * focuses + focus] = chance - cost;
      }
      pair++;
    });
  });
  return cells;
}

/** Stops by which the ISO that the hand's time needs tops the ceiling; 0 or less is within it. */
function overCeiling(frame: CameraFrame, atBase: number, set: number): number {
  return frame.mode === 'shutterThenIso' || frame.mode === 'isoFloats' ? atBase - set - frame.ceilingStops : -Infinity;
}
