import fc from 'fast-check';
import { almanacSun } from '../../reference/almanacSun.js';
import { localDaySpan, sunEvents, sunPosition, sunTrack } from './index.js';

const LONDON = { latitude: 51.4769, longitude: 0 };

function apartDeg(a: { azimuthDeg: number; altitudeDeg: number }, b: { azimuthDeg: number; altitudeDeg: number }): number {
  const turn = Math.abs(a.azimuthDeg - b.azimuthDeg) % 360;
  const acrossDeg = Math.min(turn, 360 - turn) * Math.cos((a.altitudeDeg * Math.PI) / 180);
  return Math.max(Math.abs(a.altitudeDeg - b.altitudeDeg), acrossDeg);
}

describe('sun position', () => {
  it('agrees with the published example of NREL/TP-560-34302 (2003-10-17 19:30:30 UT)', () => {
    // Table A5.1: topocentric elevation without refraction 39.872046°, azimuth 194.340241°.
    const sun = sunPosition({
      time: new Date('2003-10-17T19:30:30Z'),
      latitude: 39.742476,
      longitude: -105.1786,
      refraction: 'none',
    });
    expect(Math.abs(sun.altitudeDeg - 39.872046)).toBeLessThan(0.01);
    expect(Math.abs(sun.azimuthDeg - 194.340241)).toBeLessThan(0.01);
  });

  it('agrees with the almanac’s short series all over the world and these decades, within 0.01°', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: Date.UTC(2015, 0, 1), max: Date.UTC(2040, 0, 1) }),
        fc.double({ min: -75, max: 75, noNaN: true }),
        fc.double({ min: -180, max: 180, noNaN: true }),
        (timeMs, latitude, longitude) => {
          const time = new Date(timeMs);
          const sun = sunPosition({ time, latitude, longitude, refraction: 'none' });
          expect(apartDeg(sun, almanacSun(time, latitude, longitude))).toBeLessThan(0.01);
        },
      ),
      { numRuns: 1000 },
    );
  });

  it('rises and sets, and turns its twilights, when the series does, within 30 s where it crosses steeper than 5° an hour', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 9000 }),
        fc.double({ min: -60, max: 60, noNaN: true }),
        fc.double({ min: -180, max: 180, noNaN: true }),
        (day, latitude, longitude) => {
          const date = new Date(Date.UTC(2015, 0, 1) + day * 86_400_000).toISOString().slice(0, 10);
          const events = sunEvents({ day: date, timeZone: 'Etc/UTC', latitude, longitude });
          const altitudeAt = (ms: number): number => almanacSun(new Date(ms), latitude, longitude).altitudeDeg;
          for (const [event, deg] of [
            [events.sunrise, -0.8333],
            [events.sunset, -0.8333],
            [events.civilDusk, -6],
            [events.nauticalDawn, -12],
            [events.lowSunEveningStart, 6],
          ] as const) {
            if (event === null) continue;
            const ms = event.getTime();
            const perHour = (altitudeAt(ms + 60_000) - altitudeAt(ms - 60_000)) * 30;
            if (Math.abs(perHour) < 5) continue;
            // The series puts the sun within 30 s of motion of the event's altitude.
            expect(Math.abs(altitudeAt(ms) - deg) / (Math.abs(perHour) / 3600)).toBeLessThan(30);
          }
        },
      ),
      { numRuns: 150 },
    );
  });

  it('stands overhead on the equator at the equinox noon', () => {
    // Equinox 2024-03-20 03:06 UT: declination zero; the meridian passes 0° at 12:07:20.
    const sun = sunPosition({ time: new Date('2024-03-20T12:07:20Z'), latitude: 0, longitude: 0, refraction: 'none' });
    expect(sun.altitudeDeg).toBeGreaterThan(89.7);
  });

  it('lifts the sun by refraction near the horizon, and leaves it alone well below', () => {
    const at = (iso: string, refraction: 'standard' | 'none'): number =>
      sunPosition({ time: new Date(iso), ...LONDON, refraction }).altitudeDeg;
    const events = sunEvents({ day: '2024-06-20', timeZone: 'Europe/London', ...LONDON });
    const rise = (events.sunrise as Date).toISOString();
    expect(at(rise, 'none')).toBeCloseTo(-0.8333, 2);
    expect(at(rise, 'standard') - at(rise, 'none')).toBeGreaterThan(0.45);
    const midnight = '2024-12-20T00:00:00Z';
    expect(at(midnight, 'standard')).toBe(at(midnight, 'none'));
  });

  it('lifts 0.48° at the horizon: 34′ of apparent is 29′ at geometric zero', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 1440 }), (minute) => {
        const time = new Date(Date.UTC(2024, 5, 20) + minute * 60_000);
        const plain = sunPosition({ time, ...LONDON, refraction: 'none' }).altitudeDeg;
        const lifted = sunPosition({ time, ...LONDON }).altitudeDeg;
        expect(lifted).toBeGreaterThanOrEqual(plain);
        expect(lifted - plain).toBeLessThan(0.7);
      }),
    );
  });

  it.each([
    [{ time: new Date(NaN), ...LONDON }, TypeError, 'time'],
    [{ time: '2024-01-01', ...LONDON }, TypeError, 'time'],
    [{ time: new Date(), latitude: 91, longitude: 0 }, RangeError, 'latitude must be a number from -90 to 90, got 91'],
    [{ time: new Date(), latitude: 0, longitude: -181 }, RangeError, 'longitude'],
    [{ time: new Date(), latitude: 0 }, TypeError, 'longitude'],
    [{ time: new Date(), ...LONDON, refraction: 'some' }, RangeError, 'refraction'],
  ])('refuses %#', (options, kind, message) => {
    expect(() => sunPosition(options as never)).toThrow(kind as never);
    expect(() => sunPosition(options as never)).toThrow(message as string);
  });
});

