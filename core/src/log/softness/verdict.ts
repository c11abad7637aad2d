import { CAUSES, type Cause, type FrameSettings, type PictureSpot } from '../frames/frame.js';
import { type Evidence, evidenceOf, type Look } from './evidence.js';
import type { SoftnessReading } from './readSoftness.js';
import { possible } from './settings.js';
import { type Sign, SIGNS, type Signs, signsOf } from './signs.js';
import { MEANS, SPREADS, WEIGHTS } from './verdictWeights.js';

/** What a picture may look like, in the order of the weights. */
export const LOOKS = [...CAUSES, 'good'] as const;

export interface SoftnessVerdict {
  readonly looksLike: Look;
  /** Of a hundred pictures that look like this, so many shares are what it says; 0 where it cannot tell. */
  readonly confidence: number;
  /** Of each look, how likely it is, together 1. */
  readonly shares: Readonly<Record<Exclude<Look, 'cannotTell'>, number>>;
  readonly evidence: Evidence;
}

/** Further from the mean than this a sign says no more. */
const FURTHEST = 3;
const BEND = 0.7;
/** Less likely than this is not told. */
const TELLS_FROM = 0.45;
/** With fewer tiles to read and less noise than this, codes, there is nothing to go by. */
const LEAST_TILES = 12;
const NOISE_ALONE = 3;

/**
 * Signs as they are weighed: each in spreads of the tuning photographs from its mean, one that a picture does not give as the mean; and
 * how far it is beyond a bend to either side, since what is unusual counts otherwise than what is a little off.
 */
export function weighable(signs: Signs, { means, spreads } = { means: MEANS, spreads: SPREADS }): readonly number[] {
  return SIGNS.flatMap((sign: Sign, k) => {
    const value = signs[sign];
    const off = value === null ? 0 : (value - (means[k] as number)) / (spreads[k] as number);
    const within = Math.min(FURTHEST, Math.max(-FURTHEST, off));
    return [within, Math.max(0, within - BEND), Math.max(0, -within - BEND)];
  });
}

/** The likelihood of each look: its signs weighed and added up, taken to the power of e, each by its share of all. */
function likelihoods(signs: Signs, allowed: Readonly<Record<Cause, number>>): SoftnessVerdict['shares'] {
  const inputs = weighable(signs);
  const sums = LOOKS.map((_, look) => {
    const [bias, ...weights] = WEIGHTS[look] as readonly [number, ...number[]];
    return weights.reduce((sum, weight, k) => sum + weight * (inputs[k] as number), bias);
  });
  const most = Math.max(...sums);
  const powers = sums.map((sum, k) => Math.exp(sum - most) * (LOOKS[k] === 'good' ? 1 : allowed[LOOKS[k] as Cause]));
  const all = powers.reduce((sum, one) => sum + one, 0);
  return Object.fromEntries(LOOKS.map((look, k) => [look, (powers[k] as number) / all])) as SoftnessVerdict['shares'];
}

/**
 * What a picture looks like, and how likely that is: a logistic regression on its signs, fitted on photographs that nobody here
 * made, less what its settings cannot have done. Source: docs/log.md#verdicts; scripts/fit-verdicts.mjs.
 */
export function softnessVerdict(
  reading: SoftnessReading,
  subjectAt: PictureSpot = { x: 0.5, y: 0.5 },
  settings: Partial<FrameSettings> = {},
): SoftnessVerdict {
  const evidence = evidenceOf(reading, subjectAt);
  const shares = likelihoods(signsOf(reading, evidence), possible(settings));
  const look = LOOKS.reduce((best, one) => (shares[one] > shares[best] ? one : best));
  const isBlind = evidence.tiles + evidence.round.length < LEAST_TILES && reading.noiseSeen < NOISE_ALONE;
  const isTold = !isBlind && shares[look] >= TELLS_FROM;
  return { looksLike: isTold ? look : 'cannotTell', confidence: isTold ? shares[look] : 0, shares, evidence };
}
