import { type AstroTime, Body, Illumination, MoonPhase, Observer, SearchAltitude, SearchRiseSet } from 'astronomy-engine';
import { evOfLux, moonLux, moonView } from '../../light/index.js';
import { nightOfStop, type NightInput } from './nightOfStop.js';
import { stopDay, type StopDayInput } from './stopDay.js';

describe('the light of the moon', () => {
  // By hand from the formula: full in the zenith 0.0291 fc outside the air, 0.313 lux, 0.853 of it through one airmass.
  it.each([
    [90, 180, 0.2674],
    [30, 180, 0.1135],
    [90, 90, 0.02433],
    [45, 0, 4.99e-5],
  ])('%i° up at phase %i is %f lux', (altitudeDeg, phaseDeg, lux) => {
    expect(moonLux({ altitudeDeg, phaseDeg }) / lux).toBeCloseTo(1, 1);
  });
  it('is as bright as another model of the moon has it, to half a stop over its month', () => {
    // Magnitude to lux outside the air: E = 10^(−0.4·(m + 13.98)) (a star of magnitude 0 gives 2.54 millionths of a lux).
    let worst = 0;
    for (let day = 0; day < 29; day++) {
      const time = new Date(Date.parse('2027-10-01T00:00:00Z') + day * 86_400_000);
      const { mag, phase_fraction: lit } = Illumination(Body.Moon, time);
      // Near new moon there is no light worth a model.
      if (lit < 0.15) continue;
      const above = moonLux({ altitudeDeg: 90, phaseDeg: MoonPhase(time) }) / 10 ** (-0.4 * 0.172);
      worst = Math.max(worst, Math.abs(Math.log2(above / 10 ** (-0.4 * (mag + 13.98)))));
    }
    expect(worst).toBeLessThan(0.5);
  });
  it('is none with the moon down, and less behind cloud', () => {
    expect(moonLux({ altitudeDeg: -1, phaseDeg: 180 })).toBe(0);
    expect(moonLux({ altitudeDeg: 60, phaseDeg: 180 }, 0.75) / moonLux({ altitudeDeg: 60, phaseDeg: 180 })).toBeCloseTo(0.25, 9);
  });
  it('of a full moon high up is EV −3¼, eleven times a quarter’s', () => {
    expect(evOfLux(moonLux({ altitudeDeg: 80, phaseDeg: 180 }))).toBeCloseTo(-3.25, 2);
    const quarters = moonLux({ altitudeDeg: 60, phaseDeg: 180 }) / moonLux({ altitudeDeg: 60, phaseDeg: 90 });
    expect(quarters).toBeGreaterThan(10);
    expect(quarters).toBeLessThan(12);
  });
});

const ROME = { latitude: 41.9, longitude: 12.5, timeZone: 'Europe/Rome', cloud: 0 };
const SITE: StopDayInput['site'] = {
  intent: { kind: 'litStreet', lamps: 'hold' },
  shootingBearingDeg: 120,
  streetAxisDeg: 100,
  sunGap: null,
  lamps: 'lampStreet',
  hours: null,
  lightOffsetEv: 0,
};
const LAMPS = { fromMin: 60, leftShare: 0.25 };

function nightOn(date: string, over: Partial<NightInput> = {}) {
  const input: NightInput = {
    ...ROME,
    day: date,
    shootingBearingDeg: 120,
    streetAxisDeg: 100,
    halfFieldDeg: 30,
    lampsOut: LAMPS,
    ...over,
  };
  const { latitude, longitude, timeZone, cloud } = input;
  const day = stopDay({
    ...{ latitude, longitude, timeZone, cloud, day: date, halfFieldDeg: 30, minutes: 2160 },
    site: { ...SITE, lampsOut: LAMPS },
  });
  const night = day === null ? null : nightOfStop(input, day);
  if (night === null || day === null) throw new Error('no such night');
  return { night, day };
}

