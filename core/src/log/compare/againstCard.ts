import { exposureValue100 } from '../../exposure/index.js';
import { keyToneOf } from '../../metering/index.js';
import type { Moment } from '../../outing/index.js';
import type { Intent } from '../../stop/index.js';
import { momentOfStayAt, type LogFrame, type PlacedFrame } from '../frames/index.js';
import { type Compared, departures } from './plannedAgainstUsed.js';
import { medianOf } from '../middle.js';

/** How many good ones chance allows, of so many frames. */
export interface ExpectedGood {
  readonly mean: number;
  /** Nine times of ten it is from this to that. */
  readonly low: number;
  readonly high: number;
}

/** What frames say of the light of their stop, against the model. */
export interface LightFound {
  /** Stops brighter (+) than the model had it, the readings taken there left out: the middle of the frames. */
  readonly offsetEv: number;
  /** How far frames lie about it, standard deviations by their middle distance, stops. */
  readonly spreadEv: number;
  /** Whether the offset may be off by so little, half a stop, that it is one to go by. */
  readonly isSure: boolean;
  readonly frames: number;
}

export interface AgainstCard {
  readonly frames: number;
  /** Of those that somebody decided of. */
  readonly judged: number;
  readonly good: number;
  /** Null where none was decided of, or had a card. */
  readonly expected: ExpectedGood | null;
  /** Null where too few frames say. */
  readonly light: LightFound | null;
  /** Frame by frame, stops, as in `departures`. */
  readonly departures: Readonly<Record<Compared, readonly number[]>>;
}

/** The range holds this share of what chance does. */
const RANGE_SHARE = 0.9;
/** Fewer frames say nothing of a stop's light. */
const LEAST_FOR_LIGHT = 3;
/** A middle distance is so much of a standard deviation, of a normal curve. */
const PER_MIDDLE_DISTANCE = 1.4826;
/** A middle strays so much more than a mean of as many: the root of π/2. */
const MIDDLE_ERROR = 1.2533;
const SURE_WITHIN_EV = 0.5;

/**
 * The good ones of frames of which each is good with its own chance: their mean, and from where to where nine of ten such walks
 * have it, by the exact distribution of the sum. Source: the Poisson binomial, built up frame by frame.
 */
export function expectedGood(chances: readonly number[]): ExpectedGood {
  let shares = [1];
  for (const chance of chances) {
    const next = new Array<number>(shares.length + 1).fill(0);
    shares.forEach((share, k) => {
      next[k] = (next[k] as number) + share * (1 - chance);
      next[k + 1] = (next[k + 1] as number) + share * chance;
    });
    shares = next;
  }
  const from = (share: number): number => {
    let left = share;
    return Math.max(
      0,
      shares.findIndex((one) => (left -= one) <= 1e-12),
    );
  };
  const mean = chances.reduce((sum, chance) => sum + chance, 0);
  return { mean, low: from((1 - RANGE_SHARE) / 2), high: from((1 + RANGE_SHARE) / 2) };
}

/**
 * The EV at ISO 100 that a frame says its scene averaged: of its exposure, and the stops from mid-grey at which its mean came
 * out; where it was not looked at, the compensation that was dialled, for that is where the meter put it. Null without either.
 */
export function sceneEvOf({ fNumber, shutterS, iso, sight, compensationEv }: LogFrame): number | null {
  const middle = sight?.midToneEv ?? compensationEv;
  if (fNumber === null || shutterS === null || iso === null || middle === null) return null;
  return exposureValue100({ fNumber, shutterS, iso }) + middle;
}

/** The same by the card: its key's EV less its tone, and what the dial added to put it there. Null where the dial did not reach. */
export function plannedSceneEv({ keyEv100, compensationEv }: Moment, intent: Intent): number | null {
  return compensationEv === null ? null : keyEv100 - keyToneOf(intent) + compensationEv;
}

function lightOf(placed: readonly PlacedFrame[]): LightFound | null {
  const offsets = placed.flatMap(({ frame, stay, atMs }) => {
    const card = stay === null ? null : momentOfStayAt(stay, atMs);
    if (stay === null || card === null) return [];
    const [found, planned] = [sceneEvOf(frame), plannedSceneEv(card, stay.intent)];
    return found === null || planned === null ? [] : [found - planned + card.readingOffsetEv];
  });
  if (offsets.length < LEAST_FOR_LIGHT) return null;
  const offsetEv = medianOf(offsets);
  const spreadEv = PER_MIDDLE_DISTANCE * medianOf(offsets.map((one) => Math.abs(one - offsetEv)));
  const errorEv = (MIDDLE_ERROR * spreadEv) / Math.sqrt(offsets.length);
  return { offsetEv, spreadEv, isSure: errorEv <= SURE_WITHIN_EV, frames: offsets.length };
}

/** Frames of a stop held against its card. Source: docs/log.md#planned-against-used. */
export function againstCard(placed: readonly PlacedFrame[]): AgainstCard {
  const decided = placed.filter(({ frame }) => frame.verdict !== null);
  const chances = decided.flatMap(({ stay, atMs }) => {
    const card = stay === null ? null : momentOfStayAt(stay, atMs);
    return card === null ? [] : [card.chance];
  });
  const found: Record<Compared, number[]> = { shutter: [], aperture: [], iso: [], compensation: [], focus: [] };
  for (const { frame, stay, atMs } of placed) {
    const card = stay === null ? null : momentOfStayAt(stay, atMs);
    if (card !== null) for (const { what, stops } of departures(frame, card)) found[what].push(stops);
  }
  return {
    frames: placed.length,
    judged: decided.length,
    good: decided.filter(({ frame }) => frame.verdict === 'good').length,
    expected: chances.length === 0 ? null : expectedGood(chances),
    light: lightOf(placed),
    departures: found,
  };
}
