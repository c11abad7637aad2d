import { openSky, readPrism } from '../light/index.js';
import { facadeOf, meanReflectance } from './facade.js';
import {
  type FrameSize,
  measureLight,
  type MeasuredView,
  measureView,
  placeInFrame,
  SEEN,
  frameSeenAt,
  type SightFrame,
  type SightInstant,
  SIGHT_LABELS,
  type SightQuestion,
  uprightsMeetAt,
} from './index.js';

const FRAME: SightFrame = { sensorWidthMm: 36, sensorHeightMm: 24, focalLengthMm: 28, isUpright: false, tiltDeg: 0, riseMm: 0 };
const SIZE: FrameSize = { width: 120, height: 80 };
const OPEN: SightQuestion = {
  site: { buildings: [], eastM: 0, northM: 0 },
  bearingDeg: 0,
  frame: FRAME,
  size: SIZE,
  personM: null,
};
const at = (azimuthDeg: number, altitudeDeg: number): SightInstant => ({
  sun: { azimuthDeg, altitudeDeg },
  cloud: 0,
  dayOfYear: null,
  areTreesInLeaf: false,
  lamps: null,
});
/** A box ahead, so many metres off, its near side from west to east. */
const box = (nearM: number, widthM: number, heightM: number, depthM = 10) => ({
  footprint: [
    [-widthM / 2, nearM],
    [widthM / 2, nearM],
    [widthM / 2, nearM + depthM],
    [-widthM / 2, nearM + depthM],
  ] as [number, number][],
  heightM,
});
/** Lux on a cell of a wall or the ground that has no glass, off its luminance and its reflectance. */
function luxAt(view: MeasuredView, ev: Float32Array, cell: number): number {
  return (2 ** (ev[cell] as number) / 8 / (view.reflectance[cell] as number)) * Math.PI;
}

describe('the frame, by hand', () => {
  it('a person of 1.7 m at 4 m before 28 mm covers 0.496 of the height: with the eye at 1.5 m from 0.442 to 0.9375', () => {
    const head = placeInFrame(FRAME, { aheadM: 4, rightM: 0, upM: 0.2 })?.y ?? NaN;
    const feet = placeInFrame(FRAME, { aheadM: 4, rightM: 0, upM: -1.5 })?.y ?? NaN;
    expect([head, feet, feet - head].map((share) => Number(share.toFixed(4)))).toEqual([0.4417, 0.9375, 0.4958]);
  });
  it('tilted 10° up, what is 12 m high 20 m ahead comes from −0.1125 to 0.128; uprights meet at −6.12', () => {
    const tilted = { ...FRAME, tiltDeg: 10 };
    const point = { aheadM: 20, rightM: 0, upM: 10.5 };
    expect(placeInFrame(FRAME, point)?.y).toBeCloseTo(-0.1125, 4);
    expect(placeInFrame(tilted, point)?.y).toBeCloseTo(0.128, 3);
    expect(uprightsMeetAt(tilted)).toBeCloseTo(-6.12, 2);
    expect(uprightsMeetAt(FRAME)).toBeNull();
  });
  it('rows of the person are those of a pinhole, ± 1, lying and upright, level and tilted', () => {
    for (const frame of [FRAME, { ...FRAME, isUpright: true }, { ...FRAME, tiltDeg: -8 }, { ...FRAME, riseMm: 4 }]) {
      const size = frame.isUpright ? { width: 80, height: 120 } : SIZE;
      const view = measureView({ ...OPEN, frame, size, personM: 4 });
      const { label } = frameSeenAt(view, measureLight(view), at(180, 40)).map;
      const people = SIGHT_LABELS.map((name, k) => (['coat', 'skin', 'legs', 'hair', 'shirt'].includes(name) ? k : -1));
      const rows = [...label].flatMap((its, cell) => (people.includes(its) ? [Math.floor(cell / size.width)] : []));
      const row = (upM: number): number => (placeInFrame(frame, { aheadM: 4, rightM: 0, upM })?.y ?? NaN) * size.height;
      expect(Math.abs(Math.min(...rows) - row(0.1))).toBeLessThanOrEqual(1);
      expect(Math.abs(Math.max(...rows) + 1 - Math.min(size.height, row(-1.6)))).toBeLessThanOrEqual(1);
    }
  });
});

