import { DEFAULT_INTENTS, type Stop } from '../stop/index.js';
import type { Evaluation, LightLadder, LadderStep } from '../setup/index.js';
import { dayOfWalk, type PlannableDay, type StopOfDay } from '../plan/index.js';
import {
  atSpeed,
  behindMin,
  commonDay,
  courseLengthM,
  type Happening,
  isGot,
  leaveByMin,
  lightAhead,
  minuteToComeBack,
  nextAfter,
  onCourse,
  type OutingEvent,
  placeAlong,
  type ReturnDays,
  restOfWalk,
  runOn,
  sameDarkness,
  shownMs,
  standingOf,
  waitHere,
  wallMinuteAt,
} from './index.js';

const ms = (text: string): number => Date.parse(text);

describe('the time of an outing', () => {
  it('is the device’s own, or runs from where it was set, as fast as it is told', () => {
    expect(shownMs({ kind: 'own' }, 5000)).toBe(5000);
    const clock = { kind: 'simulated', shownMs: 1_000_000, deviceMs: 5000, speed: 60 } as const;
    expect(shownMs(clock, 5000)).toBe(1_000_000);
    expect(shownMs(clock, 6000)).toBe(1_060_000);
    const slower = atSpeed(clock, 6000, 1);
    expect([shownMs(slower, 6000), shownMs(slower, 7000)]).toEqual([1_060_000, 1_061_000]);
    expect(shownMs(atSpeed(slower, 7000, 0), 90_000)).toBe(1_061_000);
  });

  // The Azores are an hour behind UTC in winter; on 28 March 2027 the clock goes from 00:00 to 01:00, at 01:00 UTC.
  it.each([
    ['2027-03-13', '2027-03-13T16:12:30Z', 912.5],
    ['2027-03-13', '2027-03-14T01:10:00Z', 1450],
    ['2027-03-13', '2027-03-13T00:30:00Z', -30],
    ['2027-03-28', '2027-03-28T02:30:00Z', 150],
    ['2027-10-31', '2027-10-31T12:00:00Z', 660],
  ])('on %s the wall shows at %s minute %d', (day, instant, minute) => {
    expect(wallMinuteAt(day, 'Atlantic/Azores', ms(instant))).toBe(minute);
  });

  it('refuses what is no day and no zone', () => {
    expect(() => wallMinuteAt('2027-02-30', 'Atlantic/Azores', 0)).toThrow(RangeError);
    expect(() => wallMinuteAt('2027-02-03', 'Atlantic/Nowhere', 0)).toThrow(RangeError);
  });
});

const stop = (id: string, over: Partial<Stop> = {}): Stop =>
  ({
    id,
    name: id,
    intent: DEFAULT_INTENTS.passingCandid,
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
    arriveMin: 600,
    leaveMin: 630,
    crowdByHour: Array<number>(24).fill(2),
    ...over,
  }) as Stop;

let count = 0;
const happening = (stopId: string, kind: OutingEvent['kind'], atMs = ++count): Happening =>
  ({ id: String(++count), stopId, atMs, event: { kind }, moment: null }) as unknown as Happening;
const outing = (...happenings: Happening[]) => ({ startedMs: 0, happenings });

