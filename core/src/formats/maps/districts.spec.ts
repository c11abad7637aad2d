import { finish } from '../../units/index.js';
import {
  DEFAULT_DISTRICT_OPTIONS,
  type DistrictOptions,
  type ReadDistrict,
  readDistrictSteps,
  readForecast,
  writeDistrict,
} from './index.js';

const OPTIONS: DistrictOptions = {
  ...DEFAULT_DISTRICT_OPTIONS,
  id: 'd1',
  name: 'Somewhere',
  origin: { latitude: 46.5, longitude: -20.7 },
};
const read = (text: string, options: Partial<DistrictOptions> = {}): ReadDistrict =>
  finish(readDistrictSteps(text, { ...OPTIONS, ...options }) as Generator<never, ReadDistrict>);
function found(text: string, options: Partial<DistrictOptions> = {}): Extract<ReadDistrict, { ok: true }> {
  const result = read(text, options);
  if (!result.ok) throw new Error(`${result.message} ${result.where ?? ''}`);
  return result;
}
const refusal = (text: string): { message: string; where: string | null } => {
  const result = read(text);
  if (result.ok) throw new Error('expected a refusal');
  return { message: result.message, where: result.where };
};

/** A degree of latitude is 111,195.08 m on the mean sphere; at 46.5° one of longitude is 0.688355 of it. */
const LAT = 1 / 111_195.08;
const LON = LAT / 0.688355;
const at = (eastM: number, northM: number): [number, number] => [-20.7 + eastM * LON, 46.5 + northM * LAT];
const square = (east: number, north: number, side: number): [number, number][] =>
  [
    [0, 0],
    [side, 0],
    [side, side],
    [0, side],
    [0, 0],
  ].map(([a = 0, b = 0]) => at(east + a, north + b));
const feature = (properties: object, ...rings: [number, number][][]): object => ({
  type: 'Feature',
  properties,
  geometry: { type: 'Polygon', coordinates: rings },
});
const collection = (...features: object[]): string => JSON.stringify({ type: 'FeatureCollection', features });

/** A house, a block round a courtyard, a tower of parts, an arch, a tree and a pond, in the street map's XML. */
function osmXml(): string {
  const nodes: string[] = [];
  const ways: string[] = [];
  const node = (eastM: number, northM: number, tags = ''): number => {
    const [lon, lat] = at(eastM, northM);
    nodes.push(`<node id="${nodes.length + 1}" lat="${lat}" lon="${lon}">${tags}</node>`);
    return nodes.length;
  };
  const tag = (tags: Record<string, string>): string =>
    Object.entries(tags)
      .map(([k, v]) => `<tag k="${k}" v="${v}"/>`)
      .join('');
  const way = (id: number, east: number, north: number, side: number, tags: Record<string, string>): void => {
    const corners = [
      [0, 0],
      [side, 0],
      [side, side],
      [0, side],
    ].map(([a = 0, b = 0]) => node(east + a, north + b));
    const refs = [...corners, corners[0] as number].map((ref) => `<nd ref="${ref}"/>`).join('');
    ways.push(`<way id="${id}">${refs}${tag(tags)}</way>`);
  };
  way(100, 0, 0, 10, { building: 'house', 'building:levels': '3', name: 'Gate House' });
  way(101, 50, 0, 40, {});
  way(102, 60, 10, 20, {});
  way(103, 200, 0, 20, { building: 'yes', height: '8 m' });
  way(104, 202, 2, 8, { 'building:part': 'yes', height: '30' });
  way(105, 0, 60, 10, { building: 'yes', height: '12', min_height: '4' });
  way(106, 100, 100, 30, { natural: 'water' });
  way(107, 0, 100, 10, { building: 'yes' });
  node(30, 30, tag({ natural: 'tree', height: '7' }));
  const relation = `<relation id="900"><member type="way" ref="101" role="outer"/><member type="way" ref="102" role="inner"/>${tag({ type: 'multipolygon', building: 'yes', height: '15' })}</relation>`;
  return `<?xml version="1.0"?>\n<osm version="0.6">\n${nodes.join('\n')}\n${ways.join('\n')}\n${relation}\n</osm>\n`;
}

