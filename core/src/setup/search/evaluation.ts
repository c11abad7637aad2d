import type { AutoExposure } from '../../exposure/index.js';
import type { ManualSettings } from '../../stop/index.js';
import { cameraFrame, cameraSets, meteredLog2 } from '../question/cameraSets.js';
import { type BrokenLimit, type Factors, factorsAt, limitsAt } from './limits.js';
import { supportOf } from '../scene/scene.js';
import { type GridCell, gridIndex, type SettingsGrid, setInStops } from './searchAt.js';
import type { SharpZone } from '../scene/sharpZone.js';

/** One set-up at one light, looked at whole. */
export interface Evaluation {
  readonly hand: ManualSettings;
  /** What the camera makes of it at the mean light, unrounded. */
  readonly camera: Pick<AutoExposure, 'fNumber' | 'shutterS' | 'iso' | 'errorEv'> & {
    /** What a meter would say for this exposure: shorter than the exposure where a film tires. */
    readonly meteredS: number;
  };
  /** By the total blur; null where diffraction alone exceeds the standard. With the centre point: locked at the median. */
  readonly sharp: SharpZone | null;
  /** Chance of a good frame. */
  readonly chance: number;
  readonly score: number;
  /** Mean stops of ISO above base over the light. */
  readonly isoStops: number;
  readonly factors: Factors;
  /** The hard ones first, then the worst; empty on the island. */
  readonly limits: readonly BrokenLimit[];
}

export function handAt({ scene }: Pick<SettingsGrid, 'scene'>, { aperture, dial, focus }: GridCell): ManualSettings {
  const { controls } = scene;
  const mark = controls.dial.values[dial] as number;
  const isTime = controls.dial.kind === 'shutter' || controls.dial.kind === 'slowestAuto';
  return {
    fNumber: controls.fNumbers[aperture] as number,
    focusM: controls.focusM[focus] as number,
    shutterS: isTime ? mark : null,
    iso: controls.dial.kind === 'iso' ? mark : controls.isoCeiling === controls.isoBase ? controls.isoBase : null,
    support: supportOf(scene, mark),
  };
}

export function cameraAt({ scene, keyEv100 }: Pick<SettingsGrid, 'scene' | 'keyEv100'>, place: GridCell): Evaluation['camera'] {
  const { controls, input, keyToneEv } = scene;
  const fNumber = controls.fNumbers[place.aperture] as number;
  const camera = { log2S: 0, isoStops: 0, errorEv: 0 };
  const frame = cameraFrame(controls, input.body.atCeiling === 'slowerShutter');
  const set = setInStops(scene, controls.dial.values[place.dial] as number);
  cameraSets(frame, keyEv100 - keyToneEv, 2 * Math.log2(fNumber), set, camera);
  const errorEv = Math.abs(camera.errorEv) < 1e-9 ? 0 : camera.errorEv;
  const meteredS = 2 ** meteredLog2(frame, camera.log2S);
  return { fNumber, shutterS: 2 ** camera.log2S, meteredS, iso: controls.isoBase * 2 ** camera.isoStops, errorEv };
}

export function evaluationAt(cells: SettingsGrid, place: GridCell): Evaluation {
  const { scene } = cells;
  const cell = gridIndex(cells, place);
  return {
    hand: handAt(cells, place),
    camera: cameraAt(cells, place),
    sharp: scene.sharp[place.aperture * scene.controls.focusM.length + place.focus] as SharpZone | null,
    chance: cells.chance[cell] as number,
    score: cells.score[cell] as number,
    isoStops: cells.isoStops[place.aperture * scene.controls.dial.values.length + place.dial] as number,
    factors: factorsAt(cells, place),
    limits: limitsAt(cells, place),
  };
}
