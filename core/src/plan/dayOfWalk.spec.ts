import { DEFAULT_INTENTS, type Stop } from '../stop/index.js';
import { chanceAt, cutBetweenPasses, dayOfWalk, hoursOfPasses, type StopOfDay, suitableAt, type PlannableWalk } from './index.js';

const AZORES = { name: 'Made-up', timeZone: 'Atlantic/Azores', latitude: 46.5, longitude: -20.7, isInvented: true };

const stop = (over: Partial<Stop> = {}): Stop =>
  ({
    id: 'a',
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

/** Full light between two minutes of the wall. */
function lit(fromMin: number, toMin: number, one: Stop = stop()): StopOfDay {
  const quality = Float32Array.from({ length: 1440 }, (_, minute) => Number(minute >= fromMin && minute < toMin));
  return {
    stop: one,
    light: { quality, keyEv100: new Float32Array(1440), squareSideM: new Float32Array(1440), readingOffsetEv: 0 },
    input: null,
  };
}

function walk(stops: readonly StopOfDay[], over: Partial<PlannableWalk['walk']> = {}): PlannableWalk {
  const walksMin = stops.map(() => stops.map(() => 1));
  return { walk: { day: '2027-03-13', place: AZORES, ...over }, stops, walksMin, fromStartMin: null, toEndMin: null };
}

const visitsOf = (of: PlannableWalk) => dayOfWalk(of)?.question.visits ?? [];

/** Good frames by the minute that runs. */
function framesOf(of: PlannableWalk): ArrayLike<number> {
  const [visit] = visitsOf(of);
  return visit?.worth.kind === 'light' ? visit.worth.goodFramesPerMin : [];
}

describe('the minutes of a day whose clock changes', () => {
  it('carry the light with them', () => {
    const frames = framesOf(walk([lit(600, 610)], { day: '2027-03-28' }));
    expect([frames[539], frames[540], frames[549], frames[550]].map((one) => (one ?? 0) > 0)).toEqual([false, true, true, false]);
    expect(dayOfWalk(walk([lit(0, 1)], { day: '2027-03-28' }))?.question).toMatchObject({ earliestMin: 240, latestMin: 1320 });
  });
});

describe('a stop as a visit', () => {
  it('has good frames of suitable passers times κ: 4 · ¼ · 0.1 a minute', () => {
    expect(framesOf(walk([lit(600, 610)]))[605]).toBeCloseTo(0.1, 12);
  });

  it('has half a try a minute where it wants nobody or does not care', () => {
    const water = stop({ intent: DEFAULT_INTENTS.longExposure });
    expect(framesOf(walk([lit(600, 610, water)]))[605]).toBeCloseTo(0.15, 12);
    // Three metres at 1.4 m/s: 0.0357 min in the picture, times 4 a minute.
    const front = stop({ intent: DEFAULT_INTENTS.facade });
    expect(framesOf(walk([lit(600, 610, front)]))[605]).toBeCloseTo(0.15 * Math.exp(-4 * (3 / 1.4 / 60)), 12);
    const busy = stop({ intent: DEFAULT_INTENTS.facade, wishes: { people: 'people' } });
    expect(framesOf(walk([lit(600, 610, busy)]))[605]).toBeCloseTo(0.1, 12);
  });

  it('fits as many as its patch is wide, and silhouettes one at a time', () => {
    const pool = lit(600, 610, stop({ intent: DEFAULT_INTENTS.lightPool }));
    (pool.light.squareSideM as Float32Array)[605] = 1;
    expect(suitableAt(pool, 605)).toBeCloseTo(0.25, 12);
    const silhouette = lit(600, 610, stop({ intent: DEFAULT_INTENTS.silhouette }));
    const inPictureMin = ((3 / 1.4) * (1 + (0.25 / 1.4) ** 2)) / 60;
    expect(suitableAt(silhouette, 605)).toBeCloseTo(Math.exp(-4 * inPictureMin), 12);
    expect(suitableAt(lit(600, 610, { ...silhouette.stop, wishes: { isAlone: false } }), 605)).toBeCloseTo(1, 12);
  });

  it('keeps what is wished of it', () => {
    const wishes = { usefulMin: 10, weight: 2, shortestMin: 5, longestMin: 40, isMust: true, open: [{ fromMin: 590, toMin: 620 }] };
    const [visit] = visitsOf(walk([lit(600, 610, stop({ wishes }))]));
    expect(visit).toMatchObject({ shortestMin: 5, longestMin: 40, isMust: true, open: [{ fromMin: 590, toMin: 620 }] });
    expect(visit?.worth).toMatchObject({ weight: 2 });
    expect(framesOf(walk([lit(600, 610, stop({ wishes }))]))[600]).toBeCloseTo(Math.log(5) / 10, 6);
    const [fixed] = visitsOf(walk([lit(600, 610, stop({ wishes: { fixedAtMin: 602 } }))]));
    expect(fixed).toMatchObject({ shortestMin: 30, longestMin: 30, beginnings: { fromMin: 602, toMin: 602 } });
    // A longest stay under the usual shortest takes that along.
    expect(visitsOf(walk([lit(600, 610, stop({ wishes: { longestMin: 4 } }))]))[0]).toMatchObject({
      shortestMin: 4,
      longestMin: 4,
    });
  });

  it('is followed by the pauses, which have to be had', () => {
    const lunch = { id: 'lunch', name: 'Lunch', stayMin: 45, fromMin: 720, toMin: 840, position: null, atMin: null };
    const [, pause] = visitsOf(walk([lit(600, 610)], { pauses: [lunch] }));
    expect(pause).toMatchObject({
      id: 'lunch',
      isMust: true,
      isAnywhere: true,
      shortestMin: 45,
      beginnings: { fromMin: 720, toMin: 840 },
    });
  });
});

describe('chances by the light', () => {
  it('run straight between the thirds', () => {
    const table = { firstEv100: 3, chances: [0.2, 0.5, 0.8] };
    expect(chanceAt(table, 3 + 1 / 6)).toBeCloseTo(0.35, 12);
    expect(chanceAt(table, -4)).toBe(0.2);
    expect(chanceAt(table, 9)).toBe(0.8);
  });
});

describe('two passes of one place', () => {
  const { light } = lit(600, 660);
  for (let minute = 900; minute < 930; minute++) (light.quality as Float32Array)[minute] = 0.5;
  const quality = light.quality as Float32Array;

  it('are cut in the middle of the longest dark between two lights, else at noon', () => {
    // Dark from 660 to 899, between the lit minutes 659 and 900.
    expect(cutBetweenPasses({ quality })).toBe(780);
    expect(cutBetweenPasses({ quality: lit(600, 660).light.quality as Float32Array })).toBe(720);
    expect(cutBetweenPasses({ quality: new Float32Array(1440) })).toBe(720);
  });

  it('have hours that do not overlap', () => {
    expect(hoursOfPasses(undefined, 780)).toEqual([[{ fromMin: 0, toMin: 780 }], [{ fromMin: 780, toMin: 1439 }]]);
    const open = [
      { fromMin: 540, toMin: 720 },
      { fromMin: 750, toMin: 1080 },
    ];
    expect(hoursOfPasses(open, 780)).toEqual([
      [
        { fromMin: 540, toMin: 720 },
        { fromMin: 750, toMin: 780 },
      ],
      [{ fromMin: 780, toMin: 1080 }],
    ]);
  });
});
