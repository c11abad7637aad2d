import type { Building } from '../light/index.js';
import {
  factsOf,
  measureLamps,
  measureLight,
  measureView,
  frameSeenAt,
  type SightFacts,
  type SightInstant,
  type SightQuestion,
  tintOf,
} from './index.js';

/** A street of 6 m between walls of 12 m, open to the south behind the camera, a house across its end. */
const wall = (west: number, east: number, south: number, north: number, heightM: number): Building => ({
  footprint: [
    [west, south],
    [east, south],
    [east, north],
    [west, north],
  ],
  heightM,
});
const STREET: SightQuestion = {
  site: {
    buildings: [wall(-15, -3, -6, 60, 12), wall(3, 15, -6, 60, 12), wall(-15, 15, 60, 70, 14)],
    ways: [{ id: 'w', kind: 'street', widthM: 6, points: [[0, -40] as const, [0, 60] as const] }],
    eastM: 0,
    northM: 0,
  },
  bearingDeg: 0,
  frame: { sensorWidthMm: 36, sensorHeightMm: 24, focalLengthMm: 28, isUpright: false, tiltDeg: 0, riseMm: 0 },
  size: { width: 150, height: 100 },
  personM: 4,
};
const view = measureView(STREET);
const light = measureLight(view);
const RAW = { kind: 'raw', overEv: 3, underEv: 7 } as const;
const instant = (azimuthDeg: number, altitudeDeg: number, over: Partial<SightInstant> = {}): SightInstant => ({
  sun: { azimuthDeg, altitudeDeg },
  cloud: 0,
  dayOfYear: null,
  areTreesInLeaf: false,
  lamps: null,
  ...over,
});
const factsAt = (at: SightInstant, exposureEv: number): SightFacts => factsOf(view, frameSeenAt(view, light, at), exposureEv, RAW);

describe('what is said of a view', () => {
  it('with the sun across the street: no sunlit ground, walls behind the person, nothing of the sun', () => {
    const facts = factsAt(instant(90, 25), 11);
    expect(facts).toMatchObject({ litGround: null, contrastEv: null, isSunInFrame: false });
    expect(facts.behind?.label).toMatch(/^(walls|windows)$/);
    expect(facts.skyShare).toBeGreaterThan(0.02);
  });
  it('with the sun along it: the ground lit from the feet on, stops over the shadow that somebody throws', () => {
    const facts = factsAt(instant(180, 35), 14);
    expect(facts.litGround?.fromM).toBeLessThan(4.2);
    // Most cells of the ground are near: 98 in 100 of the lit ones end here.
    expect(facts.litGround?.toM).toBeGreaterThan(15);
    expect(facts.contrastEv).toBeGreaterThan(2.5);
    expect(facts.contrastEv).toBeLessThan(5.5);
  });
  it('a stop more exposure shows more white and less black', () => {
    const [dark, bright] = [factsAt(instant(180, 35), 16), factsAt(instant(180, 35), 11)];
    expect(bright.whiteShare).toBeGreaterThan(dark.whiteShare);
    expect(bright.blackShare).toBeLessThanOrEqual(dark.blackShare);
  });
  it('a reading moves the whole map', () => {
    const [plain, read] = [instant(90, 25), instant(90, 25, { offsetEv: -1 })].map((at) => frameSeenAt(view, light, at).map.ev);
    expect(Math.max(...(plain as Float32Array).map((ev, cell) => Math.abs(ev - 1 - (read?.[cell] as number))))).toBeLessThan(1e-5);
  });
});

describe('lamps', () => {
  const lamps = measureLamps(view, light, 80);
  it('give exactly what the stop’s lamps give at the spot, and the ground between them is up to some stops darker', () => {
    const night = frameSeenAt(view, light, instant(0, -20, { lamps: { light: lamps, share: 1 } }));
    const dark = frameSeenAt(view, light, instant(0, -20)).map.ev;
    const lit = night.map.ev.filter((_, cell) => night.map.names[night.map.label[cell] as number] === 'ground');
    expect(Math.max(...lit) - Math.min(...lit)).toBeGreaterThan(1.5);
    expect(night.map.ev.every((ev, cell) => ev >= (dark[cell] as number) - 1e-6)).toBe(true);
    expect(measureLamps(view, light, 160).lux.every((lux, cell) => Math.abs(lux - 2 * (lamps.lux[cell] as number)) < 1e-3)).toBe(
      true,
    );
  });
  it('half of them is half of their light; bulbs are lamps, for the meter to leave out', () => {
    const [full, half] = [1, 0.5].map((share) => frameSeenAt(view, light, instant(0, -20, { lamps: { light: lamps, share } })).map);
    const cell = (STREET.size.height - 3) * STREET.size.width + 20;
    expect((full?.ev[cell] as number) - (half?.ev[cell] as number)).toBeGreaterThan(0.8);
    const bulb = full?.label.findIndex((label) => full.isLamp[label] === true) ?? -1;
    expect(bulb).toBeGreaterThanOrEqual(0);
    expect(full?.ev[bulb] as number).toBeGreaterThan(10);
  });
  it('stand beside the spot where the map has no street', () => {
    const bare = measureView({ ...STREET, site: { ...STREET.site, ways: [] } });
    const own = measureLamps(bare, measureLight(bare), 80);
    expect(own.chestLux.some((lux) => lux > 5)).toBe(true);
  });
});

it('the sun is redder the lower it stands, shade bluer than it, lamps warmer than either', () => {
  const [low, high, night] = [tintOf(0, false), tintOf(40, false), tintOf(-20, true)];
  expect([low['lit walls'], high['lit walls'], high.walls, night.walls]).toEqual([2300, 5500, 7600, 2900]);
});
