import { block } from '../../../reference/blocks.js';
import { dayFor, EQUATOR, hm, inputFor, TOWN } from '../../../reference/plainStops.js';
import { siteScene } from '../../streets/index.js';
import { finish } from '../../units/index.js';
import {
  bestDays,
  CARPET_ROWS,
  CARPET_STEP_MIN,
  DEFAULT_CAMERA_REACH,
  DEFAULT_INTENTS,
  DEFAULT_THRESHOLDS,
  lightOfDay,
  litGroundAt,
  sameLightAgain,
  shadowLengthM,
  siteLookOf,
  type StopDay,
  stopDay,
  stopDayIn,
  type StopLight,
  stopLightOn,
  yearOfQualitySteps,
  yearOfSun,
} from '../index.js';
import { bestOf, intentWays } from './quality.js';

const spans = ({ windows }: StopDay): [number, number, string, string][] =>
  windows.map(({ fromMin, toMin, opens, closes }) => [fromMin, toMin, opens, closes]);
function expectSpans(found: StopDay, expected: readonly (readonly [number, number, string, string])[], withinMin = 3): void {
  expect(spans(found).map(([, , opens, closes]) => [opens, closes])).toEqual(
    expected.map(([, , opens, closes]) => [opens, closes]),
  );
  expected.forEach(([from, to], k) => {
    const [fromMin = -99, toMin = -99] = found.windows[k] === undefined ? [] : [found.windows[k].fromMin, found.windows[k].toMin];
    expect([Math.abs(fromMin - from) <= withinMin, Math.abs(toMin - to) <= withinMin]).toEqual([true, true]);
  });
}

const ALONG_EAST = [block(-900, 4, 900, 16, 12), block(-900, -16, 900, -4, 12)];
const ALONG_NORTH = [block(4, -900, 16, 900, 12), block(-16, -900, -4, 900, 12)];

describe('canyons under the sun of the equator (sheet 10)', () => {
  it('along the sun’s way have it from its rise to its set', () => {
    const found = dayFor(DEFAULT_INTENTS.lightPool, EQUATOR, ALONG_EAST);
    const lit = Array.from(found.isLit).flatMap((value, minute) => (value === 1 ? [minute] : []));
    // The equation of time on that day is −7.4 min: noon at 12:07.
    expect(Math.abs((lit[0] ?? 0) - hm(6, 7))).toBeLessThanOrEqual(3);
    expect(Math.abs((lit.at(-1) ?? 0) - hm(18, 8))).toBeLessThanOrEqual(3);
    expect(found.windows).toEqual([]);
  });
  it('across it have it for 84 minutes either side of noon', () => {
    const found = dayFor(DEFAULT_INTENTS.lightPool, EQUATOR, ALONG_NORTH, { shootingBearingDeg: 0, streetAxisDeg: 0 });
    const lit = Array.from(found.isLit).flatMap((value, minute) => (value === 1 ? [minute] : []));
    expect(Math.abs((lit[0] ?? 0) - (hm(12, 7) - 84))).toBeLessThanOrEqual(3);
    expect(Math.abs((lit.at(-1) ?? 0) - (hm(12, 7) + 84))).toBeLessThanOrEqual(3);
    // At 12:07 the sun is overhead: a person’s shadow has no length to speak of.
    expect(shadowLengthM(found.sunAltitudeDeg[hm(12, 7)] as number)).toBeLessThan(0.05);
    expect(shadowLengthM(45)).toBeCloseTo(1.7, 9);
    expect(shadowLengthM(0)).toBe(Infinity);
  });
});

