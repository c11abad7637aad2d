import { Wording } from '../wording';
import { spanOn, timeOn } from './times';

const WORDING = new Wording({ lengthUnit: 'metres', clock: '24h' });
const place = { name: '', timeZone: 'Pacific/Apia', latitude: -13.8, longitude: -171.8, isInvented: false };
const walk = { day: '2027-03-13', place };

describe('times of a walk in words', () => {
  it.each([
    [890, 950, '14:50 to 15:50'],
    [1430, 1530, 'Sat 23:50 to Sun 01:30'],
    [1450, 1500, 'Sun 00:10 to 01:00'],
    [1400, 1440, 'Sat 23:20 to Sun 00:00'],
  ])('from %i to %i: %s', (fromMin, toMin, words) => {
    expect(spanOn(walk, { fromMin, toMin }, WORDING)).toBe(words);
  });
  it('name the day that comes, also where the zone skips one', () => {
    expect(timeOn({ ...walk, day: '2011-12-29' }, 1480, WORDING)).toBe('Sat 00:40');
    expect(timeOn(walk, 1439, WORDING)).toBe('23:59');
  });
});
