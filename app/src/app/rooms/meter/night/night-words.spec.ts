import { longTime, vanishingSentence } from './night-words';

describe('night in words', () => {
  it.each([
    [0.216, '0.22 s'],
    [6.04, '6 s'],
    [21.3, '21 s'],
    [130.6, '2 min 11 s'],
    [500, '8 min 20 s'],
    [480, '8 min'],
    [3000, '50 min'],
  ])('%d s is %s', (seconds, words) => {
    expect(longTime(seconds)).toBe(words);
  });
  it('says whether walkers are seen, and what stays of them', () => {
    const thick = { veil: 0.37, unevenness: 0.0068, veilStops: 0.47, goneAfterS: 20 };
    expect(vanishingSentence(thick, 120)).toBe(
      'In 2 min nobody is seen (0.5 % left of them); a veil of 0.47 stops stays, however long.',
    );
    expect(vanishingSentence({ ...thick, veilStops: 0.001 }, 8)).toBe('In 8 s they still show as blurs (7.5 % left of them).');
  });
});