describe('windows on towns simple enough to work out', () => {
  it('into the sun: a low sun at the end of the street, until it is too high', () => {
    // It climbs 15° an hour, straight over the street: 15° at 07:07.
    const found = dayFor(DEFAULT_INTENTS.intoTheSun, EQUATOR, ALONG_EAST);
    expectSpans(found, [[hm(6, 7), hm(7, 7), 'sunHeight', 'sunHeight']]);
    const closed = [...ALONG_EAST, block(60, -20, 70, 20, 18)];
    // A house across at 60 m, 18 m high: over it from atan(16.4/60) = 15.3° only.
    expect(dayFor(DEFAULT_INTENTS.intoTheSun, EQUATOR, closed).windows).toEqual([]);
    expect(dayFor(DEFAULT_INTENTS.intoTheSun, { ...EQUATOR, cloud: 1 }, ALONG_EAST).windows).toEqual([]);
  });

  it('a pool through one gap: while the beam is in view and wide enough', () => {
    // A long street to the east, closed to the south but for one gap 4 m wide, 3 to 7 m ahead: the noon sun at 40.6° in the
    // south comes through it.
    const wall = [block(-300, 4, 300, 14, 16), block(-300, -16, 3, -4, 16), block(7, -16, 300, -4, 16)];
    const found = dayFor(DEFAULT_INTENTS.lightPool, TOWN, wall);
    const noon = hm(12, 32);
    expect(found.patchM2[noon]).toBeGreaterThan(10);
    expect(found.patchAheadM[noon]).toBeCloseTo(5, 0);
    expect(found.squareSideM[noon]).toBeGreaterThanOrEqual(3);
    const [only] = found.windows;
    expect(found.windows).toHaveLength(1);
    // Through a slot 12 m deep and 4 m wide the sun is seen over ±atan(4/12) = 18°: azimuth 162° to 198°, 11:36 to 13:28.
    expect(Math.abs((only?.fromMin ?? 0) - hm(11, 36))).toBeLessThanOrEqual(25);
    expect(Math.abs((only?.toMin ?? 0) - hm(13, 28))).toBeLessThanOrEqual(25);
    expect(['patchSize', 'litShare']).toContain(only?.opens);
    expect(dayFor(DEFAULT_INTENTS.lightPool, { ...TOWN, cloud: 1 }, wall).windows).toEqual([]);
  });

  it('a pool that grows to a strip along the walkers’ path is worth 0.4', () => {
    // The gap 9 m wide: the walkers cross along it.
    const wall = [block(-300, 4, 300, 14, 16), block(-300, -16, 2, -4, 16), block(11, -16, 300, -4, 16)];
    const along = stopDay({ ...inputFor(DEFAULT_INTENTS.lightPool, TOWN, wall), travelAngleDeg: 0 }) as StopDay;
    expect(Math.max(...along.quality.subarray(hm(12), hm(13)))).toBeLessThanOrEqual(0.75);
  });

  it('silhouettes find a sunlit wall beyond a shaded spot, and say where in the frame', () => {
    // The camera in the shade of a roof to its south looks east at a wall that faces it; after noon the sun is behind.
    const buildings = [block(-10, -8, 12, -4, 30), block(40, 0, 50, 40, 25)];
    const found = dayFor(DEFAULT_INTENTS.silhouette, TOWN, buildings);
    const minute = hm(15, 0);
    expect(found.isLit[minute]).toBe(0);
    expect(found.backgroundEv[minute]).toBeGreaterThan((found.cameraSideEv[minute] as number) + 3);
    // The wall stands from the middle of the frame to the left of it.
    expect(found.backgroundOffDeg[minute]).toBeLessThan(1);
    expect(found.windows.some(({ fromMin, toMin }) => fromMin <= minute && minute <= toMin)).toBe(true);
  });

  it('silhouettes before a screen open with its hours', () => {
    const evening = dayFor(DEFAULT_INTENTS.silhouette, TOWN, ALONG_NORTH, {
      lamps: 'screen',
      hours: { fromMin: 1260, toMin: 1380 },
    });
    expect(spans(evening).find(([from]) => from >= hm(20))).toEqual([1260, 1380, 'background', 'background']);
  });

  it('a façade needs a wall ahead, the sun on it, and a good angle', () => {
    // A wall to the north, square to the look; the sun at noon stands 40.6° up, straight on: 40.6° of incidence.
    const facing = { shootingBearingDeg: 0, streetAxisDeg: 90 };
    const found = dayFor(DEFAULT_INTENTS.facade, TOWN, [block(-40, 12, 40, 22, 20)], facing);
    expect(found.windows.some(({ fromMin, toMin }) => fromMin < hm(12, 32) && toMin > hm(12, 32))).toBe(true);
    expect(dayFor(DEFAULT_INTENTS.facade, TOWN, [], facing).windows).toEqual([]);
    // With a higher row 6 m behind, shade: atan((20 − 1.6)/18) = 45.6° is over the noon sun.
    const shaded = [block(-40, 12, 40, 22, 20), block(-400, -16, 400, -6, 20)];
    expect(dayFor(DEFAULT_INTENTS.facade, TOWN, shaded, facing).windows).toEqual([]);
  });

  it('a façade looked at edge-on is none: within 50° of square to it', () => {
    // The wall of the test before, 12 m to the north: looked at 45° off its square it is one, along it (from 60° on) it is not.
    const wall = [block(-400, 12, 400, 22, 20)];
    const looking = (shootingBearingDeg: number): StopDay =>
      dayFor(DEFAULT_INTENTS.facade, TOWN, wall, { shootingBearingDeg, streetAxisDeg: 90 });
    expect(looking(45).windows.length).toBeGreaterThan(0);
    expect(looking(60).windows).toEqual([]);
    expect(looking(60).missing).toMatchObject({ reason: 'squareOn', figure: { is: 60, needs: 50, unit: 'degrees' } });
  });

  it('into the sun goes by where the camera looks as well as by the street', () => {
    // The sun stands over the end of the street at 06:40; a camera turned 45° off, with a half field of 29°, has it not in the frame.
    const along = (shootingBearingDeg: number): StopDay =>
      dayFor(DEFAULT_INTENTS.intoTheSun, EQUATOR, [], { shootingBearingDeg, streetAxisDeg: 90 });
    expect(along(90).quality[hm(6, 40)]).toBe(1);
    expect(along(135).quality[hm(6, 40)]).toBe(0);
    expect(along(135).windows).toEqual([]);
  });

  it('a silhouette by day begins with the sun that is seen, as the shadows do', () => {
    // The air lifts the sun by 0.48° at the horizon (10 °C, 1010 hPa): up from a geometric −0.48° on. Five stops of contrast, the
    // sun beside the frame, the spot in shade.
    const light = stopLightOn({ ...inputFor(DEFAULT_INTENTS.silhouette, EQUATOR, null), minuteOfDay: hm(6) }) as StopLight;
    const background = { ev100: light.cameraSideEv + 5, kind: 'sky', offDeg: 0 } as const;
    const { site, halfFieldDeg } = inputFor(DEFAULT_INTENTS.silhouette, EQUATOR, null, { shootingBearingDeg: 0 });
    const at = (altitudeDeg: number): number => {
      const sun = { azimuthDeg: 90, altitudeDeg };
      const instant = { site, sun, cloud: 0, dayOfYear: 79, minuteOfDay: hm(6) };
      const seen = { ...light, sun, isLit: false, background };
      const reach = DEFAULT_CAMERA_REACH;
      return bestOf(intentWays({ instant, light: seen, halfFieldDeg, reach, thresholds: DEFAULT_THRESHOLDS }));
    };
    expect([-0.6, -0.4, 0.1].map(at)).toEqual([0, 1, 1]);
  });

  it('a reflection wants a lit wall over a shaded mirror, or lamps after dark', () => {
    const buildings = [block(-40, 12, 40, 22, 20), block(-3, -8, 3, -1, 9)];
    const site = { shootingBearingDeg: 0, streetAxisDeg: 90 };
    const byDay = dayFor({ kind: 'reflection', mirror: 'puddle', isWet: true }, TOWN, buildings, site);
    expect(byDay.windows.some(({ fromMin, toMin }) => fromMin < hm(12, 32) && toMin > hm(12, 32))).toBe(true);
    expect(byDay.windows.every(({ toMin }) => toMin < hm(19))).toBe(true);
    const lamps = dayFor({ kind: 'reflection', mirror: 'puddle', isWet: true }, TOWN, buildings, { ...site, lamps: 'lampStreet' });
    expect(lamps.windows.some(({ fromMin }) => fromMin > hm(18))).toBe(true);
    expect(dayFor({ kind: 'reflection', mirror: 'puddle', isWet: false }, TOWN, buildings, site).windows).toEqual([]);
  });

  it('candids in the sun and in the shade are where the zone is', () => {
    const found = dayFor({ kind: 'passingCandid', light: 'either' }, EQUATOR, ALONG_NORTH, {
      shootingBearingDeg: 0,
      streetAxisDeg: 0,
    });
    expect(found.windows.map(({ label }) => label)).toEqual(['shade', 'sun', 'shade']);
    const [, inSun] = found.windows;
    expect((inSun?.fromMin ?? 0) > hm(10, 43) && (inSun?.toMin ?? 0) < hm(13, 31)).toBe(true);
  });

  it('a flash lift lies between what the sync time and the hands take', () => {
    // f/4, ISO 400: 1/200 takes EV 9.64, 1/60 EV 7.91. Shade from EV 5.91 up to 8.64.
    const found = dayFor(DEFAULT_INTENTS.flashLift, TOWN, ALONG_EAST);
    expect(found.windows).toHaveLength(2);
    for (const { fromMin, toMin } of found.windows) {
      expect(found.shadeEv[fromMin]).toBeGreaterThan(5.7);
      expect(found.shadeEv[toMin]).toBeLessThan(8.8);
      expect(found.windows.every(({ opens, closes }) => opens === 'dusk' && closes === 'dusk')).toBe(true);
    }
  });

  it('compressed distance is a pale bar all day, and more with a low sun down the street', () => {
    const found = dayFor(DEFAULT_INTENTS.compressedDistance, EQUATOR, ALONG_EAST);
    expect([found.quality[hm(7)], found.quality[hm(12)]]).toEqual([1, 0.5]);
  });

  it('polar day has its sun at midnight, polar night none at all', () => {
    const north = { day: '2027-06-21', timeZone: 'Etc/GMT', latitude: 78, longitude: 0, cloud: 0, halfFieldDeg: 32 };
    const summer = dayFor(DEFAULT_INTENTS.lightPool, north, [block(20, -30, 30, 30, 4)]);
    // 90 − 78 − 23.44: 11.4° over the horizon at its lowest.
    expect(Math.min(...summer.sunAltitudeDeg)).toBeCloseTo(11.4, 0);
    expect(summer.isLit[0]).toBe(1);
    const winter = dayFor(DEFAULT_INTENTS.litStreet, { ...north, day: '2027-12-21' }, []);
    expect(spans(winter)).toEqual([[0, 1439, 'dayEdge', 'dayEdge']]);
  });

  it('thresholds can be set: a smaller patch opens earlier', () => {
    const wall = [block(-300, 4, 300, 14, 16), block(-300, -16, 3, -4, 16), block(7, -16, 300, -4, 16)];
    const usual = inputFor(DEFAULT_INTENTS.lightPool, TOWN, wall);
    const small = stopDay({ ...usual, thresholds: { poolSquareM: [0.5, 1], poolLeastShare: [0.005, 0.01] } }) as StopDay;
    expect(small.windows[0]?.fromMin ?? 9999).toBeLessThan((stopDay(usual) as StopDay).windows[0]?.fromMin ?? 0);
  });

  it('cloud by the hour takes the windows of its hours only', () => {
    const cloud = Array.from({ length: 24 }, (_, hour) => (hour < 7 ? 1 : 0));
    const found = dayFor(DEFAULT_INTENTS.intoTheSun, { ...EQUATOR, cloud: cloud as unknown as number }, ALONG_EAST);
    const [only] = found.windows;
    // Between 06:00 and 07:00 it clears along a line: cloud 0.8 at 06:12.
    expect([only?.opens, Math.abs((only?.fromMin ?? 0) - hm(6, 12)) <= 3]).toEqual(['cloud', true]);
  });
});

