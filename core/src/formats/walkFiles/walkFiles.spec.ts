import fc from 'fast-check';
import ICAL from 'ical.js';
import Papa from 'papaparse';
import { thinnedTrack } from '../../outing/index.js';
import type { Stop } from '../../stop/index.js';
import type { Walk } from '../../walk/index.js';
import { type FiledStop, type FiledWalk, readGpx, writeCalendar, writeCsv, writeGeoJson, writeGpx } from './index.js';
import { zoneChanges } from './writeCalendar.js';

const HERE = { latitude: 46.5, longitude: -20.7 };
const THERE = { latitude: 46.501, longitude: -20.701 };
const CORNER = { latitude: 46.501, longitude: -20.7 };

const filedStop = (over: Partial<Stop>, rest: Partial<FiledStop> = {}): FiledStop => ({
  stop: { id: 'a', name: 'A', position: HERE, arriveMin: 340, leaveMin: 370, notes: '', cautions: '', ...over } as Stop,
  intent: 'Light pool',
  setUp: {
    aperture: 'f/4',
    focus: '5 m',
    inFocus: '3.9 to 7 m',
    shutter: '1/400 or faster',
    iso: '100–6400',
    meter: '−⅓ whole frame',
  },
  windows: [{ fromMin: 330, toMin: 387 }],
  course: [],
  walkMin: null,
  distanceM: null,
  ...rest,
});

const NAME = 'Under <the> "hall" & ’round';
const filed = (day = '2027-03-13', stops: readonly FiledStop[] | null = null): FiledWalk => ({
  walk: {
    id: 'w',
    name: 'A walk & more',
    day,
    notes: '',
    place: { ...HERE, name: 'Made-up', timeZone: 'Atlantic/Azores', isInvented: true },
  } as Walk,
  stops: stops ?? [
    filedStop({ cautions: 'Tram tracks' }),
    filedStop(
      { id: 'b', name: NAME, position: THERE, arriveMin: 380, leaveMin: 400 },
      { course: [HERE, CORNER, THERE], walkMin: 3, distanceM: 187.4 },
    ),
  ],
});

function gpxOf(text: string) {
  const read = readGpx(text);
  if (!read.ok) throw new Error(read.message);
  return read.gpx;
}

describe('GPX', () => {
  it('comes back as it was written, times as instants', () => {
    const gpx = gpxOf(writeGpx(filed()));
    expect(gpx.name).toBe('A walk & more');
    expect(gpx.waypoints.map(({ name }) => name)).toEqual(['A', NAME]);
    // 05:40 on the Azores in winter, an hour behind UTC.
    expect(gpx.waypoints[0]?.atMs).toBe(Date.parse('2027-03-13T06:40:00Z'));
    expect(gpx.waypoints[0]?.description.split('\n')).toEqual([
      'Light pool, 05:40–06:10',
      'f/4, 5 m (in focus 3.9 to 7 m), 1/400 or faster, ISO 100–6400, −⅓ whole frame',
      'Light 05:30–06:27',
      'Care: Tram tracks',
    ]);
    expect(gpx.routes).toHaveLength(1);
    expect(gpx.routes[0]?.map(({ latitude, longitude }) => ({ latitude, longitude }))).toEqual([HERE, CORNER, THERE]);
    expect(gpx.routes[0]?.map(({ name }) => name)).toEqual(['A', '', NAME]);
  });
  it('names the days where a stay or its light goes over midnight', () => {
    const late = filedStop({ arriveMin: 1333, leaveMin: 1453 }, { windows: [{ fromMin: 1066, toMin: 1930 }] });
    const [point] = gpxOf(writeGpx(filed('2027-03-13', [late]))).waypoints;
    expect(point?.description).toContain('Light pool, Sat 22:13–Sun 00:13\n');
    expect(point?.description).toContain('Light Sat 17:46–Sun 08:10');
    // 22:13 an hour behind UTC.
    expect(point?.atMs).toBe(Date.parse('2027-03-13T23:13:00Z'));
  });
  it('leaves out what stands nowhere, and is whole without any stop', () => {
    expect(gpxOf(writeGpx(filed('2027-03-13', [filedStop({ position: null })])))).toMatchObject({ waypoints: [], routes: [] });
    expect(gpxOf(writeGpx(filed('2027-03-13', [])))).toMatchObject({ name: 'A walk & more', routes: [] });
  });
  it('any name survives', () => {
    fc.assert(
      fc.property(fc.string({ unit: 'binary', maxLength: 40 }), (name) => {
        const gpx = gpxOf(writeGpx(filed('2027-03-13', [filedStop({ name })])));
        // What XML cannot hold is left out, line ends are one, and a reader trims.
        const isHeld = (one: string): boolean => (one >= ' ' ? !/[\ufffe\uffff]/.test(one) : /[\t\n\r]/.test(one));
        const held = [...name].filter(isHeld).join('').replace(/\r\n?/g, '\n');
        expect(gpx.waypoints[0]?.name).toBe(held.trim());
      }),
    );
  });
  it('reads tracks of several stretches, of other programs, with nonsense left out', () => {
    const gpx = gpxOf(`<?xml version="1.0"?><g:gpx xmlns:g="http://www.topografix.com/GPX/1/1" version="1.1">
      <g:trk><g:name>Home</g:name><g:trkseg><g:trkpt lat="46.5" lon="-20.7"><g:ele>3</g:ele><g:time>2027-03-13T06:40:00Z</g:time></g:trkpt>
      <g:trkpt lat="91" lon="0"/><g:trkpt lon="0"/></g:trkseg><g:trkseg/><g:trkseg><g:trkpt lat="1" lon="2"><g:time>soon</g:time></g:trkpt></g:trkseg></g:trk></g:gpx>`);
    expect(gpx).toMatchObject({ name: 'Home', leftOut: 2, routes: [], waypoints: [] });
    expect(gpx.tracks.map((track) => track.map(({ latitude, atMs }) => [latitude, atMs]))).toEqual([
      [[46.5, Date.parse('2027-03-13T06:40:00Z')]],
      [[1, null]],
    ]);
  });
  it('takes no text for a number that is none', () => {
    const points = ['lat="" lon="2"', 'lat="0x10" lon="2"', 'lat="1" lon="Infinity"', 'lat=" 1.5 " lon="-2e1"'];
    const gpx = gpxOf(`<gpx><trk><trkseg>${points.map((one) => `<trkpt ${one}/>`).join('')}</trkseg></trk></gpx>`);
    expect(gpx.leftOut).toBe(3);
    expect(gpx.tracks[0]).toMatchObject([{ latitude: 1.5, longitude: -20 }]);
  });
  it.each([
    ['', /not whole GPX|not GPX/],
    ['{"type":"Point"}', /not whole GPX/],
    ['<kml/>', /begins with <kml>/],
    ['<gpx><wpt lat="1" lon="1"></gpx>', /not whole GPX/],
    ['<!DOCTYPE x [<!ENTITY a "aa">]><gpx>&a;</gpx>', /not whole GPX/],
  ])('refuses %j', (text, message) => {
    const read = readGpx(text);
    expect(read.ok ? '' : read.message).toMatch(message);
  });
});

