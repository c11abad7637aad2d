import { handReadingAt } from './meter.js';

describe('the stand-in for a meter in the hand', () => {
  it('reads the same made-up scene over and over, resting on each thing', () => {
    expect(handReadingAt(7)).toEqual(handReadingAt(7));
    expect([0, 8, 16, 48].map((count) => handReadingAt(count).name)).toEqual([
      'the white wall',
      'a coat in the sun',
      'the pavement',
      'the white wall',
    ]);
    const rested = [4, 5, 6, 7].map((count) => handReadingAt(count).ev100);
    expect(Math.max(...rested) - Math.min(...rested)).toBeLessThan(0.25);
    expect(Math.abs((rested[0] as number) - 15.8)).toBeLessThanOrEqual(0.12);
  });
});