describe('a day’s minutes', () => {
  const wall = [block(-300, 4, 300, 14, 16), block(-300, -16, 3, -4, 16), block(7, -16, 300, -4, 16)];
  const walled = dayFor(DEFAULT_INTENTS.lightPool, TOWN, wall, { lightOffsetEv: 0.5 });

  it('give back the light of one minute, at the reading that holds now', () => {
    const minute = hm(12, 30);
    const light = lightOfDay(walled, minute, 1);
    expect(light.keyEv100).toBeCloseTo((walled.keyEv100[minute] as number) + 0.5, 5);
    expect(lightOfDay(walled, minute).keyEv100).toBeCloseTo(walled.keyEv100[minute] as number, 5);
    expect(light).toMatchObject({ isLit: walled.isLit[minute] === 1, readingOffsetEv: 1 });
  });
  it('agree with the light without walls where there are none', () => {
    const open = inputFor(DEFAULT_INTENTS.lightPool, TOWN, null);
    const minute = hm(15);
    const plain = stopLightOn({ ...open, minuteOfDay: minute });
    expect(lightOfDay(stopDay(open) as StopDay, minute).keyEv100).toBeCloseTo(plain?.keyEv100 ?? 0, 2);
  });
  it('hold the lit ground cell by cell, which is what the patch is made of', () => {
    const lit = litGroundAt(walled, hm(12, 30)).reduce((sum, cell) => sum + cell, 0);
    expect(lit * 0.25).toBeGreaterThan(5);
    expect(litGroundAt(walled, hm(2)).some((cell) => cell === 1)).toBe(false);
  });
  it('creep with the sun: at noon its beam moves as fast as the sun turns', () => {
    expect(walled.creepMPerMin[hm(12, 20)]).toBeGreaterThan(0);
    expect(walled.creepMPerMin[hm(12, 20)]).toBeLessThan(0.2);
    expect(walled.creepMPerMin[hm(3)]).toBe(0);
  });
  it('meet the stated figures of an 8 m canyon with 12 m walls', () => {
    // s about 0.35; shade EV 10.3 to 12.1 on the level, a stop less to the camera; sun against shade 2.5 to 3.5 stops at mid
    // sun, 1.4 to 1.8 hazy, and at 8 to 15° 1.1 to 2.1 on level ground. With the sun at 10° the diffuse is 7.26 klx: 0.359 of it
    // and 0.35·0.641·0.229 by the walls' own sky are 2.98 klx, EV 10.22, and what lit walls add.
    const site = { shootingBearingDeg: 0, streetAxisDeg: 0 };
    const on = { ...TOWN, day: '2027-06-13' };
    const clear = dayFor(DEFAULT_INTENTS.lightPool, on, ALONG_NORTH, site);
    const hazy = dayFor(DEFAULT_INTENTS.lightPool, { ...on, cloud: 0.5 }, ALONG_NORTH, site);
    const over = (one: StopDay, minute: number): number =>
      Math.max(one.litPersonEv[minute] as number, one.litGroundEv[minute] as number) - (one.shadeEv[minute] as number);
    expect(clear.skyShare).toBeCloseTo(0.359, 2);
    const [mid, low] = [hm(9), hm(6, 40)];
    expect([Math.round(clear.sunAltitudeDeg[mid] as number), Math.round(clear.sunAltitudeDeg[low] as number)]).toEqual([33, 10]);
    for (const [value, from, to] of [
      [clear.shadeEv[mid], 10.3, 12.1],
      [clear.cameraSideEv[mid], 9.3, 11.1],
      [clear.shadeEv[low], 10.22, 12.1],
      [over(clear, mid), 2.5, 3.5],
      [over(hazy, mid), 1.4, 1.8],
      [(clear.litGroundEv[low] as number) - (clear.shadeEv[low] as number), 1.1, 2.1],
    ] as const) {
      expect(value).toBeGreaterThan(from);
      expect(value).toBeLessThan(to);
    }
  });
});