describe('a track thinned', () => {
  it('keeps corners and ends, and drops what lies on the line', () => {
    const along = Array.from({ length: 50 }, (_, k) => ({ latitude: 46.5 + k * 1e-5, longitude: -20.7 }));
    const across = Array.from({ length: 50 }, (_, k) => ({ latitude: 46.50049, longitude: -20.7 + (k + 1) * 1e-5 }));
    expect(thinnedTrack([...along, ...across], 2, 100)).toEqual([along[0], along[49], across[49]]);
    expect(thinnedTrack([], 2, 100)).toEqual([]);
  });
  it('is at most so long, however crooked', () => {
    const crooked = Array.from({ length: 2000 }, (_, k) => ({ latitude: 46.5 + (k % 2) * 1e-3, longitude: -20.7 + k * 1e-5 }));
    expect(thinnedTrack(crooked, 2, 100).length).toBeLessThanOrEqual(100);
  });
});

describe('GeoJSON', () => {
  it('has a point a stop and a line a leg, longitude first', () => {
    const { features } = JSON.parse(writeGeoJson(filed())) as {
      features: { geometry: { type: string; coordinates: unknown }; properties: Record<string, unknown> }[];
    };
    expect(features.map(({ geometry: { type } }) => type)).toEqual(['Point', 'Point', 'LineString']);
    expect(features[0]?.geometry.coordinates).toEqual([-20.7, 46.5]);
    expect(features[1]?.properties).toMatchObject({ number: 2, name: NAME, arrive: '06:20', aperture: 'f/4' });
    expect(features[2]?.properties).toMatchObject({ from: 'A', to: NAME, walkMin: 3, metres: 187 });
  });
});

describe('CSV', () => {
  it('has a line a stop, and no formula of anybody’s', () => {
    const odd = filedStop({ name: '=HYPERLINK("x")', notes: 'one,\n"two"', cautions: '-1' });
    const { data } = Papa.parse<Record<string, string>>(writeCsv(filed('2027-03-13', [odd])).replace('\ufeff', ''), {
      header: true,
      skipEmptyLines: true,
    });
    expect(data).toHaveLength(1);
    expect(data[0]).toMatchObject({
      name: '\'=HYPERLINK("x")',
      notes: 'one,\n"two"',
      care: '-1',
      arrive: '2027-03-13 05:40',
      latitude: '46.5000000',
      meter: '−⅓ whole frame',
      light: '05:30–06:27',
      'in focus': '3.9 to 7 m',
    });
  });
  it('says the day of what is past midnight', () => {
    const late = filedStop({ arriveMin: 1430, leaveMin: 1480 });
    const { data } = Papa.parse<Record<string, string>>(writeCsv(filed('2027-03-13', [late])), { header: true });
    expect(data[0]).toMatchObject({ arrive: '2027-03-13 23:50', leave: '2027-03-14 00:40' });
  });
  it.each(['\n=1+1', ' \n @SUM(1)', '\r\n+A1', '\t=1'])('takes the sting out of %j', (name) => {
    const { data } = Papa.parse<Record<string, string>>(
      writeCsv(filed('2027-03-13', [filedStop({ name })])).replace('\ufeff', ''),
      {
        header: true,
        skipEmptyLines: true,
      },
    );
    expect(data[0]?.['name']?.startsWith("'")).toBe(true);
  });
});

