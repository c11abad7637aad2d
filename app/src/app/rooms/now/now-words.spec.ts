import type { WaitHere } from '@roam-dial/core/outing';
import { DEFAULT_INTENTS, type Stop } from '@roam-dial/core/stop';
import { leaveForRideMin } from '@roam-dial/core/walk';
import { demoDay, demoWorkspace } from '../../../testing/demo';
import { type Card, cardFor } from '../../state/card/card.store';
import { focusOn } from '../../state/selection/focus.store';
import type { WayLeft } from '../../state/outing/way-ahead.store';
import { Wording } from '../../words/wording';
import { aheadWords, careWords, lateWords, restWords, rideWords, waitWords, wayWords } from './now-words';

const WORDING = new Wording({ lengthUnit: 'metres', clock: '24h' });

const WORKSPACE = demoWorkspace();
function cardAt(stopId: string, minuteOfDay: number): Card {
  const card = cardFor(WORKSPACE, focusOn(WORKSPACE, { walkId: null, stopId, minuteOfDay }), demoDay(WORKSPACE, stopId));
  if (card.kind === 'none') throw new Error(card.reason);
  return card;
}

describe('the walk in words', () => {
  const wait = (chance: number, fourInFive: NonNullable<WaitHere['wait']>['fourInFive']): WaitHere['wait'] => ({
    expected: 1,
    chance,
    half: fourInFive,
    fourInFive,
    frames: 1,
    chanceOfOne: 0.5,
  });
  it.each([
    [wait(0.96, { kind: 'within', minutes: 8.2 }), '96 % chance of another good subject; 80 % within 9 min.'],
    [wait(0.61, { kind: 'notInThisLight', atMost: 0.61 }), 'At best a 61 % chance of another good subject while this light lasts.'],
    [wait(0.001, { kind: 'notInThisLight', atMost: 0.001 }), ''],
    [null, ''],
  ])('the wait %#', (its, words) => {
    expect(waitWords({ wait: its, paysUntilMin: 998 }, WORDING)).toEqual({ chance: words, pays: 'Worth waiting until 16:38.' });
  });
  it('says when waiting does not pay', () => {
    expect(waitWords({ wait: null, paysUntilMin: null }, WORDING).pays).toBe('Not worth waiting any longer.');
  });

  it.each([
    [1440, 9, 'Last tram 00:52, 9 min on foot: leave by 00:40'],
    [1479, 9, 'Last tram 00:52, 9 min on foot: leave by 00:40'],
    [1480, 9, 'Last tram 00:52, 9 min on foot: go now'],
    [1493, 9, 'Last tram 00:52: it has gone'],
    [1440, 0, 'Last tram 00:52: leave by 00:49'],
  ])('the last ride at minute %i, %i on foot', (nowMin, footMin, words) => {
    const ride = { name: 'Last tram', atMin: 1492, position: null };
    expect(rideWords({ ride, footMin, leaveByMin: leaveForRideMin(ride, footMin) }, nowMin, WORDING)).toBe(words);
  });

  const way = (over: Partial<WayLeft>, isAlongStreets = true): WayLeft => ({
    way: { from: { latitude: 46.5, longitude: -20.7 }, to: {} as Stop, course: [], isAlongStreets, walkMin: 5, lengthM: 300 },
    leftMin: 1.4,
    leftM: 118,
    here: null,
    isThere: false,
    ...over,
  });
  it('says how far it is', () => {
    expect(wayWords(way({}), 600.2, WORDING)).toBe('120 m to go, 2 min: there at 10:03');
    expect(wayWords(way({ leftM: 42, leftMin: 0.2 }), 600, WORDING)).toBe('40 m to go, 1 min: there at 10:01');
    expect(wayWords(way({}, false), 600, WORDING)).toContain('estimated (straight line plus a third)');
    expect(wayWords(way({ leftM: null, leftMin: 3 }), 600, WORDING)).toBe('3 min: there at 10:03');
    const nowhere = way({ leftM: null, leftMin: 0 });
    expect(wayWords({ ...nowhere, way: { ...nowhere.way, from: null } }, 600, WORDING)).toBe('');
  });

  it.each([
    [2, null],
    [12, { words: '12 min late for Hall, planned at 10:00', isLate: true }],
    [130, { words: '2 h 10 min late for Hall, planned at 10:00', isLate: true }],
    [-20, null],
    [-40, { words: '40 min to spare before Hall', isLate: false }],
  ])('%d minutes behind', (behind, words) => {
    expect(lateWords(behind, { name: 'Hall', arriveMin: 600 } as Stop, WORDING)).toEqual(words);
  });

  it('lists the plan from here, and what it leaves behind', () => {
    const stay = { id: 'a', fromMin: 600, toMin: 630, worth: 500_000, spareMin: 0 };
    const nameOf = (id: string): string => id.toUpperCase();
    const rest = restWords({ value: 900_000, stays: [stay], leftOut: ['b', 'c'], givenUp: ['c'] }, nameOf, WORDING);
    expect(rest).toEqual({
      head: 'From here, expect 0.9 good pictures:',
      stays: ['10:00–10:30 A'],
      left: 'Left out: C, B.',
    });
    expect(restWords({ value: 0, stays: [], leftOut: [], givenUp: [] }, nameOf, WORDING).head).toBe(
      'Nothing left is worth the walk.',
    );
  });

  it('says what the hand will change, and when', () => {
    const card = cardAt('vessen', 640);
    const { found } = card.result.setUp;
    const rung = { setUp: { ...found, hand: { ...found.hand, fNumber: 4, shutterS: 1 / 250 } } };
    const ahead = { kind: 'change', atMin: 991, rung } as never;
    expect(aheadWords(ahead, card, WORDING)).toBe('At 16:31 open up to f/4, shutter 1/250');
    expect(aheadWords({ kind: 'ends', atMin: 991 }, card, WORDING)).toBe('At 16:31 this picture ends');
    expect(aheadWords(null, card, WORDING)).toBe('');
  });

  it('minds the sun to the end, the rest before one stands there', () => {
    const [walk] = WORKSPACE.walks;
    const stop = { ...walk?.stops[3], cautions: 'Carts.', intent: DEFAULT_INTENTS.intoTheSun, pavement: 'middle' } as Stop;
    if (walk === undefined) throw new Error('no walk');
    expect(careWords({ walk, stop }, false)).toMatch(/^Carts\. Never look at the sun[^.]*\.$/);
    expect(careWords({ walk, stop }, true)).toContain('You are standing in the road');
  });
});
