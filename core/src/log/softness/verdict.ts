import { CAUSES, type Cause, type FrameSettings, type PictureReading, type PictureSpot } from '../frames/frame.js';
import { type Evidence, evidenceOf, type FrameLook } from './evidence.js';
import type { SoftnessReading } from './readSoftness.js';
import { type FrameMeant, leftByPlan, leftBySettings, NOT_PLANNED } from './settings.js';
import { type Sign, SIGNS, type Signs, signsOf } from './signs.js';
import { MEANS, SPREADS, WEIGHTS } from './verdictWeights.js';

/** What a picture may look like, in the order of the weights. */
export const LOOKS = [...CAUSES, 'good'] as const;

type Shares = Readonly<Record<Exclude<FrameLook, 'cannotTell'>, number>>;

export interface SoftnessVerdict {
  readonly looksLike: FrameLook;
  /** Of a hundred pictures that look like this, so many shares are what it says; 0 where it cannot tell. */
  readonly confidence: number;
  /** Of each look, how likely it is, together 1. */
  readonly shares: Shares;
  /** The same by the picture and its settings alone, whatever was meant; null where the picture has nothing to go by. */
  readonly unplanned: Shares | null;
  readonly evidence: Evidence;
}

/** Further from the mean than this a sign says no more. */
const FURTHEST = 3;
const BEND = 0.7;
/** What is not likelier than all else together is not told. */
const TELLS_FROM = 0.5;
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

/** Shares of which something is left, of each its part; together 1 again. */
function leftOf(shares: Shares, left: Readonly<Record<Cause, number>>): Shares {
  const parts = LOOKS.map((look) => shares[look] * (look === 'good' ? 1 : left[look]));
  const all = parts.reduce((sum, one) => sum + one, 0);
  return Object.fromEntries(LOOKS.map((look, k) => [look, (parts[k] as number) / all])) as Shares;
}

/** The likelihood of each look: its signs weighed and added up, taken to the power of e, each by its share of all. */
function likelihoods(signs: Signs): Shares {
  const inputs = weighable(signs);
  const sums = LOOKS.map((_, look) => {
    const [bias, ...weights] = WEIGHTS[look] as readonly [number, ...number[]];
    return weights.reduce((sum, weight, k) => sum + weight * (inputs[k] as number), bias);
  });
  const most = Math.max(...sums);
  const powers = sums.map((sum) => Math.exp(sum - most));
  const all = powers.reduce((sum, one) => sum + one, 0);
  return Object.fromEntries(LOOKS.map((look, k) => [look, (powers[k] as number) / all])) as Shares;
}

type Told = Pick<SoftnessVerdict, 'looksLike' | 'confidence'>;
const UNTOLD: Told = { looksLike: 'cannotTell', confidence: 0 };

/** The likeliest of all, where it is likely enough. */
function toldOf(shares: Shares): Told {
  const look = LOOKS.reduce((best, one) => (shares[one] > shares[best] ? one : best));
  return shares[look] >= TELLS_FROM ? { looksLike: look, confidence: shares[look] } : UNTOLD;
}

/**
 * What a picture looks like, and how likely that is: a logistic regression on its signs, fitted on photographs that nobody here
 * made, less what its settings cannot have done and what was not meant. Source: docs/log.md#verdicts; scripts/fit-verdicts.mjs.
 */
export function softnessVerdict(
  reading: SoftnessReading,
  subjectAt: PictureSpot = { x: 0.5, y: 0.5 },
  settings: Partial<FrameSettings> = {},
  meant: FrameMeant = NOT_PLANNED,
): SoftnessVerdict {
  const evidence = evidenceOf(reading, subjectAt);
  const unplanned = leftOf(likelihoods(signsOf(reading, evidence)), leftBySettings(settings));
  const shares = leftOf(unplanned, leftByPlan(settings, meant));
  const isBlind = evidence.tiles + evidence.round.length < LEAST_TILES && reading.noiseSeen < NOISE_ALONE;
  return { ...(isBlind ? UNTOLD : toldOf(shares)), shares, unplanned: isBlind ? null : unplanned, evidence };
}

/** What a frame looks like where it is known what was meant: a frame is looked at before it stands at its stop. */
export function lookAsMeant(sight: PictureReading, settings: Partial<FrameSettings>, meant: FrameMeant): Told {
  return sight.shares === undefined ? sight : toldOf(leftOf(sight.shares, leftByPlan(settings, meant)));
}