describe('a street map’s XML', () => {
  const { district, report } = found(osmXml());
  const by = (part: string): (typeof district.buildings)[number] | undefined =>
    district.buildings.find(({ id }) => id.includes(part));

  it('becomes buildings with heights, levels at 3.2 m, and a default that is counted', () => {
    expect(by('100')).toMatchObject({ name: 'Gate House', heightM: 9.6, heightSource: 'levels' });
    expect(by('107')).toMatchObject({ heightM: 9, heightSource: 'assumed' });
    expect(report).toEqual({ givenHeights: 3, levelHeights: 1, assumedHeights: 1, replacedByParts: 1, leftOut: [] });
    expect(found(osmXml(), { levelM: 4, defaultHeightM: 6 }).district.buildings.map(({ heightM }) => heightM)).toEqual(
      expect.arrayContaining([12, 6]),
    );
  });

  it('keeps courtyards, parts instead of their outline, the air under an arch, trees and water', () => {
    expect(by('900')?.courtyards).toHaveLength(1);
    expect([by('103'), by('104')?.heightM, by('105')?.baseM]).toEqual([undefined, 30, 4]);
    expect(district.trees).toEqual([{ eastM: 30, northM: 30, radiusM: 3, heightM: 7 }]);
    expect(district.waters).toHaveLength(1);
  });

  it('lies in metres round the origin', () => {
    const corners = by('100')?.footprint ?? [];
    const far = corners.map(([x, y]) => Math.hypot(x, y));
    expect(Math.max(...far)).toBeCloseTo(Math.hypot(10, 10), 2);
    expect(Math.min(...far)).toBeCloseTo(0, 2);
  });

  it('says where it is broken, and what it lacks', () => {
    const cut = osmXml().replace('</way>', '');
    expect(refusal(cut)).toMatchObject({ message: expect.stringContaining('not whole OpenStreetMap XML') as string });
    expect(refusal(cut).where).toMatch(/^line \d+, column \d+$/);
    expect(refusal('<osm>\n<node id="1" lat="north" lon="2"/></osm>')).toEqual({
      message: 'The file is not whole OpenStreetMap XML: <node> has no number as its lat',
      where: expect.stringContaining('line 2') as string,
    });
    expect(refusal('<gpx></gpx>').message).toContain('<gpx>');
    expect(refusal('<osm></osm>').message).toContain('no building');
  });
});

describe('the JSON of its query service', () => {
  it('gives the same buildings as the XML', () => {
    const elements = [
      ...square(0, 0, 10)
        .slice(0, 4)
        .map(([lon, lat], k) => ({ type: 'node', id: k + 1, lat, lon })),
      { type: 'way', id: 7, nodes: [1, 2, 3, 4, 1], tags: { building: 'yes', 'building:levels': '2' } },
    ];
    const { district } = found(JSON.stringify({ version: 0.6, elements }));
    expect(district.buildings).toMatchObject([{ heightM: 6.4, heightSource: 'levels' }]);
  });
});

