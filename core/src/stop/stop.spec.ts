import { dayOfYear } from '../light/index.js';
import {
  bearingGapDeg,
  DEFAULT_INTENTS,
  type Intent,
  isSpotSunlit,
  isWithinHours,
  lightWindows,
  ramp,
  type Ramp,
  type SiteOfDay,
  stopDay,
  type StopDay,
  stopLightAt,
  stopLightOn,
} from './index.js';

const SITE: SiteOfDay = {
  intent: DEFAULT_INTENTS.passingCandid,
  shootingBearingDeg: 0,
  streetAxisDeg: 0,
  sunGap: null,
  lamps: 'none',
  hours: null,
  lightOffsetEv: 0,
};
/** Open sea at the shipped town's place, equinox side of March; the sun rises near 06:40, stands 40.6° at 12:32. */
const TOWN = { day: '2027-03-13', timeZone: 'Atlantic/Azores', latitude: 46.5, longitude: -20.7, cloud: 0, halfFieldDeg: 32.7 };
const dayOf = (site: Partial<SiteOfDay>, over: object = {}): StopDay =>
  stopDay({ ...TOWN, site: { ...SITE, ...site }, ...over }) as StopDay;
const spans = (day: StopDay): [number, number][] => day.windows.map(({ fromMin, toMin }) => [fromMin, toMin]);

describe('bearings and hours', () => {
  it.each([
    [350, 10, 20],
    [10, 350, 20],
    [0, 180, 180],
    [725, 5, 0],
  ])('%d and %d are %d apart', (a, b, gap) => expect(bearingGapDeg(a, b)).toBe(gap));

  it('lets the sun through a gap that spans north', () => {
    const gap = { fromDeg: 340, toDeg: 20, aboveDeg: 10 };
    const at = (azimuthDeg: number, altitudeDeg: number): boolean => isSpotSunlit(gap, { azimuthDeg, altitudeDeg });
    expect([at(350, 30), at(10, 30), at(21, 30), at(180, 30), at(350, 9)]).toEqual([true, true, false, false, false]);
    // The air lifts it by 0.55° at the horizon.
    expect([-1, -0.3].map((altitudeDeg) => isSpotSunlit(null, { azimuthDeg: 0, altitudeDeg }))).toEqual([false, true]);
  });

  it('keeps hours that run past midnight', () => {
    const night = { fromMin: 1200, toMin: 120 };
    expect([1300, 60, 600].map((minute) => isWithinHours(night, minute))).toEqual([true, true, false]);
  });

  it('counts days of the year', () => {
    expect([dayOfYear('2027-01-01'), dayOfYear('2027-03-13'), dayOfYear('2024-12-31')]).toEqual([1, 72, 366]);
  });
});

describe('ramps and windows', () => {
  it('is 0 below opening, a quarter at it, 1 at full, either way', () => {
    expect([1.9, 2, 2.5, 3, 4].map((v) => ramp(v, 2, 3))).toEqual([0, 0.25, 0.625, 1, 1]);
    expect([9, 8, 6.5, 5].map((v) => ramp(v, 8, 5))).toEqual([0, 0.25, 0.625, 1]);
  });

  const minutes = (values: readonly number[], reason: Ramp['reason'] = 'contrast'): Ramp[][][] =>
    values.map((value) => [[{ reason, value }]]);
  const block = (value: number, length: number): number[] => Array.from({ length }, () => value);

  it('opens at 0.25, holds down to 0.15, and says what closed it', () => {
    const [only] = lightWindows(minutes([...block(0, 20), ...block(0.3, 10), ...block(0.2, 10), ...block(0.1, 20)]));
    expect(only).toMatchObject({ fromMin: 20, toMin: 39, peakQuality: 0.3, opens: 'contrast', closes: 'contrast', bestMin: null });
  });

  it('does not flicker: a two-minute dip is smoothed, a four-minute gap bridged, a five-minute one not', () => {
    const withGap = (length: number): number =>
      lightWindows(minutes([...block(0, 10), ...block(1, 20), ...block(0, length), ...block(1, 20), ...block(0, 10)])).length;
    expect([withGap(2), withGap(4), withGap(5)]).toEqual([1, 1, 2]);
  });

  it('drops what is shorter than five minutes and keeps five', () => {
    const ofLength = (length: number): number =>
      lightWindows(minutes([...block(0, 10), ...block(1, length), ...block(0, 10)])).length;
    expect([ofLength(4), ofLength(5)]).toEqual([0, 1]);
  });

  it('names the best hour of a long one', () => {
    const rising = Array.from({ length: 180 }, (_, k) => 0.3 + (0.7 * k) / 180);
    const [only] = lightWindows(minutes([...block(0, 10), ...rising, ...block(0, 10)]));
    expect(only?.bestMin).toBeGreaterThanOrEqual(150);
  });
});

