import { seeded } from '../../reference/randomDays.js';
import {
  chanceOfAtLeast,
  crowdShareAt,
  expectedForChance,
  goodFramesOfUsefulStay,
  goodFramesPerMin,
  suitablePerMinute,
  waitAhead,
} from './index.js';

const steady = (perMin: number, minutes: number): readonly number[] => Array.from({ length: minutes }, () => perMin);
/** From full light to nothing, a minute at a time. */
const fading = (perMin: number, minutes: number): readonly number[] =>
  Array.from({ length: minutes }, (_, k) => (perMin * (minutes - k)) / minutes);

/** Everybody crosses six metres of picture at 1.4 ± 0.25 m/s. */
const alone = { crossingShare: 1, lengthM: 6, speedMps: 1.4, speedSpreadMps: 0.25 };
const pool = suitablePerMinute({ passersPerMinute: 6, suitableShare: 0.1, patchShare: 1.2 / 4 });
const silhouette = suitablePerMinute({ passersPerMinute: 13, suitableShare: 1 / 20, alone });
const packed = suitablePerMinute({ passersPerMinute: 30, suitableShare: 1 / 20, alone });

const CASES = [
  ['a quarter of 4 a minute, three of them in 5 min', steady(1, 5), 3, 1, 0.8753, 4.28, 0.9933],
  ['the pool, 18 min left', steady(pool, 18), 1, 0.7, 0.9608, 8.94, 0.8965],
  ['the same, fading to nothing', fading(pool, 18), 1, 0.7, 0.8191, 13.99, 0.6979],
  ['a silhouette alone', steady(silhouette, 15), 1, 0.8, 0.9762, 6.45, 0.9498],
  ['the same where it is packed', steady(packed, 15), 1, 0.8, 0.915, 9.79, 0.8609],
] as const;

/** How many of a Poisson stream come in each minute, by the times between them. */
function comeIn(random: () => number, perMin: readonly number[]): number[] {
  return perMin.map((rate) => {
    let [count, at] = [0, -Math.log(1 - random()) / rate];
    for (; at < 1; at -= Math.log(1 - random()) / rate) count++;
    return count;
  });
}

describe('the wait, by the table of sheet 6', () => {
  it.each(CASES)('%s', (_, suitablePerMin, wanted, goodChance, chance, fourInFive, ofOne) => {
    const wait = waitAhead({ suitablePerMin, wanted, goodChance });
    expect(wait.chance).toBeCloseTo(chance, 4);
    expect(wait.chanceOfOne).toBeCloseTo(ofOne, 4);
    expect(wait.fourInFive.kind === 'within' ? wait.fourInFive.minutes : NaN).toBeCloseTo(fourInFive, 2);
  });

  it.each(CASES)('%s: as 100,000 simulated waits have it', (_, suitablePerMin, wanted, goodChance) => {
    const random = seeded(7);
    const runs = 100_000;
    let [enough, one] = [0, 0];
    for (let run = 0; run < runs; run++) {
      const came = comeIn(random, suitablePerMin).reduce((sum, count) => sum + count, 0);
      if (came >= wanted) enough++;
      let isGood = false;
      for (let k = 0; k < came; k++) isGood = random() < goodChance || isGood;
      if (isGood) one++;
    }
    const wait = waitAhead({ suitablePerMin, wanted, goodChance });
    expect(Math.abs(enough / runs - wait.chance)).toBeLessThan(0.005);
    expect(Math.abs(one / runs - wait.chanceOfOne)).toBeLessThan(0.005);
  });

  it('says that it is not in this light, and what is the most', () => {
    const wait = waitAhead({ suitablePerMin: steady(0.05, 10), wanted: 1, goodChance: 1 });
    expect(wait.fourInFive).toEqual({ kind: 'notInThisLight', atMost: 1 - Math.exp(-0.5) });
    expect(waitAhead({ suitablePerMin: [], wanted: 1, goodChance: 1 })).toMatchObject({ chance: 0, chanceOfOne: 0 });
    expect(() => waitAhead({ suitablePerMin: [-1], wanted: 1, goodChance: 1 })).toThrow(/suitablePerMin\[0\]/);
    expect(() => waitAhead({ suitablePerMin: [1], wanted: 1, goodChance: 2 })).toThrow(RangeError);
  });

  it('has the Poisson tail and its inverse', () => {
    expect(chanceOfAtLeast(0, 5)).toBe(1);
    expect(chanceOfAtLeast(1, 0)).toBe(0);
    expect(chanceOfAtLeast(1, -3)).toBe(0);
    expect(expectedForChance(1, 0.8)).toBeCloseTo(Math.log(5), 12);
    for (const n of [1, 2, 5]) expect(chanceOfAtLeast(n, expectedForChance(n, 0.8))).toBeCloseTo(0.8, 9);
  });
});

describe('who passes', () => {
  it('comes by the hour: the levels at the middle of their hours, straight between', () => {
    const levels = Array.from({ length: 24 }, (_, hour) => (hour === 12 ? 3 : hour === 13 ? 1 : 0));
    expect(crowdShareAt(levels, 12.5 * 60)).toBe(2);
    expect(crowdShareAt(levels, 13.5 * 60)).toBeCloseTo(0.4, 12);
    expect(crowdShareAt(levels, 13 * 60)).toBeCloseTo(1.2, 12);
    expect(crowdShareAt(levels, 0)).toBeCloseTo(0.05, 12);
    expect(crowdShareAt(Array<number>(24).fill(1.5), 0)).toBeCloseTo(0.7, 12);
  });

  it('is alone most often where passers·crossing·stay is 1; packed is worse than busy', () => {
    const stayMin = ((6 / 1.4) * (1 + (0.25 / 1.4) ** 2)) / 60;
    const rate = (passersPerMinute: number): number => suitablePerMinute({ passersPerMinute, suitableShare: 0.1, alone });
    expect(rate(1 / stayMin)).toBeGreaterThan(rate(1.1 / stayMin));
    expect(rate(1 / stayMin)).toBeGreaterThan(rate(0.9 / stayMin));
    expect(rate(1 / stayMin)).toBeCloseTo(0.1 / stayMin / Math.E, 9);
  });

  it('fits no more than the whole width into a patch', () => {
    expect(suitablePerMinute({ passersPerMinute: 4, suitableShare: 0.5, patchShare: 3 })).toBe(2);
  });
});

describe('good frames a minute', () => {
  const at = { quality: 0.5, chance: 0.8, suitablePerMin: 0.6, passersPerMin: 12, viewM: 14, speedMps: 1.4 };
  it.each([
    // 0.5 · 0.8 · 0.6 · 0.1; 0.5 · 0.8 · 0.5 · e^(−12 · 10 s) · 0.3; without anybody's doing 0.5 · 0.8 · 0.5 · 0.3
    ['people', 0.024],
    ['nobody', 0.06 * Math.exp(-2)],
    ['either', 0.06],
  ] as const)('%s', (wish, frames) => {
    expect(goodFramesPerMin({ ...at, wish })).toBeCloseTo(frames, 12);
  });

  it('an empty view where nobody passes, none where those who do stand still', () => {
    expect(goodFramesPerMin({ ...at, wish: 'nobody', passersPerMin: 0, speedMps: 0 })).toBeCloseTo(0.06, 12);
    expect(goodFramesPerMin({ ...at, wish: 'nobody', speedMps: 0 })).toBe(0);
  });

  it('by the useful stay: four in five after it', () => {
    expect(1 - Math.exp(-25 * goodFramesOfUsefulStay(1, 25))).toBeCloseTo(0.8, 12);
  });
});
