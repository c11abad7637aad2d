import fc from 'fast-check';
import { finish } from '../../units/index.js';
import { readRow } from '../reading/index.js';
import { DEFAULT_DISTRICT_OPTIONS, type ReadDistrict, readDistrictSteps } from './index.js';

const read = (file: unknown): ReadDistrict =>
  finish(
    readDistrictSteps(typeof file === 'string' ? file : JSON.stringify(file), {
      ...DEFAULT_DISTRICT_OPTIONS,
      id: 'd',
      name: 'Upper town',
      origin: null,
    }) as Generator<never, ReadDistrict>,
  );
function taken(file: unknown): Extract<ReadDistrict, { ok: true }> {
  const result = read(file);
  if (!result.ok) throw new Error(`${result.message} ${result.where ?? ''}`);
  return result;
}

type Corner = readonly [number, number];
const STEP = 1e-4;
/** A square of nodes, with ids from `first`, and the way that closes it. */
function block(first: number, [east, north]: Corner, side = 1, tags?: object): { nodes: object[]; way: object } {
  const corners: Corner[] = [
    [0, 0],
    [side, 0],
    [side, side],
    [0, side],
  ];
  const nodes = corners.map(([x, y], k) => ({ type: 'node', id: first + k, lon: (east + x) * STEP, lat: (north + y) * STEP }));
  const refs = corners.map((_, k) => first + k);
  return { nodes, way: { type: 'way', id: first, nodes: [...refs, first], ...(tags === undefined ? {} : { tags }) } };
}
const relation = (id: number, tags: object, members: readonly (readonly [ref: number, role: string])[]): object => ({
  type: 'relation',
  id,
  tags,
  members: members.map(([ref, role]) => ({ type: 'way', ref, role })),
});
const osm = (...parts: (ReturnType<typeof block> | object)[]): object => ({
  elements: parts.flatMap((part) =>
    'nodes' in part && 'way' in part ? [...(part.nodes as object[]), part.way] : [part],
  ) as object[],
});
const heights = (file: object): [string, number][] => taken(file).district.buildings.map(({ id, heightM }) => [id, heightM]);

describe('buildings that belong to something else', () => {
  it('stay: the inners of a square, the outers of a landuse, the members of a site', () => {
    const house = block(100, [0, 0], 1, { building: 'yes', height: '11' });
    for (const [tags, role] of [
      [{ type: 'multipolygon', highway: 'pedestrian' }, 'inner'],
      [{ type: 'multipolygon', landuse: 'residential' }, 'outer'],
      [{ type: 'site', name: 'Works' }, ''],
    ] as const) {
      expect(heights(osm(house, relation(1, tags, [[100, role]])))).toEqual([['way/100', 11]]);
    }
  });
  it('have their outline’s tags from their relation, and their parts besides', () => {
    const outline = block(100, [0, 0], 4);
    const part = block(200, [1, 1], 1, { 'building:part': 'yes', height: '30' });
    const other = block(300, [10, 0], 1, { building: 'yes' });
    const whole = relation(1, { type: 'building', building: 'church', height: '14' }, [
      [100, 'outline'],
      [200, 'part'],
    ]);
    // The outline stands aside for its part.
    expect(heights(osm(outline, part, other, whole))).toEqual([
      ['way/200', 30],
      ['way/300', 9],
    ]);
    expect(heights(osm(outline, other, whole))).toEqual([
      ['way/100', 14],
      ['way/300', 9],
    ]);
  });
  it('take the tags of the outer way where the ring has none, with its courtyard, once', () => {
    const outer = block(100, [0, 0], 4, { building: 'yes', height: '9' });
    const inner = block(200, [1, 1], 2);
    const { district } = taken(
      osm(
        outer,
        inner,
        relation(1, { type: 'multipolygon' }, [
          [100, 'outer'],
          [200, 'inner'],
        ]),
      ),
    );
    expect(district.buildings).toHaveLength(1);
    expect(district.buildings[0]?.courtyards).toHaveLength(1);
  });
});

