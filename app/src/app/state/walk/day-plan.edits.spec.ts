import type { PlannedStay } from '@roam-dial/core/plan';
import type { Stop } from '@roam-dial/core/stop';
import type { Walk } from '@roam-dial/core/walk';
import { newStop, newWalk } from '../../storage/defaults';
import { withPlan } from './day-plan.edits';
import { moveStop } from './stop.edits';
import { setAside, takeBack } from './day-plan.edits';

const stop = (id: string, arriveMin: number, over: Partial<Stop> = {}): Stop => ({
  ...newStop(id, undefined),
  name: id,
  arriveMin,
  leaveMin: arriveMin + 30,
  ...over,
});
const stay = (id: string, fromMin: number, toMin: number): PlannedStay => ({ id, fromMin, toMin, worth: 500_000, spareMin: 0 });
const lunch = { id: 'lunch', name: 'Lunch', stayMin: 45, fromMin: 700, toMin: 840, position: null, atMin: null };

const walk: Walk = {
  ...newWalk('w', '2027-03-13', null),
  stops: [stop('a', 500), stop('b', 600, { walkMin: 7 }), stop('c', 700, { walkMin: 9 })],
  pauses: [lunch],
};
const inWorkspace = (one: Walk) => ({ walks: [one] }) as never;
const afterwards = (change: (workspace: never) => { readonly walks: readonly Walk[] }, before = walk): Walk =>
  change(inWorkspace(before)).walks[0] as Walk;

describe('a plan taken over', () => {
  const planned = withPlan(walk, [stay('b', 480, 520), stay('lunch', 720, 765), stay('a', 800, 830)]);

  it('puts the stops in its order at its times, and what does not fit behind them, set aside', () => {
    expect(planned.stops.map(({ id, arriveMin, leaveMin, isSetAside }) => [id, arriveMin, leaveMin, isSetAside ?? false])).toEqual([
      ['b', 480, 520, false],
      ['a', 800, 830, false],
      ['c', 700, 730, true],
    ]);
    expect(planned.pauses?.[0]?.atMin).toBe(720);
    expect(planned.isPlanned).toBe(true);
  });

  it('keeps typed minutes of a leg only where the leg is still there', () => {
    expect(planned.stops.map(({ walkMin }) => walkMin)).toEqual([null, null, 9]);
    const same = withPlan(walk, [stay('a', 480, 500), stay('b', 600, 620)]);
    expect(same.stops[1]?.walkMin).toBe(7);
  });

  it('brings back what was set aside, when it fits again', () => {
    const again = withPlan(planned, [stay('b', 480, 520), stay('c', 600, 640)]);
    expect(again.stops.map(({ id, isSetAside }) => [id, isSetAside ?? false])).toEqual([
      ['b', false],
      ['c', false],
      ['a', true],
    ]);
    expect(again.pauses?.[0]?.atMin).toBeNull();
  });
});

describe('setting aside', () => {
  it('puts a stop behind the others, and taking it back where its time is', () => {
    const aside = afterwards(setAside('w', 'a') as never);
    expect(aside.stops.map(({ id }) => id)).toEqual(['b', 'c', 'a']);
    const back = afterwards(takeBack('w', 'a') as never, aside);
    expect(back.stops.map(({ id, isSetAside }) => [id, isSetAside ?? false])).toEqual([
      ['a', false],
      ['b', false],
      ['c', false],
    ]);
  });

  it('is undone by moving the stop among the others, none of which goes behind it', () => {
    const aside = afterwards(setAside('w', 'a') as never);
    expect(afterwards(moveStop('w', 2, 0) as never, aside).stops.map(({ id, isSetAside }) => [id, isSetAside ?? false])).toEqual([
      ['a', false],
      ['b', false],
      ['c', false],
    ]);
    expect(afterwards(moveStop('w', 0, 2) as never, aside).stops.map(({ id }) => id)).toEqual(['c', 'b', 'a']);
  });
});
