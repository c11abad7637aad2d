import { withDrawnEnd, zoneOfPassers } from './index.js';

const SUBJECT = { nearM: 2, farM: 8, medianM: 4, spread: 0.42 };

describe('an end of the zone that is drawn', () => {
  it.each([
    ['nearM', 3.456, 3.46],
    ['nearM', 0.01, 0.3],
    // No nearer to the other end than 5 %: 8 / 1.05, and 2 x 1.05.
    ['nearM', 20, 7.62],
    ['farM', 1, 2.1],
    ['farM', 5000, 1000],
  ] as const)('%s to %d m is at %d m', (end, distanceM, at) => {
    const drawn = withDrawnEnd(SUBJECT, 'whoeverPasses', { end, distanceM });
    expect(drawn[end]).toBeCloseTo(at, 9);
    expect(drawn.nearM).toBeLessThan(drawn.farM);
  });
  it('takes both ends along when it is where they pass', () => {
    const drawn = withDrawnEnd(SUBJECT, 'whoeverPasses', { end: 'medianM', distanceM: 6 });
    expect(drawn).toMatchObject({ medianM: 6, ...zoneOfPassers({ medianM: 6, spread: 0.42 }) });
  });
});