describe('streets', () => {
  const line = (properties: object, ...coordinates: [number, number][]): object => ({
    type: 'Feature',
    id: 'lane',
    properties,
    geometry: { type: 'LineString', coordinates },
  });
  const house = feature({ building: 'yes', height: 8 }, square(0, 0, 10));
  const waysOf = (...features: object[]) => found(collection(house, ...features)).district.ways;

  it('come out of lines with their name, kind, width and roof', () => {
    expect(
      waysOf(
        line({ highway: 'steps', name: 'Nail Steps', width: '2.5', covered: 'yes' }, at(0, 20), at(30, 20)),
        line({ highway: 'footway', tunnel: 'building_passage' }, at(30, 20), at(30, 40)),
        { ...line({ highway: 'residential' }), geometry: { type: 'MultiLineString', coordinates: [[at(0, 50), at(9, 50)], [at(20, 50), at(29, 50)]] } }, // prettier-ignore
      ),
    ).toEqual([
      { id: 'lane', name: 'Nail Steps', kind: 'steps', widthM: 2.5, isCovered: true, points: [[0, 20], [30, 20]] }, // prettier-ignore
      { id: 'lane', kind: 'path', isCovered: true, points: [[30, 20], [30, 40]] }, // prettier-ignore
      { id: 'lane-1', kind: 'street', points: [[0, 50], [9, 50]] }, // prettier-ignore
      { id: 'lane-2', kind: 'street', points: [[20, 50], [29, 50]] }, // prettier-ignore
    ]);
  });

  it.each([
    [{ highway: 'motorway' }],
    [{ highway: 'proposed' }],
    [{ highway: 'service', access: 'private' }],
    [{ highway: 'residential', foot: 'no' }],
    [{ railway: 'tram' }],
  ])('are none where nobody walks: %j', (tags) => {
    expect(waysOf(line(tags, at(0, 20), at(30, 20)))).toBeUndefined();
  });

  it('keep what the file has of them where its edge cuts them, and are counted where it has nothing', () => {
    const corner = (id: number, eastM: number): string => {
      const [lon, lat] = at(eastM, 30);
      return `<node id="${id}" lat="${lat}" lon="${lon}"/>`;
    };
    const way = (id: number, ...refs: number[]): string =>
      `<way id="${id}">${refs.map((ref) => `<nd ref="${ref}"/>`).join('')}<tag k="highway" v="residential"/></way>`;
    const streets = `${[1, 2, 3, 4, 5].map((k) => corner(9000 + k, 10 * k)).join('')}${way(800, 9001, 9002, 1, 9999, 9003, 9004, 9005)}${way(801, 9999, 9001)}`;
    const xml = osmXml().replace('</osm>', `${streets}</osm>`).replace('<node id="1" ', '<node id="70001" ');
    const { district, report } = found(xml);
    expect(district.ways).toMatchObject([
      { id: 'way/800-1', points: [[10, 30], [20, 30]] }, // prettier-ignore
      { id: 'way/800-2', points: [[30, 30], [40, 30], [50, 30]] }, // prettier-ignore
    ]);
    expect(report.leftOut).toContainEqual({ reason: 'cornersMissing', count: 2, ids: ['way/100', 'way/801'] });
  });

  it('are written and read again as they are', () => {
    const { district } = found(
      collection(
        house,
        line({ highway: 'steps', name: 'Nail Steps', width: 2.5, covered: 'yes' }, at(0, 20), at(30, 21)),
        line({ highway: 'path' }, at(30, 21), at(31, 55)),
      ),
    );
    expect(found(writeDistrict(district)).district).toEqual(district);
  });
});

describe('an outline that runs through itself', () => {
  const bow: [number, number][] = [at(0, 0), at(10, 10), at(10, 0), at(0, 12), at(0, 0)];
  const touching: [number, number][] = [at(0, 0), at(5, 5), at(10, 0), at(10, 10), at(5, 5), at(0, 10), at(0, 0)];

  it('is left out and counted, one that only touches itself is not', () => {
    const { district, report } = found(
      collection(
        { ...feature({ building: 'yes' }, bow), id: 'bow' },
        { ...feature({ building: 'yes' }, touching), id: 'touching' },
        { ...feature({ building: 'yes' }, square(50, 0, 20), bow), id: 'whole' },
      ),
    );
    expect(district.buildings.map(({ id }) => id)).toEqual(['touching', 'whole']);
    expect(district.buildings[1]?.courtyards).toBeUndefined();
    expect(report.leftOut).toEqual([{ reason: 'crossesItself', count: 1, ids: ['bow'] }]);
  });
});

