import type { PlannableWalk } from '@roam-dial/core/plan';
import { DEFAULT_INTENTS, type Stop } from '@roam-dial/core/stop';
import { newStop } from '../../storage/defaults';
import { type DayAsked, type DayAnswer, DayJobs } from './day-jobs';

const PLACE = { name: 'Made-up', timeZone: 'Atlantic/Azores', latitude: 46.5, longitude: -20.7, isInvented: true };

/** A stop that is done with 80 % after ten minutes of its light. */
function lit(id: string, fromMin: number, toMin: number): PlannableWalk['stops'][number] {
  const stop: Stop = { ...newStop(id, undefined), intent: DEFAULT_INTENTS.passingCandid, wishes: { usefulMin: 10 } };
  const quality = Float32Array.from({ length: 1440 }, (_, minute) => Number(minute >= fromMin && minute < toMin));
  const light = { quality, keyEv100: new Float32Array(1440), squareSideM: new Float32Array(1440), readingOffsetEv: 0 };
  return { stop, light, input: null };
}

/** Sheet 12, day 3: a near and long lit, b twenty minutes off and soon dark. */
const of: PlannableWalk = {
  walk: { day: '2027-03-13', place: PLACE, dayOut: { fromMin: 595, toMin: 900 } },
  stops: [lit('a', 600, 700), lit('b', 600, 625)],
  walksMin: [
    [0, 20],
    [20, 0],
  ],
  fromStartMin: [2, 20],
  toEndMin: [2, 20],
};

function answerOf<Answer extends DayAnswer>(desk: DayJobs, asked: DayAsked): Answer {
  for (const steps = desk.answer(asked); ;) {
    const step = steps.next();
    if (step.done === true) return step.value as Answer;
  }
}

describe('the desk for days', () => {
  const desk = new DayJobs();
  answerOf(desk, { kind: 'walk', key: 'k', of });

  it('plans a walk that it has been told of, by the clock on the wall', () => {
    expect(answerOf(desk, { kind: 'plan', key: 'k' })).toMatchObject({
      proof: { kind: 'best', stepMin: 1 },
      stays: [
        { id: 'b', fromMin: 615, toMin: 625 },
        { id: 'a', fromMin: 645, toMin: 677 },
      ],
      leftOut: [],
    });
    expect(answerOf(desk, { kind: 'plan', key: 'other' })).toBeNull();
  });

  it('keeps an order, and says which exchange regains the most', () => {
    expect(answerOf(desk, { kind: 'keep', key: 'k', order: ['a', 'b'] })).toMatchObject({
      leftOut: ['b'],
      repair: { order: ['b', 'a'] },
    });
  });

  it('knows when else each could be, and what stays laid out by hand are worth', () => {
    expect(answerOf(desk, { kind: 'details', key: 'k' })).toMatchObject({
      misfits: [],
      profiles: [
        { id: 'a', nextBest: null },
        { id: 'b', best: { atMin: 615 } },
      ],
    });
    // Ten minutes at a, 0.8, less fourteen minutes out, four of them on foot.
    expect(answerOf(desk, { kind: 'stands', key: 'k', stays: [{ id: 'a', fromMin: 640, toMin: 650 }] })).toBe(782_000);
  });
});
