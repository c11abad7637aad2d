import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Stop } from '../stop/index.js';
import type { District } from '../streets/index.js';
import type { Walk } from '../walk/index.js';
import {
  apartIn,
  daylightOf,
  type PlanningData,
  lightFor,
  lightInputFor,
  metresOutside,
  middleOfDistrict,
  placedStop,
  placeOf,
  siteOf,
} from './index.js';

const STORED = JSON.parse(readFileSync(join(import.meta.dirname, '../../reference/archives/v2.json'), 'utf8')) as PlanningData & {
  readonly walks: readonly Walk[];
};
const STOP = STORED.walks[0]?.stops.find(({ position }) => position !== null) as Stop;

/** A degree of latitude is 111,195.08 m on the sphere of the model; one of longitude at the equator the same. */
const DEGREE_M = 111_195.08;
/** A square of 200 m round 0° N 0° E. */
const MAP: District = {
  id: 'map',
  name: 'Map',
  origin: { latitude: 0, longitude: 0 },
  buildings: [
    {
      id: 'a',
      footprint: [
        [-100, -100],
        [-90, -100],
        [-90, -90],
      ],
      heightM: 9,
      heightSource: 'given',
    },
    {
      id: 'b',
      footprint: [
        [90, 90],
        [100, 90],
        [100, 100],
      ],
      heightM: 9,
      heightSource: 'given',
    },
  ],
  trees: [],
  waters: [],
};
const HOLDINGS: PlanningData = { ...STORED, districts: [MAP] };

function walkAt(latitude: number, longitude: number, stopAt: Stop['position'], districtId: string | null = 'map'): Walk {
  const place = { name: 'Here', timeZone: 'UTC', isInvented: false, latitude, longitude };
  return { ...(STORED.walks[0] as Walk), place, districtId, stops: [{ ...STOP, id: 's', position: stopAt }] };
}

describe('where things lie', () => {
  it('measures how far outside a map a place is, and finds its middle', () => {
    expect(metresOutside(MAP, { latitude: 0.0005, longitude: -0.0005 })).toBe(0);
    expect(metresOutside(MAP, { latitude: 1, longitude: 0 })).toBeCloseTo(DEGREE_M - 100, 1);
    expect(metresOutside({ ...MAP, buildings: [] }, { latitude: 0, longitude: 1 })).toBeCloseTo(DEGREE_M, 1);
    expect(middleOfDistrict(MAP).latitude).toBeCloseTo(0, 9);
    expect(middleOfDistrict({ ...MAP, buildings: MAP.buildings.slice(0, 1) })).toEqual({
      latitude: expect.closeTo(-95 / DEGREE_M, 9) as number,
      longitude: expect.closeTo(-95 / DEGREE_M, 9) as number,
    });
  });

  it('says of a walk what lies farther apart than a day on foot, and how far', () => {
    expect(apartIn(HOLDINGS, walkAt(0, 0, { latitude: 0.3, longitude: 0 }))).toEqual([]);
    const far = apartIn(HOLDINGS, walkAt(10, 0, { latitude: 0, longitude: 2 }));
    expect(far.map(({ kind, distanceM }) => [kind, Math.round(distanceM / 1000)])).toEqual([
      ['walkFromMap', 1112],
      ['stopFromMap', 222],
    ]);
    const without = apartIn(HOLDINGS, walkAt(10, 0, { latitude: 0, longitude: 0 }, null));
    expect(without).toEqual([{ kind: 'stopFromWalk', stopId: 's', distanceM: expect.closeTo(10 * DEGREE_M, -1) as number }]);
    expect(apartIn(HOLDINGS, walkAt(10, 0, null, null))).toEqual([]);
  });

  it('gives a stop the sun of its own place, and of the walk’s as long as it has none', () => {
    const [own, other] = [walkAt(10, 0, { latitude: -40, longitude: 5 }), walkAt(10, 0, null)];
    expect(placeOf(own, own.stops[0] as Stop)).toEqual({ latitude: -40, longitude: 5 });
    expect(lightInputFor(HOLDINGS, own, own.stops[0] as Stop)).toMatchObject({ latitude: -40, longitude: 5, timeZone: 'UTC' });
    expect(lightInputFor(HOLDINGS, other, other.stops[0] as Stop)).toMatchObject({ latitude: 10, longitude: 0 });
    const noon = (walk: Walk): number => lightFor(walk, walk.stops[0] as Stop, 720, null)?.sun.altitudeDeg ?? NaN;
    const day = (walk: Walk): Walk => ({ ...walk, day: '2027-06-21' });
    // At the solstice the sun stands 23.44° north: 90 - 63.44 at 40° S (5° E is 20 min past noon: a little less), 90 - 13.44 at 10° N.
    expect(noon(day(own))).toBeCloseTo(26.3, 0);
    expect(noon(day(other))).toBeCloseTo(76.5, 0);
  });

  it('knows no walls where the map is white', () => {
    const site = (latitude: number): string => {
      const walk = walkAt(0, 0, { latitude, longitude: 0 });
      return siteOf(HOLDINGS, walk, walk.stops[0] as Stop).kind;
    };
    expect([site(0), site(190 / DEGREE_M), site(210 / DEGREE_M)]).toEqual(['district', 'district', 'none']);
  });
});