describe('a year', () => {
  const wall = [block(-300, 4, 300, 14, 16), block(-300, -16, 3, -4, 16), block(7, -16, 300, -4, 16)];
  const base = inputFor(DEFAULT_INTENTS.lightPool, TOWN, wall);
  const scene = siteScene(base.streets ?? { buildings: [], eastM: 0, northM: 0 }, siteLookOf(base));
  const { day: _, cloud: __, ...rest } = base;

  it('is the days one by one, over changes of the clock too', () => {
    const year = yearOfSun(scene, { ...rest, fromDay: '2027-03-26', days: 4 });
    expect(year.days).toEqual(['2027-03-26', '2027-03-27', '2027-03-28', '2027-03-29']);
    year.days.forEach((date, k) => {
      const one = stopDayIn(scene, { ...base, day: date }) as StopDay;
      let differing = 0;
      for (let row = 0; row < CARPET_ROWS; row++) {
        const minute = row * CARPET_STEP_MIN;
        const state = (one.sunAltitudeDeg[minute] as number) <= 0 ? 0 : one.isLit[minute] === 1 ? 2 : 1;
        if (year.states[k * CARPET_ROWS + row] !== state) differing++;
      }
      expect([date, differing]).toEqual([date, 0]);
    });
  });
  it('of quality comes week by week and equals the days’ own', () => {
    const steps = yearOfQualitySteps(scene, { ...rest, fromDay: '2027-03-10', days: 9 });
    const first = steps.next();
    expect(first.done === false && first.value.daysDone).toBe(7);
    const year = finish(steps);
    const one = stopDayIn(scene, base) as StopDay;
    for (let row = 0; row < CARPET_ROWS; row++) {
      expect((year.quality[3 * CARPET_ROWS + row] ?? 0) / 255).toBeCloseTo(one.quality[row * CARPET_STEP_MIN] as number, 2);
    }
  });
  it('has best days: the most good light first, none within a week of a better one', () => {
    const days = Array.from({ length: 20 }, (___, k) => `2027-05-${String(k + 1).padStart(2, '0')}`);
    const quality = new Uint8Array(days.length * CARPET_ROWS);
    const fill = (date: number, rows: number): void =>
      void quality.fill(255, (date - 1) * CARPET_ROWS + 60, (date - 1) * CARPET_ROWS + 60 + rows);
    fill(3, 12);
    fill(4, 11);
    fill(15, 6);
    expect(bestDays({ days, quality })).toEqual([
      { day: '2027-05-03', goodMinutes: 120, bestMin: 630 },
      { day: '2027-05-15', goodMinutes: 60, bestMin: 630 },
    ]);
    expect(bestDays({ days, quality: new Uint8Array(quality.length) })).toEqual([]);
  });
  it('has best nights over midnight: 23:00 to 1:00 of a date is one piece, and the last day has no night', () => {
    const days = Array.from({ length: 20 }, (___, k) => `2027-05-${String(k + 1).padStart(2, '0')}`);
    const quality = new Uint8Array(days.length * CARPET_ROWS);
    void quality.fill(255, 2 * CARPET_ROWS + 138, 3 * CARPET_ROWS + 6);
    void quality.fill(255, 19 * CARPET_ROWS + 100, 20 * CARPET_ROWS);
    expect(bestDays({ days, quality }, 5, 720)).toEqual([{ day: '2027-05-03', goodMinutes: 120, bestMin: 1410 }]);
    expect(bestDays({ days, quality }).map(({ day }) => day)).toEqual(['2027-05-20', '2027-05-03']);
  });
});

