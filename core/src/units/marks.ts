/**
 * Marked values: what is engraved or shown, kept apart from what it stands for.
 * 1/125 stands for exactly 2⁻⁷ s, f/5.6 for 2^2.5, ISO 1250 for 100·2^(11/3).
 */

export type StopStep = 'full' | 'half' | 'third';
export const STOP_STEPS = ['full', 'half', 'third'] as const;
export const STEPS_PER_STOP: Readonly<Record<StopStep, number>> = { full: 1, half: 2, third: 3 };

export interface Mark {
  /** The customary name, without unit: `5.6`, `1/125`, `0.4`, `1250`. */
  readonly name: string;
  /** What it stands for: f-number, seconds or ISO. */
  readonly exact: number;
}

export type MarkedQuantity = 'aperture' | 'shutter' | 'iso';

/** Names from `first`, one series step apart; the exact value of the k-th is `exactAt(firstStep + k)`. */
interface Series {
  readonly firstStep: number;
  readonly names: string;
  readonly exactAt: (step: number) => number;
}

const aperture =
  (perStop: number) =>
  (step: number): number =>
    2 ** (step / perStop / 2);
const shutter =
  (perStop: number) =>
  (step: number): number =>
    2 ** (step / perStop);
const iso =
  (perStop: number) =>
  (step: number): number =>
    100 * 2 ** (step / perStop);

const SERIES: Readonly<Record<MarkedQuantity, Readonly<Record<StopStep, Series>>>> = {
  aperture: {
    full: { firstStep: -1, exactAt: aperture(1), names: '0.7 1 1.4 2 2.8 4 5.6 8 11 16 22 32 45 64' },
    half: {
      firstStep: -2,
      exactAt: aperture(2),
      names: '0.7 0.8 1 1.2 1.4 1.7 2 2.4 2.8 3.3 4 4.8 5.6 6.7 8 9.5 11 13 16 19 22 27 32 38 45 54 64',
    },
    third: {
      firstStep: -3,
      exactAt: aperture(3),
      names:
        '0.7 0.8 0.9 1 1.1 1.2 1.4 1.6 1.8 2 2.2 2.5 2.8 3.2 3.5 4 4.5 5 5.6 6.3 7.1 8 9 10 11 13 14 16 18 20 ' +
        '22 25 29 32 36 40 45 51 57 64',
    },
  },
  shutter: {
    full: {
      firstStep: -15,
      exactAt: shutter(1),
      names: '1/32000 1/16000 1/8000 1/4000 1/2000 1/1000 1/500 1/250 1/125 1/60 1/30 1/15 1/8 1/4 0.5 1 2 4 8 15 30 60',
    },
    half: {
      firstStep: -30,
      exactAt: shutter(2),
      names:
        '1/32000 1/24000 1/16000 1/12000 1/8000 1/6000 1/4000 1/3000 1/2000 1/1500 1/1000 1/750 1/500 1/350 1/250 ' +
        '1/180 1/125 1/90 1/60 1/45 1/30 1/20 1/15 1/10 1/8 1/6 1/4 0.3 0.5 0.7 1 1.5 2 3 4 6 8 10 15 20 30 45 60',
    },
    third: {
      firstStep: -45,
      exactAt: shutter(3),
      names:
        '1/32000 1/25600 1/20000 1/16000 1/12800 1/10000 1/8000 1/6400 1/5000 1/4000 1/3200 1/2500 1/2000 1/1600 ' +
        '1/1250 1/1000 1/800 1/640 1/500 1/400 1/320 1/250 1/200 1/160 1/125 1/100 1/80 1/60 1/50 1/40 1/30 1/25 ' +
        '1/20 1/15 1/13 1/10 1/8 1/6 1/5 1/4 0.3 0.4 0.5 0.6 0.8 1 1.3 1.6 2 2.5 3.2 4 5 6 8 10 13 15 20 25 30 ' +
        '40 50 60',
    },
  },
  iso: {
    full: {
      firstStep: -4,
      exactAt: iso(1),
      names: '6 12 25 50 100 200 400 800 1600 3200 6400 12800 25600 51200 102400 204800 409600',
    },
    half: {
      firstStep: -8,
      exactAt: iso(2),
      names:
        '6 9 12 18 25 35 50 70 100 140 200 280 400 560 800 1100 1600 2200 3200 4500 6400 9000 12800 18000 25600 ' +
        '36000 51200 72000 102400 144000 204800 288000 409600',
    },
    third: {
      firstStep: -12,
      exactAt: iso(3),
      names:
        '6 8 10 12 16 20 25 32 40 50 64 80 100 125 160 200 250 320 400 500 640 800 1000 1250 1600 2000 2500 3200 ' +
        '4000 5000 6400 8000 10000 12800 16000 20000 25600 32000 40000 51200 64000 80000 102400 128000 160000 ' +
        '204800 256000 320000 409600',
    },
  },
};

function buildMarks({ firstStep, names, exactAt }: Series): readonly Mark[] {
  return Object.freeze(names.split(' ').map((name, k) => Object.freeze({ name, exact: exactAt(firstStep + k) })));
}

function buildQuantity(quantity: MarkedQuantity): Readonly<Record<StopStep, readonly Mark[]>> {
  const { full, half, third } = SERIES[quantity];
  return { full: buildMarks(full), half: buildMarks(half), third: buildMarks(third) };
}

const MARKS = { aperture: buildQuantity('aperture'), shutter: buildQuantity('shutter'), iso: buildQuantity('iso') };

/** The marked series, ascending in its exact value. */
export function marksOf(quantity: MarkedQuantity, step: StopStep): readonly Mark[] {
  return MARKS[quantity][step];
}

/** Relative distance below which an exact value is the mark itself. */
const SAME = 1e-9;

/** Equal but for rounding. Infinity is the same as itself alone, not as everything within an infinite tolerance of it. */
export function isSameValue(a: number, b: number): boolean {
  if (!Number.isFinite(a) || !Number.isFinite(b)) return a === b;
  return Math.abs(a - b) <= SAME * Math.max(Math.abs(a), Math.abs(b));
}

/**
 * The series between two values inclusive; either end is a mark even where it is off the series
 * (a lens that opens to f/1.7 in thirds). Ascending, exact values.
 */
export function markedBetween(quantity: MarkedQuantity, step: StopStep, low: number, high: number): readonly number[] {
  const within = marksOf(quantity, step)
    .map((mark) => mark.exact)
    .filter((exact) => exact > low && exact < high && !isSameValue(exact, low) && !isSameValue(exact, high));
  return isSameValue(low, high) ? [low] : [low, ...within, high];
}
