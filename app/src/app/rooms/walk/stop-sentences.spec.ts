import type { Street } from '@roam-dial/core/plan';
import { DEFAULT_APPROACH, DEFAULT_INTENTS, DEFAULT_SHOOTING, INTENT_KINDS, type Stop } from '@roam-dial/core/stop';
import type { Walk } from '@roam-dial/core/walk';
import { demoWorkspace } from '../../../testing/demo';
import {
  approachSentence,
  framesSentence,
  notesSentence,
  peopleSentence,
  pictureSentence,
  whenSentence,
  whereSentence,
  zoneSentence,
} from './stop-sentences';
import { Wording } from '../../words/wording';

const WORDING = new Wording({ lengthUnit: 'metres', clock: '24h' });
const WALK = demoWorkspace().walks[0] as Walk;
const STEPS = WALK.stops.find(({ id }) => id === 'orrel') as Stop;
const with_ = (over: Partial<Stop>): Stop => ({ ...STEPS, ...over });
const movers = (over: Partial<Stop['movers']>): Stop => with_({ movers: { ...STEPS.movers, ...over } });
const STREET: Street = { name: 'Orrel Steps', kind: 'steps', axisDeg: 48, widthM: 6, side: 'middle' };

describe('a stop in sentences', () => {
  it('says where one stands and looks, down a street, across it, or into it', () => {
    const stop = with_({ pavement: 'middle', shootingBearingDeg: 48, streetAxisDeg: 48, streetWidthM: 6, lamps: 'none' });
    expect(whereSentence(stop, STREET, false, WORDING)).toBe('From the road itself, looking 48° down Orrel Steps, 6 m wide.');
    expect(whereSentence(stop, null, false, WORDING)).toBe('From the road itself, looking 48° down a street 6 m wide.');
    expect(whereSentence({ ...stop, shootingBearingDeg: 228 }, STREET, false, WORDING)).toContain('228° down');
    expect(whereSentence({ ...stop, shootingBearingDeg: 130, pavement: 'left' }, STREET, false, WORDING)).toContain(
      'From the left pavement, looking 130° across',
    );
    expect(whereSentence({ ...stop, shootingBearingDeg: 90 }, STREET, false, WORDING)).toContain('slantwise into');
    expect(whereSentence(stop, STREET, true, WORDING)).toContain('It stands inside a house');
    expect(whereSentence({ ...stop, position: null, lamps: 'lane' }, null, false, WORDING)).toBe(
      'From the road itself, looking 48° down a street 6 m wide; light of: lane. It has no position yet: tap a plan where you will stand.',
    );
  });

  it.each([
    [{ passersPerMinute: 5, suitableShare: 0.1 }, 'one worth shooting every two minutes'],
    [{ passersPerMinute: 1, suitableShare: 0.05 }, 'one worth shooting every 20 min'],
    [{ passersPerMinute: 10, suitableShare: 0.3 }, '3 worth shooting every minute'],
    [{ passersPerMinute: 1, suitableShare: 1 }, 'one worth shooting every minute'],
    [{ passersPerMinute: 0, suitableShare: 1 }, 'none worth shooting'],
  ])('says of %j how many would do', (over, words) => expect(peopleSentence(movers(over), WORDING)).toContain(words));

  it('says which way people go, but not where their speed does not count', () => {
    const walkers = movers({ who: 'walkers', travelAngleDeg: 10, speedMps: 1.2 });
    expect(peopleSentence({ ...walkers, consent: 'asked' }, WORDING)).toMatch(
      /^Walkers, coming towards you, 1.2 m\/s, .*; asked\.$/,
    );
    expect(peopleSentence({ ...walkers, intent: DEFAULT_INTENTS.facade }, WORDING)).not.toContain('m/s');
    expect(peopleSentence(movers({ who: ' ', travelAngleDeg: 90 }), WORDING)).toMatch(/^People, crossing/);
  });

  it('says the zone by its law, the time with the way there, and what differs from the walk', () => {
    const subject = { nearM: 2, farM: 6, medianM: 3.5, spread: 0.33 };
    expect(zoneSentence(with_({ subject }), WORDING)).toBe('Sharp for whoever passes at 3.5 m, nine in ten of them from 2 to 6 m.');
    expect(zoneSentence(with_({ subject: { ...subject, farM: Infinity, law: 'allOfIt' } }), WORDING)).toBe(
      'All of it sharp, from 2 m to ∞.',
    );
    const leg = { course: { kind: 'unknown' as const }, distanceM: 400, walkMin: 6, reachMin: 0, spareMin: 0 };
    const times = with_({ arriveMin: 900, leaveMin: 940, walkMin: null, hours: { fromMin: 1080, toMin: 1380 } });
    expect(whenSentence(WALK, times, leg, WORDING)).toBe('15:00 to 15:40, after 6 min on foot; open or lit 18:00 to 23:00.');
    expect(whenSentence(WALK, { ...times, hours: null }, null, WORDING)).toBe('15:00 to 15:40.');
    const way = { points: [], lengthM: 312, stepsM: 0 };
    const along = { ...leg, course: { kind: 'streets' as const, way }, distanceM: 312 };
    expect(whenSentence(WALK, { ...times, hours: null, walkMin: 9 }, along, WORDING)).toBe(
      '15:00 to 15:40, after 9 min on foot, 312 m along the streets.',
    );
    expect(whenSentence(WALK, { ...times, hours: null }, { ...along, course: { kind: 'straight' } }, WORDING)).toBe(
      '15:00 to 15:40, after 6 min on foot, some 312 m.',
    );
    const walk = { approach: DEFAULT_APPROACH };
    expect(approachSentence({ approach: null }, walk)).toMatch(/^As on the whole walk: Automatic ISO .*, fixed zone, by hand\.$/);
    expect(approachSentence({ approach: { ...DEFAULT_APPROACH, support: 'tripod' } }, walk)).toMatch(
      /^Its own approach: .*tripod\.$/,
    );
    expect(framesSentence({ shooting: { ...DEFAULT_SHOOTING, burstFrames: 3, isWalking: true } })).toBe(
      '3 frames per press, motion blur by the picture, walking while shooting.',
    );
  });

  it('ends with what is noted, care first, long ones cut', () => {
    expect(notesSentence({ cautions: ' ', notes: '' })).toBe('Nothing to watch out for.');
    expect(notesSentence({ cautions: 'kerb', notes: 'Wait for the tram.' })).toBe('Care: kerb. Wait for the tram.');
    expect(notesSentence({ cautions: 'x'.repeat(300), notes: '' }).length).toBeLessThan(110);
  });

  it.each(INTENT_KINDS)('has words for %s that end as a sentence', (kind) => {
    const said = pictureSentence(with_({ intent: DEFAULT_INTENTS[kind], focalLengthMm: 35 }), null, WORDING);
    expect(said).toMatch(/, with the first lens of the bag at 35 mm\.$/);
    expect(said).not.toMatch(/undefined|NaN|, ,/);
  });
});