describe('sun track', () => {
  it('stays within 0.002° of the position, anywhere and any time', () => {
    const instant = fc.integer({ min: Date.UTC(1950, 0, 1), max: Date.UTC(2060, 0, 1) });
    const latitude = fc.double({ min: -90, max: 90, noNaN: true });
    const longitude = fc.double({ min: -180, max: 180, noNaN: true });
    const refraction = fc.constantFrom('standard', 'none') as fc.Arbitrary<'standard' | 'none'>;
    fc.assert(
      fc.property(instant, latitude, longitude, refraction, (ms, lat, lon, refr) => {
        const place = { latitude: lat, longitude: lon, refraction: refr };
        const track = sunTrack({ start: new Date(ms), end: new Date(ms + 5 * 3_600_000), stepS: 3000, ...place });
        track.timesMs.forEach((timeMs, k) => {
          const sample = { azimuthDeg: track.azimuthDeg[k] as number, altitudeDeg: track.altitudeDeg[k] as number };
          expect(apartDeg(sample, sunPosition({ time: new Date(timeMs), ...place }))).toBeLessThan(0.002);
        });
      }),
      { numRuns: 200 },
    );
  });

  it('includes both ends where the step fits, and only the start where it does not', () => {
    const start = new Date('2024-03-01T00:00:00Z');
    const track = (seconds: number, stepS: number): number[] =>
      [...sunTrack({ start, end: new Date(start.getTime() + seconds * 1000), stepS, ...LONDON }).timesMs].map(
        (ms) => (ms - start.getTime()) / 1000,
      );
    expect(track(180, 60)).toEqual([0, 60, 120, 180]);
    expect(track(179, 60)).toEqual([0, 60, 120]);
    expect(track(0, 60)).toEqual([0]);
    expect(track(0.3, 0.1)).toHaveLength(4);
  });

  it('refuses an end before the start, and a step that would fill the machine', () => {
    const start = new Date('2024-03-01T00:00:00Z');
    expect(() => sunTrack({ start, end: new Date(0), stepS: 60, ...LONDON })).toThrow('end must be not before start');
    expect(() => sunTrack({ start, end: new Date('2124-01-01'), stepS: 0.001, ...LONDON })).toThrow(RangeError);
    expect(() => sunTrack({ start, end: start, stepS: 0, ...LONDON })).toThrow('stepS');
  });
});

