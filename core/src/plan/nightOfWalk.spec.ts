import { DateTime } from 'luxon';
import { bestOfEveryDay } from '../../reference/everyDay.js';
import { seeded } from '../../reference/randomDays.js';
import { dayOnGrid, dayTableSteps } from '../day/search/dayTable.js';
import { planFrom } from '../day/search/readBack.js';
import { planDay } from '../day/index.js';
import { planInOrder } from '../day/search/chain.js';
import { DEFAULT_INTENTS, type Stop } from '../stop/index.js';
import { finish } from '../units/index.js';
import { goodFramesAt } from './dayOfWalk.js';
import { dayOfWalk, type PlannableWalk, type StopOfDay } from './index.js';

const ROME = { name: 'Made-up', timeZone: 'Europe/Rome', latitude: 41.9, longitude: 12.5, isInvented: true };
const OUT = { fromMin: 1290, toMin: 1530 };

const stop = (id: string, over: Partial<Stop> = {}): Stop =>
  ({
    id,
    intent: DEFAULT_INTENTS.litStreet,
    movers: {
      who: '',
      speedMps: 1.4,
      speedSpreadMps: 0.25,
      travelAngleDeg: 80,
      travelSpreadDeg: 20,
      passersPerMinute: 4,
      suitableShare: 0.25,
    },
    subject: { nearM: 2, farM: 5, medianM: 3, spread: 0.4 },
    streetWidthM: 4,
    lightOffsetEv: 0,
    arriveMin: 1300,
    leaveMin: 1330,
    crowdByHour: Array.from({ length: 24 }, (_, hour) => (hour < 6 ? 1 : 3)),
    wishes: { shortestMin: 10, longestMin: 60 },
    ...over,
  }) as Stop;

/** Light of a quality between two minutes of the walk. */
function lit(one: Stop, fromMin: number, toMin: number, best = 1): StopOfDay {
  const quality = Float32Array.from({ length: 2160 }, (_, minute) => (minute >= fromMin && minute < toMin ? best : 0));
  const none = new Float32Array(2160);
  return { stop: one, light: { quality, keyEv100: none, squareSideM: none, readingOffsetEv: 0 }, input: null };
}

function walk(
  stops: readonly StopOfDay[],
  over: Partial<PlannableWalk['walk']> = {},
  walksMin = stops.map(() => stops.map(() => 5)),
) {
  const of: PlannableWalk = {
    walk: { day: '2027-10-15', place: ROME, dayOut: OUT, ...over },
    stops,
    walksMin,
    fromStartMin: null,
    toEndMin: null,
  };
  const day = dayOfWalk(of);
  if (day === null) throw new Error('no such day');
  return day;
}

describe('a walk over midnight', () => {
  it('may be out and home as somebody has said, or until two with a stop in the dark', () => {
    const stops = [lit(stop('a'), 1290, 1530)];
    expect(walk(stops).question).toMatchObject({ earliestMin: 1290, latestMin: 1530 });
    expect(walk(stops, { dayOut: { fromMin: 1290, toMin: 90 } }).question).toMatchObject({ earliestMin: 1290, latestMin: 1530 });
    const own = { walk: { day: '2027-10-15', place: ROME }, stops, walksMin: [[0]], fromStartMin: null, toEndMin: null };
    expect(dayOfWalk(own)?.question).toMatchObject({ earliestMin: 300, latestMin: 1560 });
    const byDay = [lit(stop('a', { intent: DEFAULT_INTENTS.passingCandid }), 600, 700)];
    expect(dayOfWalk({ ...own, stops: byDay })?.question).toMatchObject({ latestMin: 1380 });
  });

  it('ends in time for the last ride: three minutes before it goes', () => {
    const lastRide = { name: 'tram', atMin: 1492, position: null };
    expect(walk([lit(stop('a'), 1290, 1530)], { lastRide }).question.latestMin).toBe(1489);
  });

  const SQUARE = [0, 1, 2].map(() => [5, 5, 5]);
  it('has a must after midnight, a pause that begins there, and hours until two', () => {
    const must = lit(
      stop('late', { wishes: { isMust: true, shortestMin: 10, open: [{ fromMin: 1380, toMin: 120 }] } }),
      1455,
      1530,
    );
    const pause = { id: 'soup', name: 'Soup', stayMin: 15, fromMin: 1430, toMin: 10, position: null, atMin: null };
    const day = walk([lit(stop('a'), 1290, 1440), must], { pauses: [pause] }, SQUARE);
    expect(day.question.visits.map(({ open, beginnings }) => open ?? beginnings)).toEqual([
      undefined,
      [{ fromMin: 1380, toMin: 1560 }],
      { fromMin: 1430, toMin: 1450 },
    ]);
    const { plan } = planDay(day.question);
    const [first, second] = ['late', 'soup'].map((id) => plan?.visits.find((visit) => visit.id === id));
    expect(first?.worth).toBeGreaterThan(0);
    expect(first?.toMin).toBeGreaterThan(1455);
    expect(second?.fromMin).toBeGreaterThanOrEqual(1430);
    expect(second?.fromMin).toBeLessThanOrEqual(1450);
  });

  it('stays as long as really passes: from 23:30 to 3:30 three hours where the clock goes on by one', () => {
    const at = { arriveMin: 1410, leaveMin: 1650, wishes: { fixedAtMin: 1410 } };
    const [visit] = walk([lit(stop('a', at), 1290, 1530)], { day: '2027-03-27' }).question.visits;
    expect(visit).toMatchObject({ shortestMin: 180, longestMin: 180, beginnings: { fromMin: 1410, toMin: 1410 } });
  });
});