describe('the light at a stop, from sun, bearings and hour', () => {
  const noon = { sun: { azimuthDeg: 180, altitudeDeg: 30 }, cloud: 0, dayOfYear: 2 + 91, minuteOfDay: 750 };
  const at = (site: Partial<SiteOfDay>, over: object = {}): ReturnType<typeof stopLightAt> =>
    stopLightAt({ site: { ...SITE, ...site }, ...noon, ...over });

  it('meters the lit side with the sun behind the camera, the camera side against it or in shade', () => {
    expect(at({ shootingBearingDeg: 0 }).surface).toBe('litPerson');
    expect(at({ shootingBearingDeg: 180 }).surface).toBe('cameraSide');
    expect(at({ sunGap: { fromDeg: 0, toDeg: 90, aboveDeg: 0 } }).surface).toBe('cameraSide');
    expect(at({ shootingBearingDeg: 0 }).keyEv100).toBeGreaterThan(at({ shootingBearingDeg: 180 }).keyEv100 + 2);
  });

  it('has the shade that somebody asks for where nothing known speaks against it', () => {
    const shade = { kind: 'passingCandid', light: 'shade' } as const;
    const asked = at({ intent: shade, shootingBearingDeg: 0 });
    expect([asked.isLit, asked.surface]).toEqual([false, 'cameraSide']);
    // Open shade at a sun of 30° without a map: EV 10 to 12 on people, not the 15 of the sunlit side.
    expect(asked.keyEv100).toBeGreaterThan(9.5);
    expect(asked.keyEv100).toBeLessThan(12);
    // A gap that somebody has read off a compass is known: the sun stands in it.
    expect(at({ intent: shade, sunGap: { fromDeg: 150, toDeg: 210, aboveDeg: 10 } }).isLit).toBe(true);
    expect(at({ intent: { kind: 'passingCandid', light: 'sun' } }).isLit).toBe(true);
  });

  it('adds lamps to what daylight is left, and puts a reading on top', () => {
    const night = { sun: { azimuthDeg: 300, altitudeDeg: -20 } };
    const street = at({ intent: DEFAULT_INTENTS.litStreet, lamps: 'lampStreet' }, night);
    expect(street.keyEv100).toBeCloseTo(5.02, 1); // EV 5 of lamps on a town's glow of under a lux
    const read = at({ intent: DEFAULT_INTENTS.litStreet, lamps: 'lampStreet', lightOffsetEv: -1 }, night);
    expect(read.keyEv100).toBeCloseTo(street.keyEv100 - 1, 9);
    expect(read.modelEv100).toBe(street.modelEv100);
    expect(street.spreadEv).toBe(1);
  });

  it('has each intent meter what it is about, and gives every one a number by day and by night', () => {
    for (const intent of Object.values(DEFAULT_INTENTS) as Intent[]) {
      for (const altitudeDeg of [-40, -5, 0, 3, 40, 90]) {
        const light = at({ intent, lamps: 'arcade' }, { sun: { azimuthDeg: 100, altitudeDeg } });
        expect([intent.kind, Number.isFinite(light.keyEv100)]).toEqual([intent.kind, true]);
      }
    }
    expect(at({ intent: DEFAULT_INTENTS.silhouette }).surface).toBe('sky');
    expect(at({ intent: DEFAULT_INTENTS.lightPool }).surface).toBe('litPerson');
    expect(at({ intent: DEFAULT_INTENTS.brightBackdrop }, { sun: { azimuthDeg: 0, altitudeDeg: -20 } }).keyEv100).toBe(9);
  });

  it('is the same at one minute as in the day', () => {
    const day = dayOf({});
    const one = stopLightOn({ ...TOWN, site: SITE, minuteOfDay: 600 });
    expect(day.keyEv100[600]).toBeCloseTo(one?.keyEv100 as number, 3);
  });

  it('keeps the wall clock over a change of hour', () => {
    // Lisbon, 2027-03-28: 01:00 becomes 02:00; the sun at 12:00 wall time is where it was at 11:00 the day before.
    const lisbon = { timeZone: 'Europe/Lisbon', latitude: 38.7, longitude: -20.7 };
    const before = dayOf({}, { ...lisbon, day: '2027-03-27' });
    const after = dayOf({}, { ...lisbon, day: '2027-03-28' });
    expect(Math.abs((after.sunAltitudeDeg[720] as number) - (before.sunAltitudeDeg[660] as number))).toBeLessThan(0.6);
    expect(stopDay({ ...TOWN, site: SITE, day: '2011-12-30', timeZone: 'Pacific/Apia' })).toBeNull();
  });
});