describe('the night of a stop', () => {
  it('has its twilights in order, evening and morning, each as long as it is', () => {
    const { night } = nightOn('2027-10-15');
    expect(night.twilights.map(({ kind, isEvening }) => `${isEvening ? 'evening' : 'morning'} ${kind}`)).toEqual([
      'evening civil',
      'evening nautical',
      'evening astronomical',
      'morning astronomical',
      'morning nautical',
      'morning civil',
    ]);
    // Another ephemeris; Rome is two hours ahead of UTC.
    const noonMs = Date.parse('2027-10-15T10:00:00Z');
    const observer = new Observer(ROME.latitude, ROME.longitude, 0);
    const minuteOf = (time: AstroTime | null): number => ((time?.date.getTime() ?? 0) - noonMs) / 60_000 + 720;
    const crossing = (direction: number, deg: number): number =>
      minuteOf(SearchAltitude(Body.Sun, observer, direction, new Date(noonMs), 1, deg));
    expect(Math.abs((night.sunset ?? 0) - minuteOf(SearchRiseSet(Body.Sun, observer, -1, new Date(noonMs), 1)))).toBeLessThan(1);
    expect(Math.abs((night.sunrise ?? 0) - minuteOf(SearchRiseSet(Body.Sun, observer, 1, new Date(noonMs), 1)))).toBeLessThan(1);
    expect(Math.abs((night.twilights[2]?.toMin ?? 0) - crossing(-1, -18))).toBeLessThan(1);
    expect(Math.abs((night.twilights[5]?.fromMin ?? 0) - crossing(1, -6))).toBeLessThan(1);
    for (const { fromMin, toMin } of night.twilights) expect(toMin - fromMin).toBeGreaterThan(24);
    for (const { fromMin, toMin } of night.twilights) expect(toMin - fromMin).toBeLessThan(36);
  });

  it('has no dark at 60° in June, and six short twilights at the equator', () => {
    const north = nightOn('2027-06-21', { latitude: 60.2, longitude: 24.9, timeZone: 'Europe/Helsinki' });
    expect(north.night.twilights.map(({ kind }) => kind)).not.toContain('nautical');
    const equator = nightOn('2027-03-20', { latitude: 0, longitude: 0, timeZone: 'UTC' });
    expect(equator.night.twilights).toHaveLength(6);
    for (const { fromMin, toMin } of equator.night.twilights) expect(toMin - fromMin).toBeLessThan(26);
  });

  it('knows when the moon is in the frame and over the street, as an independent look at each minute has it', () => {
    const { night } = nightOn('2027-10-15');
    // Full moon on 15 October 2027: up all night.
    expect(night.moon.litShare).toBeGreaterThan(0.97);
    const spring = Date.parse('2027-10-14T22:00:00Z');
    for (let minute = 1080; minute < 2000; minute += 5) {
      const { altitudeDeg, azimuthDeg } = moonView({ ...ROME, time: new Date(spring + minute * 60_000) });
      const within = (spans: readonly { fromMin: number; toMin: number }[]): boolean =>
        spans.some(({ fromMin, toMin }) => minute >= fromMin && minute <= toMin);
      expect([minute, within(night.moon.up)]).toEqual([minute, altitudeDeg > 0]);
      expect([minute, within(night.moon.inFrame)]).toEqual([minute, altitudeDeg > 0 && Math.abs(azimuthDeg - 120) <= 30]);
      const along = Math.min(Math.abs(azimuthDeg - 100), Math.abs(azimuthDeg - 280));
      expect([minute, within(night.moon.overStreet)]).toEqual([minute, altitudeDeg > 0 && along <= 8]);
    }
    expect(night.moon.brightest?.ev100).toBeGreaterThan(-4);
    expect(night.moon.brightest?.ev100).toBeLessThan(-3);
  });

  it('says when the lamps are dimmed, and the darkest and brightest minute for the picture', () => {
    const { night, day } = nightOn('2027-10-15');
    expect(night.lampsOut).toEqual({ fromMin: 1500, toMin: 2160, leftShare: 0.25 });
    expect(night.darkest?.atMin).toBeGreaterThanOrEqual(1500);
    expect(night.brightest?.atMin).toBeLessThan(1200);
    expect((night.brightest?.ev100 ?? 0) - (night.darkest?.ev100 ?? 0)).toBeGreaterThan(1.9);
    expect(night.darkest?.ev100).toBe(day.keyEv100[night.darkest?.atMin ?? 0]);
  });

  it('is null on a day that the zone skipped', () => {
    const { day } = nightOn('2027-10-15');
    expect(
      nightOfStop(
        { ...ROME, day: '2011-12-30', timeZone: 'Pacific/Apia', shootingBearingDeg: 0, streetAxisDeg: 0, halfFieldDeg: 30 },
        day,
      ),
    ).toBeNull();
  });
});