describe('light on what is seen, by hand', () => {
  const view = measureView({ ...OPEN, site: { ...OPEN.site, buildings: [box(10, 10, 10)] } });
  const light = measureLight(view);
  const plain = [...view.kind.keys()].filter((cell) => view.kind[cell] === SEEN.wall && view.glass[cell] === 0);
  const wallLux = (azimuthDeg: number): number => {
    const { ev } = frameSeenAt(view, light, at(azimuthDeg, 30)).map;
    const middle = plain.filter((cell) => Math.abs((view.z[cell] as number) - 5) < 2);
    return middle.reduce((sum, cell) => sum + luxAt(view, ev, cell), 0) / middle.length;
  };
  const evOf = (lux: number): number => Math.log2(lux / 2.5);

  it('a cube 10 m ahead, the sun square to it at 30°: ½·11.76 + 83.8·0.866 klx and a bounce of the ground: EV 15.04', () => {
    const { directNormalLux, diffuseLux } = openSky({ altitudeDeg: 30, cloud: 0, dayOfYear: null });
    expect([directNormalLux / 1000, diffuseLux / 1000].map((klx) => Number(klx.toFixed(1)))).toEqual([83.8, 11.8]);
    // The patches of the ground reach to 400 m; what the hand's sum has beyond is 0.01 EV.
    expect(Math.abs(evOf(wallLux(180)) - 15.04)).toBeLessThan(0.02);
  });
  it('with the sun behind it ½ of the sky and the bounce: EV 11.9', () => {
    expect(Math.abs(evOf(wallLux(0)) - 11.9)).toBeLessThan(0.06);
  });
  it('open ground has the model’s level light', () => {
    const { directNormalLux, diffuseLux } = openSky({ altitudeDeg: 30, cloud: 0, dayOfYear: null });
    const open = measureView(OPEN);
    const { map, shadeLux } = frameSeenAt(open, measureLight(open), at(180, 30));
    const near = (SIZE.height - 1) * SIZE.width + SIZE.width / 2;
    expect(evOf(luxAt(open, map.ev, near))).toBeCloseTo(evOf(directNormalLux / 2 + diffuseLux), 2);
    expect(shadeLux).toBeCloseTo(diffuseLux, 0);
  });
});