describe('where in the walk one is', () => {
  const [a, b, c] = [stop('a'), stop('b'), stop('c')];
  const today = [a, b, c];

  it('sets off for the first, is there, and goes on to the next', () => {
    expect(standingOf(today, outing())).toEqual({ kind: 'onTheWay', to: a, from: null, sinceMs: 0 });
    const there = outing(happening('a', 'arrived', 7));
    expect(standingOf(today, there)).toEqual({ kind: 'there', at: a, sinceMs: 7, isGot: false });
    expect(nextAfter(today, there)).toBe(b);
    const got = outing(happening('a', 'arrived', 7), happening('a', 'got', 8));
    expect(standingOf(today, got)).toMatchObject({ kind: 'there', isGot: true });
    const gone = outing(...got.happenings, happening('a', 'wentOn', 9));
    expect(standingOf(today, gone)).toEqual({ kind: 'onTheWay', to: b, from: a, sinceMs: 9 });
    expect(nextAfter(today, gone)).toBe(c);
    expect(isGot(gone, 'a')).toBe(true);
  });

  it('is over when nothing is left, also where the rest is left out', () => {
    const all = today.flatMap(({ id }) => [happening(id, 'arrived'), happening(id, 'wentOn', 50)]);
    expect(standingOf(today, outing(...all))).toEqual({ kind: 'over', from: c, sinceMs: 50 });
    expect(nextAfter(today, outing(...all))).toBeNull();
    expect(standingOf([a], outing(...all.slice(0, 2))).kind).toBe('over');
    expect(standingOf([], outing()).kind).toBe('over');
  });

  it('takes another order as it comes, and a stop once more', () => {
    const atC = outing(happening('c', 'arrived'), happening('c', 'wentOn'));
    expect(standingOf(today, atC)).toMatchObject({ kind: 'onTheWay', to: a, from: c });
    const again = outing(...atC.happenings, happening('c', 'arrived'));
    expect(standingOf(today, again)).toMatchObject({ kind: 'there', at: c });
  });

  it('goes on from a stop that is left out today while one is there', () => {
    const here = outing(happening('a', 'arrived', 3), happening('a', 'notToday', 4));
    expect(standingOf([b, c], here)).toMatchObject({ kind: 'onTheWay', to: b, from: null });
  });
});

describe('late or early', () => {
  it('goes on ten minutes before it has to, and never before the stay ends', () => {
    expect(leaveByMin({ leaveMin: 600 }, { arriveMin: 640 }, 12)).toBe(618);
    expect(leaveByMin({ leaveMin: 600 }, { arriveMin: 620 }, 12)).toBe(600);
    expect(leaveByMin({ leaveMin: 600 }, null, 0)).toBe(600);
  });
  it('counts from when one will be there', () => {
    expect(behindMin(610, 12, { arriveMin: 620 })).toBe(2);
    expect(behindMin(590, 12, { arriveMin: 620 })).toBe(-18);
  });
});

describe('the way', () => {
  // A thousandth of a degree of latitude is 111.195 m; 200 m north, then at that latitude 100 m east.
  const [latitude, longitude] = [46.5, -20.7];
  const north = 200 / 111_195;
  const east = 100 / (111_195 * Math.cos(((latitude + north) * Math.PI) / 180));
  const course = [
    { latitude, longitude },
    { latitude: latitude + north, longitude },
    { latitude: latitude + north, longitude: longitude + east },
  ];

  it('is as long as its parts, and is walked along', () => {
    expect(courseLengthM(course)).toBeCloseTo(300, 0);
    expect(placeAlong(course, 100)?.latitude).toBeCloseTo(latitude + north / 2, 5);
    expect(placeAlong(course, 250)?.longitude).toBeCloseTo(longitude + east / 2, 5);
    expect(placeAlong(course, 900)).toEqual(course[2]);
    expect(placeAlong([], 1)).toBeNull();
  });

  it('is left from the place of it that is nearest', () => {
    const beside = { latitude: latitude + north / 2, longitude: longitude - east / 5 };
    const found = onCourse(course, beside);
    expect(found?.leftM).toBeCloseTo(200, -1);
    expect(found?.besideM).toBeCloseTo(20, 0);
    expect(onCourse(course.slice(0, 1), course[1] as never)?.besideM).toBeCloseTo(200, 0);
    expect(onCourse([], beside)).toBeNull();
  });
});

