import type { StopDay } from '@roam-dial/core/stop';
import { plainDay } from '../../testing/demo';
import { evScale, lightKindAt, ribbonSegments } from './light-ribbon/light-ribbon.geometry';
import { hourTicks, midnightOn, minutesForStep, timeDomain, timeScale } from './time-axis';
import { lateLegs, minutesInLight, rowHeights, walkerLine, type WalkRow } from '../rooms/walk/chart/walk-chart.geometry';

const row = (over: Partial<WalkRow>): WalkRow => ({
  stopId: 's',
  name: 'S',
  isSetAside: false,
  arriveMin: 600,
  leaveMin: 630,
  isMeasured: true,
  alongM: 0,
  walkMin: 10,
  windows: [],
  crowdByHour: [],
  ...over,
});

describe('the time axis', () => {
  it('takes whole hours round the stays, within the day', () => {
    expect(
      timeDomain([
        { arriveMin: 340, leaveMin: 370 },
        { arriveMin: 1140, leaveMin: 1215 },
      ]),
    ).toEqual({ fromMin: 300, toMin: 1260 });
    expect(timeDomain([{ arriveMin: 5, leaveMin: 1439 }])).toEqual({ fromMin: 0, toMin: 1440 });
    expect(timeDomain([])).toEqual({ fromMin: 0, toMin: 1440 });
  });

  it('holds the light of the day as well, where that is asked for', () => {
    const stays = [{ arriveMin: 640, leaveMin: 670 }];
    expect(timeDomain(stays, { fromMin: 402, toMin: 1081 })).toEqual({ fromMin: 360, toMin: 1140 });
    expect(timeDomain([{ arriveMin: 1200, leaveMin: 1230 }], { fromMin: 402, toMin: 1081 })).toEqual({ fromMin: 360, toMin: 1320 });
    expect(timeDomain([], { fromMin: 402, toMin: 1081 })).toEqual({ fromMin: 360, toMin: 1140 });
  });

  it('goes on past midnight as far as the walk is measured, without the day before of who sets out after dark', () => {
    const past = { minutes: 2160, nextDay: 'Sun', shownMin: 0 };
    const night = [
      { arriveMin: 1300, leaveMin: 1325 },
      { arriveMin: 1465, leaveMin: 1490 },
    ];
    const axis = timeDomain(night, { fromMin: 402, toMin: 1081 }, past);
    expect(axis).toEqual({ fromMin: 1260, toMin: 1560, nextDay: 'Sun' });
    expect(midnightOn(axis)).toEqual({ minute: 1440, name: 'Sun' });
    const late = [{ arriveMin: 1380, leaveMin: 1435 }];
    expect(timeDomain(late, null, { ...past, minutes: 1440 })).toEqual({ fromMin: 1320, toMin: 1440 });
    expect(timeDomain(late, null, { ...past, shownMin: 1600 })).toMatchObject({ toMin: 1620 });
    expect(midnightOn(timeDomain(late, null, { ...past, minutes: 1440 }))).toBeNull();
  });

  it('thins the hours to what there is room for', () => {
    expect(hourTicks({ fromMin: 300, toMin: 1260 }, 800)).toHaveLength(17);
    expect(hourTicks({ fromMin: 300, toMin: 1260 }, 250)).toEqual([360, 540, 720, 900, 1080, 1260]);
  });

  it('maps minutes to pixels and back', () => {
    const x = timeScale({ fromMin: 300, toMin: 1260 }, 100, 580);
    expect(x(780)).toBe(340);
    expect(x.invert(340)).toBe(780);
    expect(x(0)).toBe(100);
  });

  it('moves by five, finely by one, by the page an hour', () => {
    const sizes = ['usual', 'fine', 'large'] as const;
    expect(sizes.map((size) => minutesForStep({ by: -1, size }))).toEqual([-5, -1, -60]);
  });
});

describe('the ribbon', () => {
  const day: StopDay = plainDay({
    keyEv100: Float32Array.from({ length: 1440 }, () => 10),
    isLit: Uint8Array.from({ length: 1440 }, (_, m) => Number(m >= 600 && m < 660)),
    sunAltitudeDeg: Float32Array.from({ length: 1440 }, (_, m) => (m < 360 ? -20 : 20)),
    windows: [],
  });
  it('is cut where the light changes its kind', () => {
    expect([100, 500, 620].map((minute) => lightKindAt(day, minute))).toEqual(['dark', 'shade', 'lit']);
    const domain = { fromMin: 300, toMin: 720 };
    const segments = ribbonSegments(day, domain, timeScale(domain, 0, 420), evScale(0, 100));
    expect(segments.map(({ kind }) => kind)).toEqual(['dark', 'shade', 'lit', 'shade']);
    expect(segments.every(({ path }) => path.startsWith('M') && !path.includes('NaN'))).toBe(true);
  });
});

describe('the walk chart', () => {
  const rows = [
    row({ stopId: 'a', arriveMin: 600, leaveMin: 630, alongM: 0, walkMin: 10 }),
    row({ stopId: 'b', arriveMin: 700, leaveMin: 720, alongM: 500, walkMin: 30 }),
    row({ stopId: 'c', name: 'C', arriveMin: 740, leaveMin: 800, alongM: 600, walkMin: null }),
  ];

  it('spreads rows by distance, never nearer than they can be read', () => {
    const [a, b, c] = rowHeights(rows, 0, 300, 30) as [number, number, number];
    expect(a).toBe(0);
    expect(c).toBeCloseTo(300, 9);
    expect(c - b).toBeCloseTo(30 + (240 * 100) / 600, 9);
    const crowded = rowHeights(
      rows.map((one) => ({ ...one, alongM: 0 })),
      0,
      10,
      30,
    );
    expect(crowded).toEqual([0, 30, 60]);
    expect(rowHeights([], 0, 10, 30)).toEqual([]);
    expect(rowHeights([row({})], 0, 10, 30)).toEqual([5]);
  });

  it('goes on only while walking, and waits before it', () => {
    const { stays, spares, goings } = walkerLine(rows, [300, 100, 0], (minute) => minute);
    expect(stays.map(({ path }) => path)).toEqual(['M600,300L630,300', 'M700,100L720,100', 'M740,0L800,0']);
    expect(spares).toEqual(['M630,300L690,300']);
    expect(goings).toEqual([
      { path: 'M690,300L700,100', isLate: false },
      { path: 'M720,100L750,0', isLate: true },
    ]);
    expect(lateLegs(rows)).toEqual([{ name: 'C', byMin: 10 }]);
  });

  it('counts minutes in the light once, however windows overlap', () => {
    const windows = [
      { fromMin: 590, toMin: 609, isSun: true },
      { fromMin: 605, toMin: 614, isSun: false },
    ];
    expect(minutesInLight({ isSetAside: false, arriveMin: 600, leaveMin: 630, windows })).toBe(15);
    expect(minutesInLight({ isSetAside: false, arriveMin: 600, leaveMin: 630, windows: [] })).toBe(0);
  });
});