describe('windows of the intents, worked by hand from the day’s sun', () => {
  it('a pool opens and closes with the sun in its gap', () => {
    // The sun bears 212° near 14:15 and 240° near 16:06 (half-hour almanac: 207.8° at 14:00, 216.4° at 14:30; 238.6° at
    // 16:00, 244.9° at 16:30), and stands over 18° all that time.
    const day = dayOf({ intent: DEFAULT_INTENTS.lightPool, sunGap: { fromDeg: 212, toDeg: 240, aboveDeg: 18 } });
    expect(day.windows).toHaveLength(1);
    const [window] = day.windows;
    expect(Math.abs((window?.fromMin as number) - 855)).toBeLessThanOrEqual(2);
    expect(Math.abs((window?.toMin as number) - 966)).toBeLessThanOrEqual(2);
    expect(window).toMatchObject({ opens: 'sunGap', closes: 'sunGap' });
  });

  it('a pool in overcast has no window at all', () => {
    expect(dayOf({ intent: DEFAULT_INTENTS.lightPool }, { cloud: 1 }).windows).toEqual([]);
  });

  it('a shade that opens because sun and shade come close names that, not a sun that is down', () => {
    // 46.5° N, mid-March, no walls: the sun sets near 18:23 and stands 4° high half an hour before, when it is worth 1½ stops at most.
    const evening = dayOf({ intent: DEFAULT_INTENTS.passingCandid }).windows.find(
      ({ label, fromMin }) => label === 'shade' && fromMin > 720,
    );
    expect(evening?.opens).toBe('softLight');
    const at = evening?.fromMin ?? 0;
    expect(dayOf({}).sunAltitudeDeg[at]).toBeGreaterThan(1);
  });

  it('says of a day without a window what failed, by how much and when it was nearest', () => {
    // 46.5° N, mid-March: the noon sun stands 40.6° up, so a look to the north has it 180° off, and never under 90° behind.
    const away = dayOf({ intent: DEFAULT_INTENTS.intoTheSun, streetAxisDeg: 0, shootingBearingDeg: 0 });
    expect(away.missing).toMatchObject({ reason: 'sunBearing', figure: { unit: 'degrees', needs: 10 } });
    expect(away.missing?.figure?.is).toBeGreaterThan(80);
    const hazy = dayOf({ intent: DEFAULT_INTENTS.intoTheSun, streetAxisDeg: 257, shootingBearingDeg: 257 }, { cloud: 0.85 });
    expect(hazy.missing).toMatchObject({ reason: 'cloud', figure: { is: 0.85, needs: 0.8, unit: 'share' } });
    expect(dayOf({ intent: DEFAULT_INTENTS.fireworks }).missing).toMatchObject({ reason: 'hours', figure: null });
    expect(dayOf({ intent: DEFAULT_INTENTS.litStreet }).missing).toBeNull();
    // Four minutes of hours are too short for a window of five.
    const brief = dayOf({ intent: DEFAULT_INTENTS.litStreet, hours: { fromMin: 1200, toMin: 1203 } });
    expect(brief.missing).toEqual({ reason: 'brief', atMin: 1200, figure: { is: 4, needs: 5, unit: 'minutes' } });
  });

  it('into the sun needs the street to point at a low sun', () => {
    // Due west at 17:30 the sun stands at 256.7° and 8.6°: a street along 257° has it, one along 200° has not.
    const along = dayOf({ intent: DEFAULT_INTENTS.intoTheSun, streetAxisDeg: 257, shootingBearingDeg: 257 });
    expect(along.windows.some(({ fromMin, toMin }) => fromMin < 1050 && toMin > 1050)).toBe(true);
    const across = dayOf({ intent: DEFAULT_INTENTS.intoTheSun, streetAxisDeg: 200, shootingBearingDeg: 200 });
    expect(across.windows).toEqual([]);
    expect(
      dayOf({ intent: DEFAULT_INTENTS.intoTheSun, streetAxisDeg: 257, shootingBearingDeg: 257 }, { cloud: 0.9 }).windows,
    ).toEqual([]);
  });

  it('streets are lit from −3° of evening sun to −3° of the morning, and by their hours', () => {
    const [morning, evening] = spans(dayOf({ intent: DEFAULT_INTENTS.litStreet }));
    expect(morning?.[0]).toBe(0);
    expect(Math.abs((morning?.[1] as number) - 387)).toBeLessThanOrEqual(3); // −2.6° at 06:30, 1.03° in six minutes
    expect(evening?.[1]).toBe(1439);
    expect(Math.abs((evening?.[0] as number) - 1118)).toBeLessThanOrEqual(3); // −1.6° at 18:30
    const hours = { fromMin: 1200, toMin: 1260 };
    expect(spans(dayOf({ intent: DEFAULT_INTENTS.litStreet, hours }))).toEqual([[1200, 1260]]);
  });

  it('a façade wants the sun on its face', () => {
    // A wall looked at to the north faces south: the sun reaches it all day. Looked at to the south, never.
    expect(dayOf({ intent: DEFAULT_INTENTS.facade, shootingBearingDeg: 0 }).windows.length).toBeGreaterThan(0);
    expect(dayOf({ intent: DEFAULT_INTENTS.facade, shootingBearingDeg: 180 }).windows).toEqual([]);
  });

  it('fireworks have the hours that were entered and no others', () => {
    expect(dayOf({ intent: DEFAULT_INTENTS.fireworks }).windows).toEqual([]);
    expect(spans(dayOf({ intent: DEFAULT_INTENTS.fireworks, hours: { fromMin: 1320, toMin: 1340 } }))).toEqual([[1320, 1340]]);
  });

  it('a puddle needs rain', () => {
    const dry = { kind: 'reflection', mirror: 'puddle', isWet: false } as const;
    expect(dayOf({ intent: dry, lamps: 'arcade' }).windows).toEqual([]);
    expect(dayOf({ intent: DEFAULT_INTENTS.reflection, lamps: 'arcade' }).windows.length).toBeGreaterThan(0);
  });

  it('candids in sun and in shade are separate windows', () => {
    const gap = { fromDeg: 150, toDeg: 200, aboveDeg: 0 };
    const labels = dayOf({ sunGap: gap }).windows.map(({ label }) => label);
    expect(labels).toContain('sun');
    expect(labels).toContain('shade');
    expect(
      dayOf({ intent: { kind: 'passingCandid', light: 'sun' }, sunGap: gap }).windows.every(({ label }) => label === 'sun'),
    ).toBe(true);
  });
});
