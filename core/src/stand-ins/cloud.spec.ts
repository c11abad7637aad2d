import { simulatedCloud } from './cloud.js';

describe('a simulated forecast', () => {
  const day = '2027-03-13';
  it('is the same for the same day and seed, another for another, and always a share', () => {
    const one = simulatedCloud({ day, seed: 1 });
    expect(simulatedCloud({ day, seed: 1 })).toEqual(one);
    expect(simulatedCloud({ day, seed: 2 })).not.toEqual(one);
    expect(simulatedCloud({ day: '2027-03-14', seed: 1 })).not.toEqual(one);
    for (let seed = 0; seed < 200; seed++) {
      const hours = simulatedCloud({ day, seed });
      expect(hours).toHaveLength(36);
      expect(hours.every((cloud) => cloud >= 0 && cloud <= 1)).toBe(true);
    }
  });
  it('makes clear days and overcast ones', () => {
    const means = Array.from({ length: 200 }, (_, seed) => simulatedCloud({ day, seed }).reduce((a, b) => a + b, 0) / 36);
    expect([means.some((mean) => mean < 0.15), means.some((mean) => mean > 0.85)]).toEqual([true, true]);
  });
  it('refuses a day that is none', () => {
    expect(() => simulatedCloud({ day: '2027-02-30', seed: 1 })).toThrow(RangeError);
  });
});
