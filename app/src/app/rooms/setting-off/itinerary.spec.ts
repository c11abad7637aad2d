import type { LightWindow, Stop } from '@roam-dial/core/stop';
import type { Walk } from '@roam-dial/core/walk';
import { demoWorkspace, plainDay } from '../../../testing/demo';
import { newStop, newWalk } from '../../storage/defaults';
import { Wording } from '../../words/wording';
import { bagList, itinerary, rideSentence, sunSentence } from './itinerary';

const WORDING = new Wording({ lengthUnit: 'metres', clock: '24h' });
const stop = (id: string, arriveMin: number, over: Partial<Stop> = {}): Stop => ({
  ...newStop(id, undefined),
  name: id,
  arriveMin,
  leaveMin: arriveMin + 30,
  ...over,
});
const lunch = { id: 'lunch', name: 'Lunch', stayMin: 45, fromMin: 700, toMin: 840, position: null, atMin: 650 };
const walk: Walk = {
  ...newWalk('w', '2027-03-13', null),
  stops: [stop('a', 600, { cautions: ' Worn treads. ' }), stop('b', 700), stop('c', 800, { isSetAside: true })],
  pauses: [lunch],
};
const window: LightWindow = {
  fromMin: 610,
  toMin: 640,
  peakQuality: 1,
  opens: 'sunGap',
  closes: 'sunGap',
  bestMin: null,
  label: null,
};
const leg = { distanceM: 300, course: { kind: 'straight' as const }, walkMin: 6, reachMin: 0, spareMin: 0 };
const day = plainDay({
  keyEv100: new Float32Array(1440),
  isLit: new Uint8Array(1440),
  sunAltitudeDeg: new Float32Array(1440),
  windows: [window],
});

describe('the day to take along', () => {
  const lines = itinerary(walk, new Map([['a', day]]), [leg], null, WORDING);

  it('goes through the stops of the day with the pauses among them, and not through what is set aside', () => {
    expect(lines.map(({ id, from, to }) => [id, from, to])).toEqual([
      ['a', '10:00', '10:30'],
      ['lunch', '10:50', '11:35'],
      ['b', '11:40', '12:10'],
    ]);
    expect(lines[0]).toMatchObject({ cautions: 'Worn treads.', thenMin: 6 });
    expect(lines[1]?.what).toBe('45 min');
  });

  it('says the day of what is past midnight, and the last ride', () => {
    const late: Walk = { ...walk, stops: [stop('a', 1425), stop('b', 1470)], pauses: [] };
    expect(itinerary(late, new Map(), [], null, WORDING).map(({ from, to }) => [from, to])).toEqual([
      ['23:45', 'Sun 00:15'],
      ['Sun 00:30', '01:00'],
    ]);
    expect(rideSentence({ ...late, lastRide: { name: 'Last tram', atMin: 1492, position: null } }, WORDING)).toBe(
      'Last tram Sun 00:52.',
    );
    expect(rideSentence(late, WORDING)).toBe('');
  });

  it('names the windows that a stay meets, and says what is not known', () => {
    expect(lines[0]?.light).toContain('10:10');
    expect(lines[2]?.light).toBe('its light is not measured yet');
    const later = { ...walk, stops: [stop('a', 660)], pauses: [] };
    expect(itinerary(later, new Map([['a', day]]), [], null, WORDING)[0]?.light).toBe('no window');
  });

  it('has a pause without a time between its ends', () => {
    const untimed = { ...walk, pauses: [{ ...lunch, atMin: null }] };
    expect(itinerary(untimed, new Map(), [], null, WORDING).find(({ id }) => id === 'lunch')).toMatchObject({
      from: '11:40',
      to: '14:00',
      what: '45 min, some time between',
    });
  });

  it('has the sun of the day, by the clock there', () => {
    // Town sheet: 13 March 2027 at 46.5 N, 20.7 W, an hour behind UTC.
    const { place } = demoWorkspace().walks[0] as Walk;
    expect(sunSentence({ day: '2027-03-13', place }, WORDING)).toMatch(/^Sun up 06:\d\d, down 18:\d\d\.$/);
    const pole = { ...place, latitude: 85 };
    expect(sunSentence({ day: '2027-06-21', place: pole }, WORDING)).toBe('The sun neither rises nor sets.');
  });

  it('lists what is in the bag by its kind', () => {
    const { kit } = demoWorkspace();
    const list = bagList(kit);
    expect(list).toHaveLength(kit.filter(({ inBag }) => inBag).length);
    expect(list.some(({ words }) => words.startsWith('Lens: '))).toBe(true);
  });
});
