import { standardCircleMm } from './depthTable.js';
import type { Choice } from './choose.js';
import type { Plan } from './plan.js';
import type { Why } from './setUp.js';
import type { DepthRow } from './depthTable.js';

/** The working behind each number of a card: the rule in words, what went in, where it comes from. */

export function whyAperture(plan: Plan, row: DepthRow): Why {
  const { input, leastRow, rows } = plan;
  return {
    formula:
      'The widest marked aperture whose total blur, defocus and diffraction in quadrature, stays within the circle of ' +
      'confusion at both ends of the zone; stopped down from there to the preferred aperture while the light allows.',
    inputs: [
      { label: 'focal length', value: input.focalLengthMm, unit: 'mm' },
      { label: 'circle of confusion', value: standardCircleMm(input), unit: 'mm' },
      { label: 'zone from', value: input.subject.nearM, unit: 'distance' },
      { label: 'zone to', value: input.subject.farM, unit: 'distance' },
      leastRow === null
        ? { label: 'holds the zone from', value: 'no marked aperture', unit: 'word' }
        : { label: 'holds the zone from', value: (rows[leastRow] as DepthRow).fNumber, unit: 'aperture' },
      { label: 'sharp by defocus alone, from', value: row.sharpGeometric.nearM, unit: 'distance' },
      { label: 'sharp by defocus alone, to', value: row.sharpGeometric.farM, unit: 'distance' },
    ],
    source: 'thin lens; Airy core 1.7·λ·N at 550 nm (docs/formulas.md, Total blur)',
  };
}

export function whyFocus({ input }: Plan, row: DepthRow): Why {
  return {
    formula:
      'Among the distances that this lens marks, the one that covers the zone; failing that, the one with the best ' +
      'chance that whoever passes is sharp; between equals, the nearest to 2·near·far/(near + far).',
    inputs: [
      { label: 'zone from', value: input.subject.nearM, unit: 'distance' },
      { label: 'zone to', value: input.subject.farM, unit: 'distance' },
      { label: 'people pass at', value: input.subject.medianM, unit: 'distance' },
      { label: 'give or take', value: input.subject.spread, unit: 'percent' },
      { label: 'chance inside', value: row.zoneChance, unit: 'percent' },
    ],
    source: 'log-normal distances (docs/formulas.md, Guessing)',
  };
}

export function whyShutter({ input, limits, wantedS, leastS }: Plan): Why {
  const { movers, subject } = input;
  return {
    formula:
      'The faster of the shake limit and the motion limit, taken to the next faster mark. Motion: ' +
      'the time in which the image of a walker at mean speed and one spread, at the near end and the most across, ' +
      'smears by the limit.',
    inputs: [
      { label: 'shake limit', value: limits.shakeS, unit: 'shutter' },
      { label: 'motion limit', value: limits.wantedMotionS, unit: 'shutter' },
      { label: 'motion limit, typical walker', value: limits.leastMotionS, unit: 'shutter' },
      { label: 'smear allowed', value: limits.smearMm, unit: 'mm' },
      { label: 'walking speed', value: movers.speedMps, unit: 'mps' },
      { label: 'spread of speed', value: movers.speedSpreadMps, unit: 'mps' },
      { label: 'direction off the lens axis', value: movers.travelAngleDeg, unit: 'degrees' },
      { label: 'nearest', value: subject.nearM, unit: 'distance' },
      { label: 'wanted', value: wantedS, unit: 'shutter' },
      { label: 'at the least', value: leastS, unit: 'shutter' },
    ],
    source: 'image speed f·v·sin θ/(u − f); shake rule of your standard (docs/formulas.md, Motion and Shake)',
  };
}

export function whyIso(plan: Plan, choice: Choice, targetEv: number, expected: number): Why {
  return {
    formula: 'ISO = 100·N²/(t·2^EV): the least that exposes the key tone at this aperture and shutter.',
    inputs: [
      { label: 'light on the key tone, less its placement', value: targetEv, unit: 'ev' },
      { label: 'aperture', value: (plan.rows[choice.row] as DepthRow).fNumber, unit: 'aperture' },
      { label: 'slowest shutter', value: choice.slowestS, unit: 'shutter' },
      { label: 'base', value: plan.isoLowest, unit: 'iso' },
      { label: 'ceiling', value: plan.isoHighest, unit: 'iso' },
      { label: 'sits near', value: expected, unit: 'iso' },
    ],
    source: 'exposure value, ISO 2720 (docs/formulas.md, Exposure value)',
  };
}

export function whyMeter({ input, placement }: Plan): Why {
  return {
    formula:
      'The meter averages the frame to mid-grey. With a bright share q and a rest d stops darker it sees ' +
      'log2(q + (1 − q)·2^−d) below the bright part; the compensation brings the key tone to its place.',
    inputs: [
      { label: 'key tone lands, from mid-grey', value: placement.keyEv, unit: 'stops' },
      { label: 'bright share of the frame', value: placement.brightShare, unit: 'percent' },
      { label: 'the rest is darker by', value: placement.darkerEv, unit: 'stops' },
      { label: 'light on the key tone', value: input.light.keyEv100, unit: 'ev' },
    ],
    source: 'linear average of luminance (docs/formulas.md, Placement)',
  };
}