describe('what is no building', () => {
  it('does not become one: a park and a roundabout alone are a file without', () => {
    const park = block(100, [0, 0], 3, { leisure: 'park' });
    const roundabout = block(200, [5, 0], 1, { highway: 'residential', junction: 'roundabout' });
    expect(read(osm(park, roundabout))).toMatchObject({ ok: false, message: expect.stringContaining('no building') as string });
  });
  it('and what is not whole is left out, with its reason and its name', () => {
    const house = block(100, [0, 0], 1, { building: 'yes' });
    const eight = { type: 'way', id: 9, nodes: [100, 101, 102, 103, 901, 902, 903, 904, 100], tags: { building: 'yes' } };
    const open = { type: 'way', id: 8, nodes: [100, 101, 102], tags: { building: 'yes' } };
    const ring = relation(7, { type: 'multipolygon', building: 'yes' }, [[999, 'outer']]);
    const { district, report } = taken(osm(house, eight, open, ring));
    expect(district.buildings).toHaveLength(1);
    expect(report.leftOut).toEqual([
      { reason: 'cornersMissing', count: 2, ids: ['relation/7', 'way/9'] },
      { reason: 'notClosed', count: 1, ids: ['way/8'] },
    ]);
  });
});

describe('files that try it on', () => {
  const house = { type: 'Feature', id: 'h', properties: { building: 'yes' }, geometry: square(0, 0) };
  function square(east: number, north: number): object {
    const ring = [
      [east, north],
      [east + STEP, north],
      [east + STEP, north + STEP],
      [east, north + STEP],
      [east, north],
    ];
    return { type: 'Polygon', coordinates: [ring] };
  }
  const collection = (...features: unknown[]): object => ({ type: 'FeatureCollection', features });

  it.each([
    ['a height over what houses reach', { ...house, properties: { building: 'yes', height: '9000' } }, 'outOfRange'],
    ['a base over its top', { ...house, properties: { building: 'yes', height: '3', min_height: '4' } }, 'underItsBase'],
    ['an outline of 20,001 corners', { ...house, geometry: circle(20_001) }, 'outOfRange'],
    ['far outside of any town', { ...house, geometry: square(80, 40) }, 'outOfRange'],
  ])('%s is left out', (_, feature, reason) => {
    const many = Array.from({ length: 9 }, (__, k) => ({ ...house, geometry: square(k * STEP * 2, 0) }));
    // Nine houses near the equator, and the origin among them.
    const { district, report } = taken({ ...collection(...many, feature), origin: [0, 0] });
    expect(district.buildings).toHaveLength(9);
    expect(report.leftOut).toEqual([{ reason, count: 1, ids: ['h'] }]);
  });
  function circle(corners: number): object {
    const at = (k: number): [number, number] => [
      STEP * Math.cos((2 * Math.PI * k) / corners),
      STEP * Math.sin((2 * Math.PI * k) / corners),
    ];
    return { type: 'Polygon', coordinates: [[...Array.from({ length: corners }, (_, k) => at(k)), at(0)]] };
  }

  it('ids and names are cut to what an archive holds, and are never empty or twice', () => {
    const long = { ...house, id: 'x'.repeat(400), properties: { building: 'yes', name: 'n'.repeat(900) } };
    const { district } = taken(collection(long, long, { ...house, id: '' }));
    expect(new Set(district.buildings.map(({ id }) => id)).size).toBe(3);
    expect(readRow('districts', JSON.parse(JSON.stringify(district)), 2).ok).toBe(true);
  });
  it('a tree with no crown or one that begins over its top is left out, and the light of the rest stays', () => {
    const tree = (properties: object): object => ({
      type: 'Feature',
      properties: { natural: 'tree', ...properties },
      geometry: { type: 'Point', coordinates: [0, 0] },
    });
    const { district, report } = taken(
      collection(house, tree({}), tree({ diameter_crown: '0.0005' }), tree({ height: '4', min_height: '5' })),
    );
    expect(district.trees).toHaveLength(1);
    expect(report.leftOut.map(({ reason, count }) => [reason, count])).toEqual([
      ['underItsBase', 1],
      ['outOfRange', 1],
    ]);
  });
  it.each([
    [
      'a height of a quarter of a million blanks',
      collection({ ...house, properties: { building: 'yes', height: `1${' '.repeat(250_000)}x` } }),
    ],
    [
      'five thousand tags',
      osm(block(1, [0, 0], 1, { ...Object.fromEntries(Array.from({ length: 5000 }, (_, k) => [`k${k}`, 'v'])), building: 'yes' })),
    ],
    [
      'a relation that contains itself',
      osm(block(1, [0, 0], 1, { building: 'yes' }), {
        type: 'relation',
        id: 1,
        tags: { type: 'multipolygon', building: 'yes' },
        members: [{ type: 'relation', ref: 1, role: 'outer' }],
      }),
    ],
    [
      'nesting without end',
      `{"type":"Feature","geometry":{"type":"Polygon","coordinates":${'['.repeat(100_000)}${']'.repeat(100_000)}}}`,
    ],
    ['objects for numbers', osm({ type: 'node', id: {}, lat: [], lon: null })],
    [
      'members that are null',
      osm(block(1, [0, 0]), { type: 'relation', id: 2, tags: { type: 'multipolygon', building: 'yes' }, members: [null] }),
    ],
    ['an origin of lists', { ...collection(house), origin: [[1, 2]] }],
    ['a map of the pole', collection({ ...house, geometry: square(0, 89.9) })],
  ])('%s is read or refused in words', (_, file) => {
    const result = read(file);
    if (!result.ok) expect(result.message).toMatch(/^(The file|There|This) [a-zA-Z ]+/);
  });

  /** Something in a JSON value replaced by something else. */
  function spoilt(value: unknown, path: number[], by: unknown): unknown {
    if (typeof value !== 'object' || value === null || path.length === 0) return by;
    const keys = Object.keys(value);
    if (keys.length === 0) return by;
    const key = keys[(path[0] as number) % keys.length] as string;
    const inside = spoilt((value as Record<string, unknown>)[key], path.slice(1), by);
    return Array.isArray(value)
      ? value.map((one, k) => (String(k) === key ? inside : (one as unknown)))
      : { ...value, [key]: inside };
  }
  const junk = fc.oneof(
    fc.constantFrom<unknown>(null, {}, [], '', 'yes', NaN, -1, 1e300, 181, 91, true, [[]], '1e9', '12 ft', [0, 0], {
      building: 'yes',
    }),
    fc.double(),
    fc.string({ maxLength: 12 }),
  );
  const pond = { type: 'Feature', properties: { natural: 'water' }, geometry: square(3 * STEP, 0) };
  const lime = {
    type: 'Feature',
    properties: { natural: 'tree', height: 7, min_height: 2, diameter_crown: 5 },
    geometry: { type: 'Point', coordinates: [0, 0] },
  };
  const yard = relation(5, { type: 'multipolygon', building: 'yes', height: '12' }, [
    [10, 'outer'],
    [20, 'inner'],
  ]);
  it.each([
    ['GeoJSON', collection(house, pond, lime)],
    [
      'the query service’s JSON',
      osm(block(10, [0, 0], 4), block(20, [1, 1]), yard, block(30, [9, 0], 1, { building: 'yes', 'building:levels': '2' })),
    ],
  ])('whatever of %s is taken in can be written and read again; nothing throws', (_, file) => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.array(fc.nat(20), { minLength: 1, maxLength: 8 }), junk), { minLength: 1, maxLength: 3 }),
        (changes) => {
          const result = read(changes.reduce<unknown>((now, [path, by]) => spoilt(now, path, by), file));
          if (!result.ok) return;
          expect(readRow('districts', JSON.parse(JSON.stringify(result.district)), 2)).toEqual({ ok: true, row: result.district });
        },
      ),
      { numRuns: 600 },
    );
  });
  it('whatever of XML is taken in can be written and read again; nothing throws', () => {
    const xml = `<osm><node id="1" lat="0" lon="0"/><node id="2" lat="0" lon="0.0001"/><node id="3" lat="0.0001" lon="0.0001"/><way id="4"><nd ref="1"/><nd ref="2"/><nd ref="3"/><nd ref="1"/><tag k="building" v="yes"/><tag k="height" v="9"/></way></osm>`;
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.nat(xml.length), fc.nat(9), fc.string({ maxLength: 4 })), { minLength: 1, maxLength: 3 }),
        (cuts) => {
          const text = cuts.reduce((now, [at, length, by]) => now.slice(0, at) + by + now.slice(at + length), xml);
          const result = read(text);
          if (result.ok) expect(readRow('districts', JSON.parse(JSON.stringify(result.district)), 2).ok).toBe(true);
        },
      ),
      { numRuns: 600 },
    );
  });
});
