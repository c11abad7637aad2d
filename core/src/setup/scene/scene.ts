import type { ExposureTolerance } from '../../exposure/index.js';
import { flashReachM } from '../../exposure/index.js';
import type { Figures } from '../../kit/index.js';
import { keyToneOf } from '../../metering/index.js';
import { circleOfConfusionMm, geometricAllowanceMm, sharpZone } from '../../optics/index.js';
import { type Approach, APPROACHES, zoneLawOf } from '../../stop/index.js';
import { centrePointTable } from './centrePoint.js';
import { type ControlOptions, type Controls, controlsOf, isolatesEnough } from '../question/controls.js';
import type { Crowd, DepthAndMotion } from './crowd.js';
import { distanceLaw, scoreOf } from './distances.js';
import { flickerCurve } from './flickerWorth.js';
import { keptExposure } from './keptExposure.js';
import { normalBelowFast } from './normalTable.js';
import { figuresOf, type SetUpInput, shootingOf } from '../question/searchInput.js';
import type { SharpZone } from './sharpZone.js';
import { smearRule } from './smear.js';
import { angleNodes, speedLaw } from './speeds.js';
import { steadyCurve } from './steadiness.js';
import { log2TimeOf, type TimeGrid, timeGrid } from './timeGrid.js';
import { timeWorth } from './wantedTime.js';
import { coverTable } from './coverTable.js';
import { type WeightedZone, zoneTable } from './zoneTable.js';

/**
 * Everything about a stop's search that does not depend on how bright it is: worked out once, asked at any number of EVs.
 * A zone is an aperture with a focus: `aperture * focuses + focus`.
 */
export interface Scene {
  readonly input: SetUpInput;
  readonly figures: Figures;
  readonly controls: Controls;
  /** Stops from mid-grey at which the metered surface shall come out. */
  readonly keyToneEv: number;
  readonly circleMm: number;
  readonly crowd: Crowd;
  readonly table: DepthAndMotion;
  readonly grid: TimeGrid;
  /** By zone. */
  readonly sharp: readonly (SharpZone | null)[];
  /** By zone: whether the school of depth has it. */
  readonly belongs: readonly boolean[];
  /** By support in APPROACHES.support x time. */
  readonly steady: readonly Float64Array[];
  /** By time: what flicker and a wanted time leave of a frame. */
  readonly flicker: Float64Array;
  readonly timed: Float64Array;
  readonly tolerance: ExposureTolerance;
  /** What a changing light leaves of frames, as the approach keeps the exposure; 1 where it is steady. */
  readonly kept: number;
  /** Share of the people that the flash reaches at an aperture and ISO; null without flash. */
  readonly flashShare: ((fNumber: number, iso: number) => number) | null;
}

function zoneAt({ input, circleMm }: Pick<Scene, 'input' | 'circleMm'>, fNumber: number, focusDistanceM: number): SharpZone | null {
  return sharpZone({ focalLengthMm: input.focalLengthMm, fNumber, circleOfConfusionMm: circleMm, focusDistanceM });
}

const GUESS_SCORES = Array.from({ length: 29 }, (_, k) => -3.5 + k * 0.25);
const GUESS_WEIGHTS = GUESS_SCORES.map((score) => Math.exp(-(score ** 2) / 2));
const GUESS_SUM = GUESS_WEIGHTS.reduce((a, b) => a + b);

/** A spot at D focused by eye: the ring stands at D·(1 + bias)·e^(spread·z). */
function guessedZones(scene: Pick<Scene, 'input' | 'circleMm'>, fNumber: number): readonly WeightedZone[] {
  const { subject, standard, lens, focalLengthMm } = scene.input;
  return GUESS_SCORES.map((score, k) => {
    const guess = subject.medianM * (1 + standard.guessBias) * Math.exp(standard.guessSpread * score);
    const ring = Math.max(guess, lens.closestFocusM, (focalLengthMm / 1000) * 1.001);
    return { weight: (GUESS_WEIGHTS[k] as number) / GUESS_SUM, sharp: zoneAt(scene, fNumber, ring) };
  });
}

/** A third of a stop short is still lifted. */
const FLASH_SHORT_EV = 1 / 3;

function flashShareOf(input: SetUpInput, crowd: Crowd): Scene['flashShare'] {
  const { intent, flash } = input;
  if (intent.kind !== 'flashLift') return null;
  if (flash === null) return () => 0;
  const further = 2 ** ((FLASH_SHORT_EV - intent.flashEv) / 2);
  return (fNumber, iso) => {
    const reachM = flashReachM({ guideNumberM: flash.guideNumberM, iso, fNumber }) * further;
    return normalBelowFast(scoreOf(crowd.distances, reachM));
  };
}