describe('the same light again', () => {
  const where = { timeZone: 'Atlantic/Azores', latitude: 46.5, longitude: -20.7 };
  it('comes back when the sun’s declination does: mid-March has its twin at the end of September', () => {
    // Declination −2.9° on 13 March; the almanac has −2.9° again on 30 September, the equation of time 20 minutes apart.
    const runs = sameLightAgain(null, { ...where, day: '2027-03-13', minuteOfDay: 900, withinDeg: 1 });
    const autumn = runs?.find(({ day: date }) => date.startsWith('2027-09') || date.startsWith('2027-10'));
    expect(Math.abs(Date.parse(autumn?.day ?? '') - Date.parse('2027-09-30')) / 86_400_000).toBeLessThanOrEqual(1);
    // An hour of summer time and some 19 minutes earlier by the sun.
    expect(Math.abs((autumn?.minuteOfDay ?? 0) - 941)).toBeLessThanOrEqual(3);
    expect(autumn?.isLit).toBeNull();
    expect(runs?.at(-1)?.day.startsWith('2028-03')).toBe(true);
    expect(runs?.every(({ apartDeg, fromDay, toDay }) => apartDeg <= 1 && fromDay <= toDay)).toBe(true);
  });
  it('says whether the walls let it in, and has no answer with the sun down', () => {
    const base = inputFor(DEFAULT_INTENTS.lightPool, TOWN, [block(-60, -20, 60, -2, 40)]);
    const scene = siteScene(base.streets ?? { buildings: [], eastM: 0, northM: 0 }, siteLookOf(base));
    const shut = sameLightAgain(scene, { ...where, day: '2027-03-13', minuteOfDay: 760, withinDeg: 1 });
    expect(shut?.every(({ isLit }) => isLit === false)).toBe(true);
    expect(sameLightAgain(null, { ...where, day: '2027-03-13', minuteOfDay: 60, withinDeg: 1 })).toBeNull();
    expect(() => sameLightAgain(null, { ...where, day: '2027-03-13', minuteOfDay: 760, withinDeg: 0 })).toThrow(RangeError);
  });
});
