import { checkArray, checkAtLeast, checkBetween, checkOptions } from '../units/index.js';

/** Minutes elapsed since local midnight of the walk's day; past 1440 it is the next day. */
export interface MinuteSpan {
  readonly fromMin: number;
  readonly toMin: number;
}

/** What a visit is worth: the chance to come home with its picture, or the same however long one stays. */
export type VisitWorth =
  | {
      readonly kind: 'light';
      /** Good frames of every minute, from this one on; none before and after. */
      readonly fromMin: number;
      readonly goodFramesPerMin: ArrayLike<number>;
      /** How much this picture matters beside the others; 1 for an ordinary one. */
      readonly weight: number;
      /** Each further good frame counts for this share of the one before; 0 (s). */
      readonly repeatShare?: number;
    }
  | { readonly kind: 'flat'; readonly millionths: number };

/** One visit to a place: a stop's picture, one of its passes, a fixed call, a meal, a rest. */
export interface Visit {
  readonly id: string;
  readonly worth: VisitWorth;
  readonly shortestMin: number;
  readonly longestMin: number;
  /** The whole visit lies in one of these; absent: whenever. */
  readonly open?: readonly MinuteSpan[];
  /** First and last minute at which it may begin; absent: any. */
  readonly beginnings?: MinuteSpan;
  /** Must-have. */
  readonly isMust?: boolean;
  /** Had wherever one is just then, without a walk; not before the first stop. */
  readonly isAnywhere?: boolean;
}

/** All that a day is planned from: plain data. */
export interface DayQuestion {
  readonly visits: readonly Visit[];
  /** Whole minutes on foot, from the first index to the second. */
  readonly walksMin: readonly (readonly number[])[];
  /** From where the day starts to each visit, and from each to where it ends; absent: it starts or ends at the visit. */
  readonly fromStartMin?: readonly number[];
  readonly toEndMin?: readonly number[];
  readonly earliestMin: number;
  readonly latestMin: number;
  /** What a minute from setting off to coming home has to earn, in millionths of a picture; 1000 (s). */
  readonly pricePerMin?: number;
  /** What a minute on foot costs besides; 1000 (s). */
  readonly walkPricePerMin?: number;
  /** From where the day starts straight to where it ends, on a walk that runs already. */
  readonly homeFromStartMin?: number;
  /** Time at home before the walk is free, or it runs already; `whenever` by default. */
  readonly setsOff?: 'whenever' | 'now';
}

export const DEFAULT_PRICE_PER_MIN = 1000;
/** A picture, in the unit of worths. */
export const MILLION = 1_000_000;
/** From one midnight to the second after it, a clock change included. */
export const LATEST_MIN = 2 * 1440 + 120;

/** Worths and prices of a whole day stay far inside 32 bits. */
const MOST_WEIGHT = 100;
const MOST_PRICE = 100_000;

export function checkSpan(name: string, { fromMin, toMin }: MinuteSpan): void {
  checkBetween(`${name}.fromMin`, fromMin, 0, LATEST_MIN);
  checkBetween(`${name}.toMin`, toMin, fromMin, LATEST_MIN);
}

function checkWhole(name: string, value: unknown, low: number, high: number): void {
  checkBetween(name, value, low, high);
  if (!Number.isInteger(value)) throw new RangeError(`${name} must be a whole number, got ${String(value)}`);
}

function checkVisit(name: string, { worth, shortestMin, longestMin, open, beginnings }: Visit): void {
  checkOptions(`${name}.worth`, worth);
  if (worth.kind === 'light') {
    checkBetween(`${name}.worth.weight`, worth.weight, 0, MOST_WEIGHT);
    checkBetween(`${name}.worth.repeatShare`, worth.repeatShare ?? 0, 0, 0.999_999);
    checkWhole(`${name}.worth.fromMin`, worth.fromMin, 0, LATEST_MIN);
    for (let k = 0; k < worth.goodFramesPerMin.length; k++) {
      checkAtLeast(`${name}.worth.goodFramesPerMin[${k}]`, worth.goodFramesPerMin[k], 0);
    }
  } else checkBetween(`${name}.worth.millionths`, worth.millionths, 0, MOST_WEIGHT * MILLION);
  checkWhole(`${name}.shortestMin`, shortestMin, 1, LATEST_MIN);
  checkWhole(`${name}.longestMin`, longestMin, shortestMin, LATEST_MIN);
  open?.forEach((span, k) => checkSpan(`${name}.open[${k}]`, span));
  if (beginnings !== undefined) checkSpan(`${name}.beginnings`, beginnings);
}

function checkWalks(name: string, walks: readonly number[] | undefined, count: number): void {
  if (walks === undefined) return;
  checkArray(name, walks);
  if (walks.length !== count) throw new RangeError(`${name} must have a walk for each of ${count} visits, got ${walks.length}`);
  walks.forEach((min, k) => checkWhole(`${name}[${k}]`, min, 0, LATEST_MIN));
}

/** @throws TypeError, RangeError naming what is wrong, its value and what is allowed. */
export function checkDayQuestion(question: DayQuestion): void {
  checkOptions('question', question);
  const { visits, walksMin, fromStartMin, toEndMin, earliestMin, latestMin, pricePerMin, walkPricePerMin, homeFromStartMin } =
    question;
  checkArray('visits', visits);
  visits.forEach((visit, k) => checkVisit(`visits[${k}]`, visit));
  checkArray('walksMin', walksMin);
  if (walksMin.length !== visits.length) {
    throw new RangeError(`walksMin must have a row for each of ${visits.length} visits, got ${walksMin.length}`);
  }
  walksMin.forEach((row, k) => checkWalks(`walksMin[${k}]`, row, visits.length));
  checkWalks('fromStartMin', fromStartMin, visits.length);
  checkWalks('toEndMin', toEndMin, visits.length);
  checkWhole('earliestMin', earliestMin, 0, LATEST_MIN);
  checkWhole('latestMin', latestMin, earliestMin, LATEST_MIN);
  if (homeFromStartMin !== undefined) checkWhole('homeFromStartMin', homeFromStartMin, 0, LATEST_MIN);
  if (pricePerMin !== undefined) checkWhole('pricePerMin', pricePerMin, 0, MOST_PRICE);
  if (walkPricePerMin !== undefined) checkWhole('walkPricePerMin', walkPricePerMin, 0, MOST_PRICE);
}

/** A visit at one time and of one length; as light or as flat as its worth. */
export function fixedAt(atMin: number, stayMin: number): Pick<Visit, 'shortestMin' | 'longestMin' | 'beginnings'> {
  return { shortestMin: stayMin, longestMin: stayMin, beginnings: { fromMin: atMin, toMin: atMin } };
}

/** Shortest and longest stay at a stop, minutes, where nobody has said otherwise (s). */
export const DEFAULT_STAY = { shortestMin: 10, longestMin: 120 } as const;

/** A question about some of its visits, by their numbers, in that order. */
export function subset(question: DayQuestion, numbers: readonly number[]): DayQuestion {
  const pick = <Item>(items: readonly Item[]): readonly Item[] => numbers.map((k) => items[k] as Item);
  const { fromStartMin, toEndMin } = question;
  return {
    ...question,
    visits: pick(question.visits),
    walksMin: pick(question.walksMin).map(pick),
    ...(fromStartMin === undefined ? {} : { fromStartMin: pick(fromStartMin) }),
    ...(toEndMin === undefined ? {} : { toEndMin: pick(toEndMin) }),
  };
}