describe('what the light does next', () => {
  const rung = (fromEv100: number, toEv100: number): LadderStep =>
    ({ fromEv100, toEv100, setUp: {} as Evaluation, changes: [], leastChance: 1 }) as unknown as LadderStep;
  const ladder = {
    rungs: [rung(12, 10), rung(9 + 2 / 3, 8)],
    ends: { ev100: 7 + 2 / 3, instead: null },
    startsAtEv100: 12,
  } as unknown as LightLadder;
  const falling = (evPerMin: number): Float32Array => Float32Array.from({ length: 200 }, (_, k) => 11 - evPerMin * k);

  it.each([
    // 11 − 0.1 k: below 10 − 1/6 from k = 12 on; then from 11 − 0.1 k < 8 − 1/6, k = 32, it ends.
    [0.1, 0, 'change', 12],
    [0.1, 15, 'ends', 32],
    // Half a stop brighter by what the camera showed: five minutes later.
    [0.1, 0, 'change', 17, 0.5],
  ] as [number, number, string, number, number?][])(
    'at %d EV a minute from minute %d: %s at %d',
    (fall, fromMin, kind, atMin, offsetEv = 0) => {
      const found = lightAhead(ladder, { keyEv100: falling(fall), offsetEv, fromMin, toMin: 199 });
      expect(found).toMatchObject({ kind, atMin });
    },
  );

  it('does not call a flicker a change, nor what lies beyond the day', () => {
    const flicker = Float32Array.from({ length: 100 }, (_, k) => (k === 20 ? 9 : 11));
    expect(lightAhead(ladder, { keyEv100: flicker, offsetEv: 0, fromMin: 0, toMin: 99 })).toBeNull();
    expect(lightAhead(ladder, { keyEv100: falling(0.1), offsetEv: 0, fromMin: 0, toMin: 10 })).toBeNull();
    expect(lightAhead(ladder, { keyEv100: falling(0), offsetEv: 9, fromMin: 0, toMin: 99 })).toBeNull();
  });
});

/** Full light between two minutes of the wall. */
function lit(one: Stop, fromMin: number, toMin: number): StopOfDay {
  const quality = Float32Array.from({ length: 1440 }, (_, minute) => Number(minute >= fromMin && minute < toMin));
  const light = { quality, keyEv100: new Float32Array(1440), squareSideM: new Float32Array(1440), readingOffsetEv: 0 };
  return { stop: one, light, input: null };
}

describe('the wait, live', () => {
  it('counts who would do in the light that is left', () => {
    // Four a minute, a quarter of them: one a minute. Five minutes: 1 − e^−5; four in five after ln 5.
    const { wait } = waitHere(lit(stop('a'), 0, 605), 600, 700, 0.5);
    expect(wait?.chance).toBeCloseTo(1 - Math.exp(-5), 6);
    expect(wait?.fourInFive).toMatchObject({ kind: 'within', minutes: expect.closeTo(Math.log(5), 6) });
  });
  it('pays as long as a minute adds a thousandth of a picture', () => {
    // 0.5 · 0.1 a minute: e^(−0.05 m)(1 − e^−0.05) ≥ 0.001 up to m = 77, of which the 78th minute is the last.
    expect(waitHere(lit(stop('a'), 0, 1440), 600, 1000, 0.5).paysUntilMin).toBe(678);
    expect(waitHere(lit(stop('a'), 0, 610), 600, 1000, 0.5).paysUntilMin).toBe(610);
    expect(waitHere(lit(stop('a'), 0, 500), 600, 1000, 0.5)).toMatchObject({ paysUntilMin: null, wait: { chance: 0 } });
  });
  it('waits for nobody where nobody is wanted', () => {
    const facade = stop('a', { intent: DEFAULT_INTENTS.facade });
    const here = waitHere(lit(facade, 0, 1440), 600, 700, 1);
    expect(here.wait).toBeNull();
    expect(here.paysUntilMin).not.toBeNull();
  });
});

describe('the rest of the walk', () => {
  const AZORES = { name: 'Made-up', timeZone: 'Atlantic/Azores', latitude: 46.5, longitude: -20.7, isInvented: true };
  const stops = [
    lit(stop('a', { wishes: { usefulMin: 10 } }), 600, 660),
    lit(stop('b', { wishes: { usefulMin: 10 } }), 700, 740),
    lit(stop('c', { wishes: { usefulMin: 10, isMust: true, open: [{ fromMin: 600, toMin: 690 }] } }), 600, 690),
  ];
  const walksMin = stops.map((_, from) => stops.map((__, to) => (from === to ? 0 : 5)));
  const day = dayOfWalk({
    walk: { day: '2027-03-13', place: AZORES },
    stops,
    walksMin,
    fromStartMin: null,
    toEndMin: null,
  }) as PlannableDay;
  const where = { doneIds: ['a'], at: null, walksMin: [5, 5, 5], homeMin: 0 };

  it('goes on with what is left, in time', () => {
    const found = restOfWalk(day, { ...where, nowMin: 650 });
    expect(found.stays.map(({ id }) => id)).toEqual(['c', 'b']);
    expect(found.stays[0]?.fromMin).toBe(655);
    expect(found).toMatchObject({ givenUp: [], leftOut: [] });
  });
  it('names the must that has gone, and goes on without it', () => {
    const found = restOfWalk(day, { ...where, nowMin: 720, doneIds: ['a'] });
    expect(found.givenUp).toEqual(['c']);
    expect(found.stays.map(({ id }) => id)).toEqual(['b']);
    expect(found.leftOut).toEqual(['c']);
  });
  it('stays where it is as long as that is worth most', () => {
    const found = restOfWalk(day, { ...where, nowMin: 660, at: { id: 'c', servedMin: 30 }, walksMin: [5, 5, 0] });
    expect(found.stays[0]).toMatchObject({ id: 'c', fromMin: 660 });
  });
});