describe('a calendar', () => {
  const read = (day: string, stops?: readonly FiledStop[]) => {
    const walk = stops === undefined ? filed(day) : filed(day, stops);
    const calendar = new ICAL.Component(ICAL.parse(writeCalendar(walk, Date.parse('2027-01-01T00:00:00Z'))) as never[]);
    const zone = new ICAL.Timezone(calendar.getFirstSubcomponent('vtimezone') as ICAL.Component);
    const events = calendar.getAllSubcomponents('vevent').map((part) => new ICAL.Event(part));
    const instantOf = (time: ICAL.Time): string => {
      const offset = zone.utcOffset(time);
      return new Date(Date.parse(`${time.toString()}Z`) - offset * 1000).toISOString();
    };
    return { events, instantOf };
  };
  // The Azores: −1 in winter, 0 in summer; from 28 March 2027 01:00 UTC, to 31 October 01:00 UTC.
  it.each([
    ['2027-03-13', '2027-03-13T06:40:00.000Z'],
    ['2027-03-27', '2027-03-27T06:40:00.000Z'],
    ['2027-03-28', '2027-03-28T05:40:00.000Z'],
    ['2027-07-01', '2027-07-01T05:40:00.000Z'],
    ['2027-10-31', '2027-10-31T06:40:00.000Z'],
  ])('on %s begins at %s', (day, instant) => {
    const { events, instantOf } = read(day);
    expect(events.map(({ summary }) => summary)).toEqual(['A', 'Light: A', NAME, `Light: ${NAME}`]);
    expect(instantOf(events[0]?.startDate as ICAL.Time)).toBe(instant);
    expect(events[0]?.description).toContain('Care: Tram tracks');
  });
  it.each([
    // 23:50 to 0:40, and in the spring night of the Azores, where 0:00 to 1:00 is skipped, to 1:00 and to 1:40.
    ['2027-03-13', 1480, '2027-03-14T00:50:00.000Z', '2027-03-14T01:40:00.000Z'],
    ['2027-03-27', 1480, '2027-03-28T00:50:00.000Z', '2027-03-28T01:00:00.000Z'],
    ['2027-03-27', 1540, '2027-03-28T00:50:00.000Z', '2027-03-28T01:40:00.000Z'],
  ])('of a stay over midnight on %s to minute %i goes from %s to %s', (day, leaveMin, from, to) => {
    const { events, instantOf } = read(day, [filedStop({ arriveMin: 1430, leaveMin })]);
    expect([events[0]?.startDate, events[0]?.endDate].map((time) => instantOf(time as ICAL.Time))).toEqual([from, to]);
  });
  it('is folded by octets, holds no control character and no bare line end, whatever a name holds', () => {
    const utf8 = new TextEncoder();
    fc.assert(
      fc.property(fc.string({ unit: 'binary', maxLength: 120 }), fc.integer({ min: 0, max: 120 }), (name, blank) => {
        const notes = `${'x'.repeat(blank)}${name}\r${name}`;
        const text = writeCalendar(filed('2027-03-13', [filedStop({ name, notes })]), 0);
        const lines = text.split('\r\n');
        expect(Math.max(...lines.map((line) => utf8.encode(line).length))).toBeLessThanOrEqual(75);
        expect(lines.some((line) => /\p{Cc}/u.test(line))).toBe(false);
        const event = new ICAL.Component(ICAL.parse(text) as never[]).getFirstSubcomponent('vevent') as ICAL.Component;
        expect(typeof new ICAL.Event(event).summary).toBe('string');
      }),
    );
  });
  it('finds the changes of a zone to the minute', () => {
    const changes = zoneChanges('Atlantic/Azores', Date.parse('2027-01-01'), Date.parse('2028-01-01'));
    expect(changes.map(({ atMs, fromMin, toMin }) => [new Date(atMs).toISOString(), fromMin, toMin])).toEqual([
      ['2027-03-28T01:00:00.000Z', -60, 0],
      ['2027-10-31T01:00:00.000Z', 0, -60],
    ]);
    expect(zoneChanges('Pacific/Honolulu', Date.parse('2027-01-01'), Date.parse('2028-01-01'))).toEqual([]);
  });
});
