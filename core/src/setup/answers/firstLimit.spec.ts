import { sampleStop } from '../../../reference/sampleStops.js';
import { DEFAULT_INTENTS } from '../../stop/index.js';
import { firstLimit, limitsGrid, prepareSearch, withLight, searchAt, type SetUpInput } from '../index.js';

const limitedCells = (input: SetUpInput, ev100: number): number => {
  const prepared = prepareSearch(input);
  const scene = withLight(prepared, { ...prepared.input.light, spreadEv: 0 });
  return limitsGrid(searchAt(scene, ev100), null).cells.filter(({ limits }) => limits.length > 0).length;
};

describe('the first limit', () => {
  // A silhouette is shot from f/4 to f/5.6, and 4.5 m away nobody smears at the times that a bright sky gives.
  const BRIGHT_EV = 15;
  const input = sampleStop(DEFAULT_INTENTS.silhouette, BRIGHT_EV, {
    subject: { nearM: 3, farM: 6.8, medianM: 4.5, spread: 0.25 },
  });

  it('is that of the nearest third at which any cell is limited', () => {
    expect(limitedCells(input, BRIGHT_EV)).toBe(0);
    const found = firstLimit(input, null);
    if (found === null) throw new Error('nothing is limited anywhere');
    const thirds = Math.round(3 * Math.abs(found.ev100 - BRIGHT_EV));
    expect(thirds).toBeGreaterThan(0);
    expect(limitedCells(input, found.ev100)).toBe(found.cells.filter(({ limits }) => limits.length > 0).length);
    expect(found.cells.some(({ limits }) => limits.includes(found.limit))).toBe(true);
    for (let k = 1; k < thirds; k++) {
      expect([limitedCells(input, BRIGHT_EV - k / 3), limitedCells(input, BRIGHT_EV + k / 3)]).toEqual([0, 0]);
    }
  });

  it('is none where something is limited already', () => {
    expect(firstLimit(sampleStop(DEFAULT_INTENTS.passingCandid, 3), null)).toBeNull();
  });
});
