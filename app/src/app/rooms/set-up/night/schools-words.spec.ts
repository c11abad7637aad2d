import type { SchoolsOfNight } from '@roam-dial/core/plan';
import { Wording } from '../../../words/wording';
import { overtakingSentence, schoolsNow } from './schools-words';

const WORDING = new Wording({ lengthUnit: 'metres', clock: '24h' });
const NIGHT: SchoolsOfNight = {
  fromMin: 1200,
  schools: [
    { school: 'highIso', chances: [0.9, 0.6, 0.4] },
    { school: 'tripod', chances: [0.5, 0.5, 0.5] },
  ],
  first: 'highIso',
  overtakings: [
    { atMin: 1202, from: 'highIso', to: 'tripod' },
    { atMin: 1470, from: 'tripod', to: 'highIso' },
  ],
};

describe('the schools of a night in words', () => {
  it('say who leads, and from when another does', () => {
    expect(overtakingSentence(NIGHT, WORDING)).toBe(
      'High ISO, by hand is best at sunset; on the tripod from 20:02, then high ISO, by hand from 00:30.',
    );
    expect(overtakingSentence({ ...NIGHT, overtakings: [] }, WORDING)).toBe('High ISO, by hand is best all night.');
    expect(overtakingSentence({ ...NIGHT, first: null, schools: [] }, WORDING)).toContain('no camera');
  });
  it('tell the chances at a minute, the best first', () => {
    expect(schoolsNow(NIGHT, 1200)).toBe('high ISO, by hand 90 in 100, on the tripod 50 in 100');
    expect(schoolsNow(NIGHT, 1202)).toBe('on the tripod 50 in 100, high ISO, by hand 40 in 100');
  });
});