describe('the good frames of a night', () => {
  it.each(['2027-10-15', '2027-03-27', '2027-10-30'])(
    'of %s are those of the minute that the wall shows, by another calendar',
    (date) => {
      const one = lit(stop('a'), 1380, 1700);
      const [visit] = walk([one], { day: date }).question.visits;
      const frames = visit?.worth.kind === 'light' ? visit.worth.goodFramesPerMin : [];
      const midnight = DateTime.fromISO(date, { zone: ROME.timeZone });
      for (let elapsed = 1370; elapsed < frames.length; elapsed++) {
        const there = midnight.plus({ milliseconds: elapsed * 60_000 });
        const wall = there.hour * 60 + there.minute + (there.toISODate() === date ? 0 : 1440);
        expect([elapsed, frames[elapsed]]).toEqual([elapsed, goodFramesAt(one, wall, () => 1)]);
      }
    },
  );
});

describe('ten random nights from 21:30 to 1:30', () => {
  /** Coarse enough to try every plan. */
  const STEP_MIN = 10;

  it('are planned as well as by trying everything', () => {
    let pastMidnight = 0;
    for (let seed = 1; seed <= 10; seed++) {
      const random = seeded(seed * 7919);
      const date = ['2027-10-15', '2027-03-27', '2027-10-30'][seed % 3] as string;
      const stops = Array.from({ length: 3 }, (_, k) => {
        const from = 1290 + 5 * Math.floor(random() * 40);
        const wishes = {
          shortestMin: 10,
          longestMin: 60,
          ...(random() < 0.3 ? { open: [{ fromMin: 1320, toMin: 60 + 5 * Math.floor(random() * 6) }] } : {}),
          ...(random() < 0.2 ? { isMust: true } : {}),
        };
        return lit(stop(`v${k}`, { wishes }), from, from + 15 + Math.floor(random() * 60), 0.4 + random() * 0.6);
      });
      const walksMin = stops.map(() => stops.map(() => 2 + Math.floor(random() * 12)));
      const { question } = walk(stops, { day: date }, walksMin);
      const plan = planFrom(finish(dayTableSteps(dayOnGrid(question, STEP_MIN))));
      expect([seed, plan?.value ?? null]).toEqual([seed, bestOfEveryDay(question, STEP_MIN)]);
      // By search: the order of the exact plan walked again by the minute is never worth less.
      if (plan === null) continue;
      const order = plan.visits.map(({ visit }) => visit);
      expect(planInOrder(dayOnGrid(question, 1), order)?.value ?? 0).toBeGreaterThanOrEqual(plan.value);
      if (plan.visits.some(({ toMin }) => toMin > 1440)) pastMidnight++;
    }
    expect(pastMidnight).toBeGreaterThan(3);
  });
});