describe('when to come back', () => {
  const quality = Float32Array.from({ length: 1440 }, (_, minute) => (minute >= 600 && minute < 840 ? 1 : 0.2));
  const crowd = Array.from({ length: 24 }, (_, hour) => (hour === 11 ? 3 : hour === 13 ? 0 : 1));
  it('is in the light, at the hour with fewest or with most people', () => {
    expect(minuteToComeBack({ quality }, crowd, 'any', 700)).toBe(700);
    expect(minuteToComeBack({ quality }, crowd, 'busier', 700)).toBe(690);
    expect(minuteToComeBack({ quality }, crowd, 'emptier', 700)).toBe(810);
    expect(minuteToComeBack({ quality: new Float32Array(1440) }, crowd, 'emptier', 700)).toBe(700);
  });
});

describe('the same darkness on another day', () => {
  const place = { latitude: 46.5, longitude: -20.7, timeZone: 'Atlantic/Azores' };
  // Sunset at the equinox and a week later, an hour of daylight saving apart from 28 March on: about 9 minutes later a week.
  it('comes a little later every evening towards summer', () => {
    const at = sameDarkness(place, { day: '2027-03-13', minuteOfDay: 1160 }, '2027-03-20') ?? NaN;
    expect(at - 1160).toBeGreaterThanOrEqual(8);
    expect(at - 1160).toBeLessThanOrEqual(11);
    const summerTime = sameDarkness(place, { day: '2027-03-27', minuteOfDay: 1180 }, '2027-03-28') ?? NaN;
    expect(summerTime - 1180).toBeGreaterThanOrEqual(60);
    expect(summerTime - 1180).toBeLessThanOrEqual(63);
  });
  it('is the same minute in the night, and none where it does not get dark', () => {
    expect(sameDarkness(place, { day: '2027-03-13', minuteOfDay: 60 }, '2027-03-20')).toBe(60);
    const north = { latitude: 69.8, longitude: -8.3, timeZone: 'Europe/Oslo' };
    expect(sameDarkness(north, { day: '2027-01-13', minuteOfDay: 60 }, '2027-06-20')).toBeNull();
  });
});

describe('one day for several returns', () => {
  const runs = (...spans: [string, string][]): ReturnDays => ({
    kind: 'runs',
    runs: spans.map(([fromDay, toDay]) => ({ fromDay, toDay, day: fromDay, minuteOfDay: 600, apartDeg: 1, isLit: true })),
  });
  it('is the first on which most have their light', () => {
    const all = [runs(['2027-03-20', '2027-04-02']), runs(['2027-03-28', '2027-04-10']), { kind: 'anyDay' } as const];
    expect(commonDay(all, '2027-03-15')).toEqual({ day: '2027-03-28', has: [true, true, true] });
    expect(commonDay(all, '2027-04-01')).toEqual({ day: '2027-04-01', has: [true, true, true] });
    expect(commonDay([runs(['2027-03-20', '2027-03-21']), runs(['2027-05-01', '2027-05-02'])], '2027-03-15')).toEqual({
      day: '2027-03-20',
      has: [true, false],
    });
    expect(commonDay([runs()], '2027-03-15')).toEqual({ day: '2027-03-15', has: [false] });
  });
  it('knows the run that a day lies in', () => {
    expect(runOn(runs(['2027-03-20', '2027-04-02']), '2027-04-02')?.fromDay).toBe('2027-03-20');
    expect(runOn(runs(['2027-03-20', '2027-04-02']), '2027-04-03')).toBeNull();
  });
});
