import { BUILT_IN_SCENES } from '@roam-dial/core/metering';
import { keptRows, keptSentence, keyName, moodSentence, sceneName, spotWarning } from './bench-words';
import { checksSentence } from '../../../shared/card/card-checks';
import { filmIndexWords, pushWords } from '../../../words/set-up/film';
import { gelWords, powerWords } from '../flash/flash-words';
import { Wording } from '../../../words/wording';

describe('the bench in words', () => {
  it('has a name for every scene that ships', () => {
    for (const scene of BUILT_IN_SCENES) expect(sceneName(scene)).not.toBe(scene.id);
  });
  it('warns of a spot that is not all key from four fifths down', () => {
    expect(spotWarning({ keyShare: 0.8 }, 'the wall')).toBeNull();
    expect(spotWarning({ keyShare: null }, 'the wall')).toBeNull();
    expect(spotWarning({ keyShare: 0.52 }, 'the wall')).toContain('Only 52 % of the spot is the wall');
  });
  it('names half of a surface', () => {
    expect(keyName({ label: 'cheek', part: 'litHalf', tone: 1 })).toBe('cheek, its brighter half');
  });
  it('says how to keep an exposure, with the best marked', () => {
    const worth = { floating: 0.6, held: 0.62, locked: 0.58, byHand: 1 };
    expect(keptSentence(worth)).toContain('Neither lock nor float');
    expect(keptRows(worth).filter(({ isBest }) => isBest)).toEqual([
      { name: 'off the key, set by hand', of100: 100, isBest: true },
    ]);
    expect(keptSentence({ floating: 0.9, held: 0.9, locked: 0.9, byHand: 0.9 })).toContain('Either will do');
  });
  it('says what a white balance makes of lamps and sky', () => {
    const kelvin = { lamps: 2900, sky: 11_000 };
    expect(moodSentence(kelvin, ['sky', 'lamps', 'wall'], 5500)).toBe(
      'sky (11000 K) blue, lamps (2900 K) deep amber, daylight neutral.',
    );
    expect(moodSentence(kelvin, ['lamps'], 2900)).toBe('lamps (2900 K) neutral, daylight deep blue.');
  });
});

describe('film and flash in words', () => {
  const wording = new Wording({ lengthUnit: 'metres', clock: '24h' });
  it('says what a roll is exposed at, and how it is developed', () => {
    expect(filmIndexWords({ name: 'Grey 400' }, { index: 400 * 2 ** (2 / 3) }, wording)).toBe('Grey 400 at 640');
    expect([0, 1, 2, -1].map(pushWords)).toEqual(['developed as usual', 'pushed 1 stop', 'pushed 2 stops', 'pulled 1 stop']);
  });
  it.each([
    [1, 'give', 'full'],
    [0.5, 'give', '1/2'],
    [0.63, 'give', '1/2 +⅓'],
    [1 / 128, 'give', '1/128'],
    [4, 'tooFar', 'out of reach: 2.0 stops too weak'],
    [0.001, 'tooNear', 'too near: close down, or step back'],
  ] as const)('power %d that it can %s is %j', (power, can, words) => expect(powerWords({ power, can })).toBe(words));
  it('names the gel by what it does', () => {
    expect([163, -60, 4].map(gelWords)).toEqual([
      'a warming gel of 163 mired',
      'a cooling gel of 60 mired',
      'no gel: it has the lamps’ colour',
    ]);
  });
});

it('the checks before a frame are one sentence, or none', () => {
  expect(checksSentence(['remote', 'stabiliserOff'])).toBe('Before the frame: remote or self-timer; stabiliser off.');
  expect(checksSentence([])).toBeNull();
});
