import fc from 'fast-check';
import {
  DEFAULT_INTENTS,
  shareLeftOut,
  type Subject,
  asZoneKind,
  withEnds,
  withPassers,
  zoneLawOf,
  zoneOfPassers,
} from './index.js';

const AT_THREE: Subject = { nearM: 2, farM: 5, medianM: 3, spread: 0.25 };

describe('the zone, typed either way', () => {
  it('has its ends where 90 % pass: 3 m and 0.25 give 1.99 to 4.53 m', () => {
    // e^(1.645·0.25) = e^0.41125 = 1.5087; 3/1.5087 = 1.988, 3·1.5087 = 4.526.
    const { nearM, farM } = zoneOfPassers(AT_THREE);
    expect([nearM, farM]).toEqual([expect.closeTo(1.988, 3), expect.closeTo(4.526, 3)]);
  });
  it('typed by its ends says where they pass: 2 to 8 m is 4 m, give or take 0.421', () => {
    // √16 = 4; ln 4/3.29 = 0.4214.
    const typed = withEnds(AT_THREE, 'whoeverPasses', { nearM: 2, farM: 8 });
    expect(typed).toEqual({ nearM: 2, farM: 8, medianM: expect.closeTo(4, 9), spread: expect.closeTo(0.4214, 4) });
  });
  it('comes back from either way as it was', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.5, max: 40, noNaN: true }),
        fc.double({ min: 0.02, max: 1, noNaN: true }),
        (medianM, spread) => {
          const { nearM, farM } = withPassers(AT_THREE, { medianM, spread });
          const back = withEnds(AT_THREE, 'whoeverPasses', { nearM, farM });
          expect(back.medianM / medianM).toBeCloseTo(1, 9);
          expect(back.spread).toBeCloseTo(spread, 9);
        },
      ),
    );
  });
  it('of all of it has its middle in 1/distance, and may reach to infinity', () => {
    // 2·3·40/43 = 5.581.
    expect(withEnds(AT_THREE, 'allOfIt', { nearM: 3, farM: 40 }).medianM).toBeCloseTo(5.581, 3);
    expect(withEnds(AT_THREE, 'allOfIt', { nearM: 3, farM: Infinity })).toMatchObject({ medianM: 6, spread: 0.25 });
    expect(asZoneKind({ ...AT_THREE, farM: Infinity }, 'whoeverPasses').farM).toBeCloseTo(4.526, 3);
  });
  it('goes by the intent unless the stop says otherwise', () => {
    expect(zoneLawOf({ intent: DEFAULT_INTENTS.facade, subject: AT_THREE })).toBe('allOfIt');
    expect(zoneLawOf({ intent: DEFAULT_INTENTS.silhouette, subject: AT_THREE })).toBe('whoeverPasses');
    expect(zoneLawOf({ intent: DEFAULT_INTENTS.facade, subject: { law: 'whoeverPasses' } })).toBe('whoeverPasses');
  });
});

describe('what of a zone is left out', () => {
  it.each([
    ['nothing where the sharp part covers it', { nearM: 1, farM: 10 }, 0],
    // 1/2 − 1/4 = 0.25 of 1/2 − 1/8 = 0.375.
    ['a third where it ends at 4 m', { nearM: 1, farM: 4 }, 1 / 3],
    ['all of it where the two do not meet', { nearM: 9, farM: 20 }, 1],
    ['all of it where nothing is sharp', null, 1],
  ])('%s', (_, sharp, share) => {
    expect(shareLeftOut({ nearM: 2, farM: 8 }, sharp)).toBeCloseTo(share, 12);
  });
  it('counts an endless zone in 1/distance too', () => {
    expect(shareLeftOut({ nearM: 4, farM: Infinity }, { nearM: 3, farM: 16 })).toBeCloseTo(0.25, 12);
    expect(shareLeftOut({ nearM: 4, farM: 4 }, { nearM: 3, farM: 16 })).toBe(0);
  });
});