function toleranceOf({ film, body }: SetUpInput, figures: Figures): ExposureTolerance {
  const fadeEv = figures.exposureFadeEv;
  if (body.medium === 'film' && film !== null) return { underEv: film.latitudeUnderEv, overEv: film.latitudeOverEv, fadeEv };
  return { underEv: figures.exposureUnderEv, overEv: figures.exposureOverEv, fadeEv };
}

/** Of every aperture with every focus, what is sharp: once, or by the guesses at the spot. */
function zonesOf(scene: Pick<Scene, 'input' | 'circleMm' | 'sharp' | 'controls'>): readonly (readonly WeightedZone[])[] {
  const { input, controls } = scene;
  const byEye = input.approach.focus === 'lockedOnSpot' && shootingOf(input).spotByEye;
  if (byEye) return controls.fNumbers.map((fNumber) => guessedZones(scene, fNumber));
  return scene.sharp.map((sharp) => [{ weight: 1, sharp }]);
}

function tableOf(scene: Pick<Scene, 'input' | 'circleMm' | 'crowd' | 'grid' | 'sharp' | 'controls' | 'figures'>): DepthAndMotion {
  const { input, crowd, grid, circleMm, controls, figures } = scene;
  if (zoneLawOf(input) === 'allOfIt') return coverTable(crowd, zonesOf(scene), input.subject, grid);
  if (input.approach.focus === 'centrePoint') {
    const apertures = controls.fNumbers.map((fNumber) => ({ fNumber, allowanceMm: geometricAllowanceMm(fNumber, circleMm) }));
    return centrePointTable(crowd, { offsetDeg: figures.centreOffsetDeg, delayS: input.body.autofocusDelayS }, apertures, grid);
  }
  return zoneTable(crowd, zonesOf(scene), grid);
}

/** Source of every rule: docs/formulas.md#search. The input is taken as checked. */
export function prepareScene(input: SetUpInput, options: ControlOptions = {}): Scene {
  const figures = figuresOf(input);
  const controls = controlsOf(input, options);
  const circleMm = circleOfConfusionMm(input.standard.sharpness, input.body);
  const crowd: Crowd = {
    distances: distanceLaw(input, figures),
    speeds: speedLaw(input.movers),
    angles: angleNodes(input.movers),
    smear: smearRule(input),
    focalLengthMm: input.focalLengthMm,
  };
  const grid = timeGrid(Math.min(controls.fastestS, controls.slowestS), Math.max(controls.fastestS, controls.slowestS));
  const sharp = controls.fNumbers.flatMap((fNumber) =>
    controls.focusM.map((focusM) => zoneAt({ input, circleMm }, fNumber, focusM)),
  );
  const byTime = (worth: (shutterS: number) => number): Float64Array =>
    Float64Array.from({ length: grid.count }, (_, time) => worth(2 ** log2TimeOf(grid, time)));
  const tolerance = toleranceOf(input, figures);
  const before = { input, figures, controls, circleMm, crowd, grid, sharp };
  return {
    ...before,
    keyToneEv: keyToneOf(input.intent),
    table: tableOf(before),
    belongs: controls.fNumbers.flatMap((fNumber) => controls.focusM.map((focusM) => isolatesEnough(input, fNumber, focusM))),
    steady: APPROACHES.support.map((support) => byTime(steadyCurve(input, support))),
    flicker: byTime(flickerCurve(input)),
    timed: byTime((shutterS) => timeWorth(input, shutterS)),
    tolerance,
    kept: keptExposure(input, tolerance),
    flashShare: flashShareOf(input, crowd),
  };
}

/** The same stop in another light: of what has been worked out only a changing light's share depends on it. */
export function withLight(scene: Scene, light: SetUpInput['light']): Scene {
  const input = { ...scene.input, light };
  return { ...scene, input, kept: keptExposure(input, scene.tolerance) };
}

/** The support that a cell stands on: what the hand sets where that is its choice, else the approach's. */
export function supportOf({ controls, input }: Pick<Scene, 'controls' | 'input'>, dialValue: number): Approach['support'] {
  return controls.dial.kind === 'support' ? (APPROACHES.support[dialValue] as Approach['support']) : input.approach.support;
}