describe('a stop put down on a map', () => {
  /** A street of 6 m that runs east and west through the origin. */
  const wall = (id: string, southM: number): District['buildings'][number] => ({
    id,
    footprint: [
      [-60, southM],
      [60, southM],
      [60, southM + 8],
      [-60, southM + 8],
    ],
    heightM: 9,
    heightSource: 'given',
  });
  const STREET: District = { ...MAP, buildings: [wall('n', 3), wall('s', -11)] };
  const nowhere: Stop = { ...STOP, position: null, streetAxisDeg: 10, streetWidthM: 20, shootingBearingDeg: 10 };

  it('takes the street from the walls when it stood nowhere before, and only its place when it moves', () => {
    const placed = placedStop(STREET, nowhere, { eastM: 5, northM: 1 });
    expect(placed).toMatchObject({ streetAxisDeg: 90, streetWidthM: 6, shootingBearingDeg: 90 });
    expect(placed.position?.longitude).toBeCloseTo(5 / DEGREE_M, 7);
    const moved = placedStop(STREET, { ...placed, streetAxisDeg: 45 }, { eastM: 20, northM: 0 });
    expect(moved).toMatchObject({ streetAxisDeg: 45, streetWidthM: 6 });
    expect(moved.position?.longitude).toBeCloseTo(20 / DEGREE_M, 7);
  });
  it('leaves what was said of the street where there are no walls', () => {
    expect(placedStop(MAP, nowhere, { eastM: 0, northM: 0 })).toMatchObject({ streetAxisDeg: 10, streetWidthM: 20 });
  });
});

describe('the light of a walk’s day', () => {
  const on = (day: string, latitude: number): ReturnType<typeof daylightOf> =>
    daylightOf({ day, place: { name: 'Here', timeZone: 'UTC', isInvented: true, latitude, longitude: 0 } });
  it('goes from first to last light; all day in a polar summer, not at all in a polar winter', () => {
    // At the equator and an equinox the sun takes 24 minutes for six degrees: noon is at 12:07, day 12 h 7 min with refraction.
    const day = on('2027-03-20', 0);
    expect(day?.fromMin).toBeGreaterThan(342 - 3);
    expect(day?.fromMin).toBeLessThan(346);
    expect((day?.toMin ?? 0) - (day?.fromMin ?? 0)).toBeGreaterThan(765);
    expect((day?.toMin ?? 0) - (day?.fromMin ?? 0)).toBeLessThan(771);
    expect(on('2027-06-21', 80)).toEqual({ fromMin: 0, toMin: 1440 });
    expect(on('2027-12-21', 85)).toBeNull();
  });
});