describe('local days', () => {
  const hours = (day: string, zone: string): number => {
    const span = localDaySpan(day, zone);
    return span === null ? 0 : (span.endMs - span.startMs) / 3_600_000;
  };
  it.each([
    ['2024-06-20', 'Europe/London', 24],
    ['2024-03-31', 'Europe/London', 23],
    ['2024-10-27', 'Europe/London', 25],
    ['2017-10-15', 'America/Sao_Paulo', 23], // midnight itself is skipped
    ['2011-12-30', 'Pacific/Apia', 0], // the day does not exist
    ['2024-04-07', 'Australia/Lord_Howe', 24.5],
  ])('%s in %s has %d hours', (day, zone, length) => {
    expect(hours(day, zone)).toBe(length);
  });

  it.each(['2024-02-30', '2024-2-3', 'tomorrow', ''])('refuses %j', (day) => {
    expect(() => localDaySpan(day, 'UTC')).toThrow("day must be a calendar day 'YYYY-MM-DD'");
  });
  it.each(['Nowhere/Atall', '+02:00', ''])('refuses zone %j', (zone) => {
    expect(() => localDaySpan('2024-01-01', zone)).toThrow(RangeError);
  });
  it('wants strings', () => {
    expect(() => localDaySpan(20240101 as never, 'UTC')).toThrow(TypeError);
    expect(() => localDaySpan('2024-01-01', null as never)).toThrow(TypeError);
  });
});

describe('sun events', () => {
  const nearMinute = (event: Date | null, iso: string): void => {
    expect(event).not.toBeNull();
    expect(Math.abs((event as Date).getTime() - new Date(iso).getTime())).toBeLessThanOrEqual(60_000);
  };

  it('meets the almanac for Greenwich on 20 June 2024 (rise 04:43, set 21:21 BST)', () => {
    const events = sunEvents({ day: '2024-06-20', timeZone: 'Europe/London', ...LONDON });
    nearMinute(events.sunrise, '2024-06-20T03:43:00Z');
    nearMinute(events.sunset, '2024-06-20T20:21:00Z');
    expect(events.astronomicalDawn).toBeNull(); // no true night there at midsummer
  });

  it('passes the meridian by the equation of time (+16 min 26 s on 3 November)', () => {
    const { solarNoon } = sunEvents({ day: '2024-11-03', timeZone: 'UTC', latitude: 10, longitude: 0 });
    expect(Math.abs((solarNoon as Date).getTime() - Date.UTC(2024, 10, 3, 11, 43, 34))).toBeLessThan(10_000);
  });

  it('is in order on an ordinary day', () => {
    const e = sunEvents({ day: '2027-03-13', timeZone: 'Atlantic/Azores', latitude: 46.5, longitude: -20.7 });
    const order = [
      e.astronomicalDawn,
      e.nauticalDawn,
      e.civilDawn,
      e.sunrise,
      e.lowSunMorningEnd,
      e.solarNoon,
      e.lowSunEveningStart,
      e.sunset,
      e.civilDusk,
      e.nauticalDusk,
      e.astronomicalDusk,
    ].map((event) => (event as Date).getTime());
    expect(order).toEqual([...order].sort((a, b) => a - b));
  });

  it('has each event where the sun really stands there', () => {
    const place = { latitude: -33.9, longitude: 151.2 };
    const events = sunEvents({ day: '2024-09-01', timeZone: 'Australia/Sydney', ...place });
    const height = (event: Date | null): number => sunPosition({ time: event as Date, ...place, refraction: 'none' }).altitudeDeg;
    expect(height(events.sunset)).toBeCloseTo(-0.8333, 3);
    expect(height(events.nauticalDusk)).toBeCloseTo(-12, 3);
    expect(height(events.lowSunMorningEnd)).toBeCloseTo(6, 3);
  });

  it('knows polar day, polar night and a skipped day', () => {
    const tromso = { timeZone: 'Europe/Oslo', latitude: 69.65, longitude: 18.96 };
    const summer = sunEvents({ day: '2024-06-20', ...tromso });
    expect(summer.sunrise).toBeNull();
    expect(summer.sunset).toBeNull();
    expect(summer.solarNoon).not.toBeNull();
    const winter = sunEvents({ day: '2024-12-20', ...tromso });
    expect(winter.sunrise).toBeNull();
    expect(winter.civilDawn).not.toBeNull();
    const skipped = sunEvents({ day: '2011-12-30', timeZone: 'Pacific/Apia', latitude: -13.8, longitude: -171.8 });
    expect(Object.values(skipped).every((event) => event === null)).toBe(true);
  });
});
