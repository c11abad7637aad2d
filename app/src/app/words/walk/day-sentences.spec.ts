import type { DayFound, ProfileFound } from '@roam-dial/core/plan';
import { Wording } from '../wording';
import { dragSentence, misfitReason, pictures, planOutcome, standsSentence, stopGainSentence, valueAt } from './day-sentences';

const WORDING = new Wording({ lengthUnit: 'metres', clock: '24h' });
const best: DayFound = {
  value: 2_400_000,
  proof: { kind: 'best', stepMin: 1 },
  stays: [{ id: 'a', fromMin: 600, toMin: 640, worth: 960_000, spareMin: 0 }],
  leftOut: ['b'],
  without: new Map([['a', 900_000]]),
};
const profile: ProfileFound = {
  id: 'a',
  fromMin: 590,
  stepMin: 5,
  values: [null, 2_150_000, 2_400_000, 2_390_000],
  best: { atMin: 600, value: 2_400_000 },
  nextBest: { atMin: 1020, value: 2_100_000 },
};

describe('a day in words', () => {
  it.each([
    [6_253_583, '6.3'],
    [96_000, '0.10'],
    [40_000, '0.04'],
    [4_000, 'under 0.01'],
    [-300_000, '0.3'],
    [0, '0.0'],
  ])('%d millionths are %s pictures', (millionths, words) => {
    expect(pictures(millionths)).toBe(words);
  });

  it('says what came of planning', () => {
    expect(planOutcome(best, 'plan')).toBe('Planned for 2.4 pictures; 1 stop does not fit');
    expect(planOutcome(null, 'plan')).toContain('do not all fit');
    expect(planOutcome({ ...best, stays: [] }, 'plan')).toContain('worth setting off for');
    const own = { ...best, value: 2_000_000, leftOut: [], best, repair: null };
    expect(planOutcome(own, 'keep')).toBe('Your order brings 2.0 pictures, 0.4 less than the best');
    expect(planOutcome({ ...own, value: 2_395_000 }, 'keep')).toContain('as much as any');
  });

  it('says what the day is worth as it stands', () => {
    expect(standsSentence(2_395_000, best, true)).toBe('Expect 2.4 pictures: the best plan, to the minute.');
    // Moved by hand to where it is worth as much: not the plan that was proven best.
    expect(standsSentence(2_395_000, best, false)).toBe('Expect 2.4 pictures as laid out, as many as the best plan.');
    expect(standsSentence(1_900_000, best, false)).toBe('Expect 1.9 pictures as laid out; planning again brings 0.5 more.');
    const within = { ...best, proof: { kind: 'within', share: 0.004, stepMin: 5 } } as const;
    expect(standsSentence(2_400_000, within, true)).toContain('within 0.4 % of the best');
    expect(standsSentence(null, best, true)).toBe('');
  });

  it('says what a stop gives, and when else', () => {
    const [a, b] = [
      { id: 'a', name: 'Orrel', arriveMin: 600, leaveMin: 640 },
      { id: 'b', name: 'Weir', arriveMin: 700, leaveMin: 720 },
    ];
    expect(stopGainSentence(a, best, profile, WORDING)).toBe(
      '96 % chance of the picture at Orrel; leaving it out costs 0.9 pictures; next best at 17:00, 0.3 less.',
    );
    const sure = { ...best, stays: best.stays.map((one) => ({ ...one, worth: 999_900 })) };
    expect(stopGainSentence(a, sure, profile, WORDING)).toMatch(/^Over 99 % chance of the picture at Orrel/);
    expect(stopGainSentence({ ...a, arriveMin: 630, leaveMin: 670 }, best, profile, WORDING)).toContain(
      'at Orrel in the best plan (10:00 to 10:40)',
    );
    expect(stopGainSentence(a, best, { ...profile, nextBest: null }, WORDING)).toContain('; no other time works.');
    expect(stopGainSentence(b, best, { ...profile, id: 'b', best: { atMin: 700, value: 2_200_000 } }, WORDING)).toBe(
      'The best plan leaves Weir out; including it at 11:40 costs 0.2 pictures.',
    );
    expect(stopGainSentence(b, best, null, WORDING)).toBe('Weir fits into no plan of this day.');
  });

  it('answers a drag from the profile', () => {
    expect(valueAt(profile, 595)).toBe(2_150_000);
    expect(dragSentence('Orrel', 595, best, profile, WORDING)).toContain('Orrel from 09:55: 0.3 pictures less');
    expect(dragSentence('Orrel', 604, best, profile, WORDING)).toContain('nothing lost');
    expect(dragSentence('Orrel', 500, best, profile, WORDING)).toContain('no plan works with that');
  });

  it('says why a stop does not fit', () => {
    expect(misfitReason({ id: 'b', kind: 'noLight' })).toContain('even in a day three hours longer');
    expect(misfitReason({ id: 'b', kind: 'fitsAtACost', cost: 220_000, stays: [] })).toBe('fits, but costs 0.2 pictures');
    const needs = { id: 'b', kind: 'needs', earlierStart: null, laterEnd: null, leaveOut: null } as const;
    expect(misfitReason(needs)).toContain('three hours longer');
    expect(misfitReason({ ...needs, laterEnd: { minutes: 10, stays: [] } })).toBe('does not fit with the others');
  });
});