describe('GeoJSON', () => {
  it('takes polygons and multipolygons, feet and unnamed heights, and leaves out what encloses nothing', () => {
    const multi = {
      type: 'Feature',
      id: 'twin',
      properties: { building: 'yes', height: "33'" },
      geometry: { type: 'MultiPolygon', coordinates: [[square(0, 0, 5)], [square(20, 0, 5)]] },
    };
    const { district, report } = found(
      collection(
        multi,
        feature({ building: 'yes', height: 3, min_height: 4 }, square(50, 0, 5)),
        feature({ highway: 'x' }, square(80, 0, 5)),
      ),
    );
    expect(district.buildings.map(({ id, heightM }) => [id, heightM])).toEqual([
      ['twin-1', 33 * 0.3048],
      ['twin-2', 33 * 0.3048],
    ]);
    expect(report.leftOut).toEqual([{ reason: 'underItsBase', count: 1, ids: ['2'] }]);
  });

  it('reads back what was written, to the millimetre', () => {
    const { district } = found(osmXml());
    const again = found(writeDistrict(district), { origin: null }).district;
    expect(again).toEqual(district);
  });

  it.each([
    ['{"type": "FeatureCollection",\n "features": [}', 'not whole JSON', /line 2, column \d+/],
    ['{"type":"FeatureCollection","features":{}}', 'must be a list', /^features$/],
    [collection(feature({}, [[200, 0] as [number, number]])), 'longitude', /^features\[0\]\.geometry\.coordinates$/],
    ['{"type":"Topology"}', 'no map', /^type$/],
    ['[1]', 'no map', null],
    ['   ', 'empty', null],
    [collection(), 'no building', null],
  ])('refuses %s', (text, message, where) => {
    const said = refusal(text);
    expect(said.message).toContain(message);
    if (where === null) expect(said.where).toBeNull();
    else expect(said.where).toMatch(where);
  });
});

describe('a forecast of one’s own', () => {
  it('is read by the hour, with a heading or without, as shares or per cent', () => {
    const plain = readForecast('hour,cloud\n6,0.2\n8,0.6\n');
    expect(plain).toMatchObject({ ok: true });
    if (plain.ok) {
      expect([plain.cloudByHour[0], plain.cloudByHour[7], plain.cloudByHour[23]].map((v) => Number(v?.toFixed(3)))).toEqual([
        0.2, 0.4, 0.6,
      ]);
    }
    const percent = readForecast('2027-03-13T09:00;40 %\n2027-03-13T10:00;100 %');
    expect(percent.ok && [percent.cloudByHour[9], percent.cloudByHour[12]]).toEqual([0.4, 1]);
    // A sign on one row says nothing of the next.
    const mixed = readForecast('7,40%\n8,0.5');
    expect(mixed.ok && [mixed.cloudByHour[7], mixed.cloudByHour[8]]).toEqual([0.4, 0.5]);
  });

  it('goes on past midnight, by dates or where the hours begin again', () => {
    const hoursOf = (text: string, day?: string): readonly number[] => {
      const answer = readForecast(text, day);
      return answer.ok ? answer.cloudByHour : [];
    };
    const turning = hoursOf('22,0.2\n23,0.4\n0,0.6\n1,0.8');
    expect([turning.length, turning[21], turning[22], turning[24], turning[25], turning[35]]).toEqual([
      36, 0.2, 0.2, 0.6, 0.8, 0.8,
    ]);
    const dated = '2027-03-12T22:00,0.1\n2027-03-13T22:00,0.3\n2027-03-14T00:00,0.5\n2027-03-14T22:00,0.9';
    const ofDay = hoursOf(dated, '2027-03-13');
    expect([ofDay[22], ofDay[23], ofDay[24]].map((cloud) => Number(cloud?.toFixed(3)))).toEqual([0.3, 0.4, 0.5]);
    expect(readForecast(dated, '2027-05-01')).toMatchObject({ ok: false, message: 'The file says nothing about 2027-05-01.' });
  });

  it.each([
    ['hour,cloud\n', 'no row', null],
    ['hour,cloud\n25,0.5', 'no hour', 'line 2'],
    ['7,lots', 'no cloud', 'line 1'],
    ['7,-0.2', 'no cloud', 'line 1'],
    [`7,${'x'.repeat(10_000)}`, 'no cloud', 'line 1'],
    ['7,0.2\n'.repeat(1500), 'more than 1000 rows', null],
  ])('refuses %j', (text, message, where) => {
    const said = readForecast(text);
    expect(said).toMatchObject({ ok: false, where });
    if (!said.ok) expect(said.message).toContain(message);
    expect(JSON.stringify(said).length).toBeLessThan(300);
  });
});
