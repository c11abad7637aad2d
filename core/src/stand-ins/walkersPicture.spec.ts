import { seeded } from '../metering/index.js';
import type { Factors } from '../setup/index.js';
import { simulatedPicture } from './walkersPicture.js';

const WHOLE: Factors = { depth: 1, motion: 1, depthAndMotion: 1, shake: 1, light: 1, flicker: 1, flash: 1, kept: 1 };
function drawn(...values: number[]): () => number {
  return () => values.shift() ?? 0;
}

describe('the picture of a simulated walker', () => {
  it('is got below the chance and missed from it on', () => {
    expect(simulatedPicture(drawn(0.799), 0.8, WHOLE)).toEqual({ kind: 'got' });
    expect(simulatedPicture(drawn(0.8, 0), 0.8, { ...WHOLE, shake: 0.8 })).toEqual({ kind: 'missed', why: 'shake' });
  });

  // −ln 0.25 is twice −ln 0.5: depth has two thirds of the losses, motion the last third.
  it.each([
    [0, 'focus'],
    [0.66, 'focus'],
    [0.67, 'smear'],
    [0.999, 'smear'],
  ])('is lost for the part drawn at %s: %s', (at, why) => {
    expect(simulatedPicture(drawn(0.99, at), 0.125, { ...WHOLE, depth: 0.25, motion: 0.5 })).toEqual({ kind: 'missed', why });
  });

  it('is got as often as the card says', () => {
    const random = seeded(7);
    const got = Array.from({ length: 4000 }, () => simulatedPicture(random, 0.7, { ...WHOLE, motion: 0.7 }));
    // Three standard deviations of a binomial of 4,000 at 0.7: 0.022.
    expect(Math.abs(got.filter(({ kind }) => kind === 'got').length / 4000 - 0.7)).toBeLessThan(0.022);
  });

  it('blames nothing of a card that loses nothing', () => {
    expect(simulatedPicture(drawn(1, 0.5), 0.9, WHOLE)).toEqual({ kind: 'missed', why: 'blocked' });
  });
});
