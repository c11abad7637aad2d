import type { DepthOfField } from '../../optics/index.js';
import type { Evaluation } from '../search/evaluation.js';
import type { Scene } from '../scene/scene.js';
import type { Why, WhyInput } from '../search/setUp.js';

/** The working behind each number of a card: the rule in words, what went in, where it comes from. */

function chanceInputs({ chance, isoStops, score }: Evaluation): readonly WhyInput[] {
  return [
    { label: 'chance of a good frame', value: chance, unit: 'percent' },
    { label: 'ISO over base', value: isoStops, unit: 'stops' },
    { label: 'score', value: Math.round(score * 1000) / 1000, unit: 'number' },
  ];
}

export function whyAperture({ input, circleMm }: Scene, found: Evaluation): Why {
  return {
    formula:
      'Of every aperture, shutter and focus that can be set, the highest chance of a good frame less 0.02 for each stop ' +
      'of ISO. An aperture counts by the people who are within its sharp zone, defocus and diffraction in quadrature.',
    inputs: [
      ...chanceInputs(found),
      { label: 'focal length', value: input.focalLengthMm, unit: 'mm' },
      { label: 'circle of confusion', value: circleMm, unit: 'mm' },
      { label: 'people within the sharp zone', value: found.factors.depth, unit: 'percent' },
    ],
    source: 'the search (docs/formulas.md, Search); thin lens, Airy core 1.7·λ·N at 550 nm (Total blur)',
  };
}

export function whyFocus({ input, crowd }: Scene, found: Evaluation, geometric: DepthOfField): Why {
  return {
    formula:
      'Of the distances that this lens marks, the one with the best chance that whoever is shot is sharp and not ' +
      'smeared, the two taken together because the near ones smear more.',
    inputs: [
      { label: 'people at', value: crowd.distances.medianM, unit: 'distance' },
      crowd.distances.kind === 'normal'
        ? { label: 'give or take', value: crowd.distances.spread, unit: 'distance' }
        : { label: 'give or take', value: crowd.distances.spread, unit: 'percent' },
      { label: 'zone from', value: input.subject.nearM, unit: 'distance' },
      { label: 'zone to', value: input.subject.farM, unit: 'distance' },
      { label: 'within the sharp zone', value: found.factors.depth, unit: 'percent' },
      { label: 'sharp by defocus alone, from', value: geometric.nearM, unit: 'distance' },
      { label: 'sharp by defocus alone, to', value: geometric.farM, unit: 'distance' },
    ],
    source: 'log-normal distances (docs/formulas.md, Distances)',
  };
}

/** What the meter says and what the film needs, where they are two things. */
function reciprocityInputs({ film }: Scene['input'], { camera }: Evaluation): readonly WhyInput[] {
  if (film === null || camera.meteredS === camera.shutterS) return [];
  return [
    { label: 'the meter says', value: camera.meteredS, unit: 'shutter' },
    { label: 'this film needs', value: camera.shutterS, unit: 'shutter' },
    { label: 'it tires from', value: film.reciprocityThresholdS, unit: 'shutter' },
    { label: 'by the exponent', value: film.reciprocityExponent, unit: 'number' },
  ];
}

export function whyShutter({ input, crowd }: Scene, found: Evaluation, motionLimitS: number, handsLimitS: number): Why {
  const { movers } = input;
  const { smear } = crowd;
  return {
    formula:
      'The slower, the less ISO; the faster, the fewer smear and shake. Smear: image speed x time for every distance, ' +
      'speed and direction. Hands: 80 % at their limit, 97 % a stop faster, 35 % a stop slower. Past its threshold t₀ a film ' +
      'needs t₀·(t/t₀)^p for a metered t.',
    inputs: [
      ...chanceInputs(found),
      ...reciprocityInputs(input, found),
      { label: 'free of shake', value: found.factors.shake, unit: 'percent' },
      { label: 'smeared no more than allowed', value: found.factors.motion, unit: 'percent' },
      { label: 'your hands’ limit', value: handsLimitS, unit: 'shutter' },
      { label: 'the typical one’s limit', value: motionLimitS, unit: 'shutter' },
      { label: 'smear allowed', value: smear.kind === 'nothingMoves' ? Infinity : smear.toMm, unit: 'mm' },
      { label: 'who moves', value: movers.who.trim() === '' ? 'people' : movers.who, unit: 'word' },
      { label: 'walking speed', value: movers.speedMps, unit: 'mps' },
      { label: 'spread of speed', value: movers.speedSpreadMps, unit: 'mps' },
      { label: 'direction off the lens axis', value: movers.travelAngleDeg, unit: 'degrees' },
    ],
    source: 'image speed f·v·sin θ/(u − f); shake rule of your standard (docs/formulas.md, Motion and Shake)',
  };
}

/** Less of the shadows is left with every stop of ISO over base. */
function shadowInputs({ body }: Scene['input'], { isoStops }: Evaluation): readonly WhyInput[] {
  if (body.medium === 'film') return [];
  return [{ label: 'shadows hold down to', value: Math.min(0, isoStops - body.shadowRangeEv), unit: 'stops' }];
}

export function whyIso({ input, controls, keyToneEv }: Scene, found: Evaluation, expected: number): Why {
  const { camera, hand } = found;
  const targetEv = Math.log2(camera.fNumber ** 2 / camera.meteredS) - Math.log2(camera.iso / 100) + camera.errorEv;
  return {
    formula: 'ISO = 100·N²/(t·2^EV): the least that exposes the key tone at this aperture and shutter.',
    inputs: [
      { label: 'light on the key tone, less its placement', value: targetEv, unit: 'ev' },
      { label: 'its placement', value: keyToneEv, unit: 'stops' },
      { label: 'aperture', value: hand.fNumber, unit: 'aperture' },
      { label: 'shutter, as metered', value: camera.meteredS, unit: 'shutter' },
      { label: 'base', value: controls.isoBase, unit: 'iso' },
      { label: 'ceiling', value: controls.isoCeiling, unit: 'iso' },
      { label: 'sits near', value: expected, unit: 'iso' },
      ...shadowInputs(input, found),
    ],
    source: 'exposure value, ISO 2720 (docs/formulas.md, Exposure value)',
  };
}