describe('a view', () => {
  it('of open ground claims no walls: sky over ground, and the sun where it stands', () => {
    const view = measureView(OPEN);
    expect([...new Set(view.kind)].sort()).toEqual([SEEN.sky, SEEN.ground]);
    const sight = frameSeenAt(view, measureLight(view), at(5, 8));
    expect([sight.isEyeInSun, sight.discInFrame > 0.9]).toEqual([true, true]);
    const brightest = sight.map.ev.indexOf(Math.max(...sight.map.ev));
    expect(sight.map.names[sight.map.label[brightest] as number]).toBe('sun');
    // 5° to the right and 8° up before 28 mm.
    const [column, row] = [brightest % SIZE.width, Math.floor(brightest / SIZE.width)];
    expect(Math.abs(column + 0.5 - (0.5 + (Math.tan(5 * (Math.PI / 180)) * 28) / 36) * SIZE.width)).toBeLessThan(1.6);
    expect(Math.abs(row + 0.5 - (0.5 - (Math.tan(8 * (Math.PI / 180)) * 28) / 24) * SIZE.height)).toBeLessThan(1.6);
    expect(frameSeenAt(view, measureLight(view), at(180, 8)).discInFrame).toBe(0);
  });
  it('is the same to the bit, twice', () => {
    const question = { ...OPEN, site: { ...OPEN.site, buildings: [box(12, 30, 9), box(40, 80, 20)] }, personM: 4 };
    const once = measureView(question);
    const again = measureView(question);
    expect(frameSeenAt(again, measureLight(again), at(200, 33)).map).toEqual(
      frameSeenAt(once, measureLight(once), at(200, 33)).map,
    );
  });
  it('tilted up shows the walls that a level one shows, where the pinhole has them', () => {
    const site = { ...OPEN.site, buildings: [box(20, 60, 12)] };
    const view = measureView({ ...OPEN, site, frame: { ...FRAME, tiltDeg: 15 } });
    const middle = SIZE.width / 2;
    const rows = Array.from({ length: SIZE.height }, (_, row) => row).filter(
      (row) => view.kind[row * SIZE.width + middle] === SEEN.wall,
    );
    const top = (placeInFrame({ ...FRAME, tiltDeg: 15 }, { aheadM: 20, rightM: 0, upM: 10.4 })?.y ?? NaN) * SIZE.height;
    expect(Math.abs((rows[0] as number) - top)).toBeLessThanOrEqual(1);
  });
  it('shows an arch with the sky under it, and water that mirrors', () => {
    const arch = { ...box(8, 40, 9, 6), baseM: 4 };
    const pool: [number, number][] = [
      [-30, 2],
      [30, 2],
      [30, 60],
      [-30, 60],
    ];
    const view = measureView({ ...OPEN, site: { ...OPEN.site, buildings: [arch], waters: [pool] } });
    const column = Array.from({ length: SIZE.height }, (_, row) => view.kind[row * SIZE.width + SIZE.width / 2] as number);
    const order = column.filter((kind, k) => kind !== column[k - 1]);
    expect(order).toEqual([SEEN.hanging, SEEN.sky, SEEN.ground, SEEN.water]);
    const { ev } = frameSeenAt(view, measureLight(view), at(180, 40)).map;
    const of = (kind: number): number[] => [...ev].filter((_, cell) => view.kind[cell] === kind);
    // Flat looks mirror the sky, steep ones show the dark of the water.
    expect(Math.max(...of(SEEN.water)) - Math.min(...of(SEEN.water))).toBeGreaterThan(2);
  });
  it.each([
    [{ bearingDeg: NaN }, /bearingDeg/],
    [{ frame: { ...FRAME, focalLengthMm: 0 } }, /frame\.focalLengthMm/],
    [{ frame: { ...FRAME, tiltDeg: 90 } }, /frame\.tiltDeg/],
    [{ personM: -1 }, /personM/],
    [{ size: { width: 0, height: 10 } }, /size\.width/],
  ])('refuses %j', (wrong, message) => {
    expect(() => measureView({ ...OPEN, ...wrong })).toThrow(message);
  });
});

it('made-up façades reflect 0.35 on the mean, ± 0.02', () => {
  const walls = Array.from({ length: 400 }, (_, k) => ({ lengthM: 4 + (k % 17), topM: 6 + (k % 11) }));
  const sum = walls.reduce((total, { lengthM, topM }, k) => total + meanReflectance(facadeOf(k, 3 * k, lengthM, topM), lengthM), 0);
  expect(Math.abs(sum / walls.length - 0.35)).toBeLessThan(0.02);
});

it('what is built lies to the left of every edge: outlines of either winding give walls that face outwards', () => {
  const square = box(10, 10, 10);
  const turned = { ...square, footprint: [...square.footprint].reverse() };
  for (const house of [square, turned]) {
    const [prism] = [readPrism(house, 'house')];
    expect(prism.rings).toHaveLength(1);
    const view = measureView({ ...OPEN, site: { ...OPEN.site, buildings: [house] } });
    const middle = (SIZE.height / 2) * SIZE.width + SIZE.width / 2;
    expect(view.kind[middle]).toBe(SEEN.wall);
    expect(view.distanceM[middle]).toBeCloseTo(10, 3);
  }
});
