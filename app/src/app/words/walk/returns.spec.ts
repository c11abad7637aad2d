import type { Return } from '@roam-dial/core/outing';
import { DEFAULT_INTENTS, type SameLight } from '@roam-dial/core/stop';
import { newStop } from '../../storage/defaults';
import { Wording } from '../wording';
import { nextLines, notedSentence } from './returns';

const WORDING = new Wording({ lengthUnit: 'metres', clock: '24h' });
const kept = (intent: Return['stop']['intent'] = DEFAULT_INTENTS.lightPool): Return => ({
  id: 'r',
  stop: { ...newStop('a', undefined), intent },
  place: { name: 'Orrel', latitude: 46.5, longitude: -20.7, timeZone: 'Atlantic/Azores', isInvented: true },
  districtId: null,
  day: '2027-03-13',
  lightMin: 918,
  crowd: 'any',
  wrong: '',
  notedMs: 0,
});
const run = (fromDay: string, toDay: string, over: Partial<SameLight> = {}): SameLight => ({
  fromDay,
  toDay,
  day: fromDay,
  minuteOfDay: 918,
  apartDeg: 1,
  isLit: true,
  ...over,
});
const lines = (runs: readonly SameLight[], one = kept()) => nextLines(one, { kind: 'runs', runs }, null, WORDING);

describe('a return in words', () => {
  it('says which light is wanted', () => {
    expect(notedSentence(kept(), WORDING)).toBe('The light of Sat 13 March, 15:18');
  });
  it('says when it comes again, the year where it is another, three times at most', () => {
    const all = [run('2027-03-14', '2027-03-18'), run('2027-09-29', '2027-09-29'), run('2028-03-08', '2028-03-17')];
    expect(lines([...all, run('2028-09-29', '2028-09-30')])).toEqual([
      'Sun 14 March to Thu 18 March, best Sun 14 March at 15:18',
      'Wed 29 September at 15:18',
      'Wed 8 March to Fri 17 March 2028, best Wed 8 March at 15:18',
    ]);
  });
  it('says that walls keep the sun out where the picture needs it, and only there', () => {
    const out = [run('2027-09-29', '2027-09-29', { isLit: false })];
    expect(lines(out)).toEqual(['Wed 29 September at 15:18, but the walls keep it out']);
    expect(lines(out, kept(DEFAULT_INTENTS.passingCandid))).toEqual(['Wed 29 September at 15:18']);
  });
  it('claims nothing that is not known', () => {
    expect(nextLines(kept(), undefined, null, WORDING)).toEqual(['Looking through the year…']);
    expect(nextLines(kept(), null, null, WORDING)).toEqual(['It could not be calculated.']);
    expect(lines([])).toEqual(['Not again within a year']);
    expect(nextLines(kept(), { kind: 'anyDay' }, 1040, WORDING)).toEqual(['Any day; today at 17:20']);
    expect(nextLines(kept(), { kind: 'anyDay' }, null, WORDING)[0]).toContain('so bright');
  });
});
