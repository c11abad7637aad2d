import { METER_PATTERNS, type MeterPattern } from '../../kit/index.js';
import type { LuminanceMap } from '../map/luminanceMap.js';
import { paintScene } from '../map/paintScene.js';
import type { SceneDescription } from '../map/scene.js';
import { BUILT_IN_SCENES } from '../scenes/index.js';
import { answerOf, ENOUGH_OF_SPOT } from './compensation.js';
import { keyOnMap } from './keyOnMap.js';
import { evAbove, focusZones, patternEv, spotRadius, zoneEvs } from './patterns.js';
import { prepareMap } from './prepareMap.js';

const MIDDLE = { x: 0.75, y: 0.5 };

/** A map whose cells are what a function of column and row says. */
function mapOf(evAt: (column: number, row: number) => number, { width = 210, height = 140, isLamp = false } = {}): LuminanceMap {
  const ev = Float32Array.from({ length: width * height }, (_, k) => evAt(k % width, Math.floor(k / width)));
  return { width, height, ev, label: new Uint8Array(width * height), names: ['all'], isLamp: [isLamp] };
}
const readOf = (map: LuminanceMap, pattern: MeterPattern, at = MIDDLE, over: { lampsMayBurn?: boolean } = {}): number =>
  patternEv(prepareMap(map), { pattern, at, straightOverEv: 2.3, ...over });

describe('patterns on a map', () => {
  it('read a card that fills the frame as it is; highlight one stop less, by its cap', () => {
    // 18 % reads 0.196 over the incident light, white of 90 % 2.518 over it.
    for (const reflectance of [0.04, 0.18, 0.9]) {
      const card = mapOf(() => 10 + Math.log2(reflectance / ((Math.PI * 12.5) / 250)));
      const over = Math.log2(reflectance / 0.1570796);
      for (const pattern of METER_PATTERNS) {
        expect(readOf(card, pattern) - 10 - over).toBeCloseTo(pattern === 'highlightWeighted' ? -1 : 0, 2);
      }
    }
  });
  it('take very bright cards for white: half a stop less a stop over EV 15, a stop at most', () => {
    expect(
      readOf(
        mapOf(() => 16),
        'multiZone',
      ),
    ).toBeCloseTo(15.5, 3);
    expect(
      readOf(
        mapOf(() => 19),
        'multiZone',
      ),
    ).toBeCloseTo(18, 3);
  });
  it('average luminance over the frame: a quarter at EV 12, the rest at EV 8', () => {
    const split = mapOf((column) => (column < 52.5 ? 12 : 8), { width: 212 });
    expect(readOf(split, 'wholeFrame')).toBeCloseTo(Math.log2((53 * 2 ** 12 + 159 * 2 ** 8) / 212), 3);
  });
  it('weigh the middle: three quarters of a disc half as high as the frame', () => {
    const disc = mapOf((column, row) => (Math.hypot(column + 0.5 - 105, row + 0.5 - 70) <= 35 ? 12 : 9));
    expect(readOf(disc, 'centreWeighted')).toBeCloseTo(Math.log2(0.75 * 2 ** 12 + 0.25 * 2 ** 9), 3);
  });
  it('read a spot of 2.5 % of the frame where it is put, cut by the frame', () => {
    expect(spotRadius({ width: 3, height: 2 })).toBeCloseTo(Math.sqrt((0.025 * 1.5) / Math.PI), 12);
    const half = mapOf((column) => (column < 105 ? 6 : 10));
    expect(readOf(half, 'spot', { x: 0.2, y: 0.5 })).toBeCloseTo(6, 3);
    expect(readOf(half, 'spot', MIDDLE)).toBeCloseTo(Math.log2((2 ** 6 + 2 ** 10) / 2), 3);
    expect(readOf(half, 'spot', { x: 9, y: -4 })).toBeCloseTo(10, 3);
  });
  it('saturate four stops over the reading: a lamp of one cell does not draw it up for ever', () => {
    // The fixed point: E = log2((n − 1)·2^5 + 2^(E + 4)) / n with n = 29400.
    const [dim, brighter] = [16, 30].map((lamp) =>
      readOf(
        mapOf((column, row) => (column === 7 && row === 7 ? lamp : 5)),
        'wholeFrame',
      ),
    );
    expect(dim).toBeCloseTo(Math.log2((29_399 * 32) / (29_400 - 16)), 3);
    expect(brighter).toBeCloseTo(dim as number, 6);
  });
  it('keep all but 0.2 % of the highlights under what a straight picture holds; lamps out where they may burn', () => {
    const steps = mapOf((column, row) => (row * 210 + column) / 29_400);
    // 58 cells of 29400 lie above it.
    expect(evAbove(prepareMap(steps), 0.002, false)).toBeCloseTo(29_341 / 29_400, 6);
    const lamp = (isLamp: boolean) => {
      const map = mapOf((column) => (column < 10 ? 14 : 6));
      return { ...map, label: map.label.map((_, k) => (k % 210 < 10 ? 1 : 0)), names: ['all', 'lamp'], isLamp: [false, isLamp] };
    };
    const kept = readOf(lamp(true), 'highlightWeighted', MIDDLE);
    expect(kept).toBeCloseTo(14 - (2.3 - 1 / 3), 6);
    const whole = readOf(lamp(true), 'wholeFrame');
    expect(readOf(lamp(true), 'highlightWeighted', MIDDLE, { lampsMayBurn: true })).toBeCloseTo(whole - 1, 6);
  });
  it('favour the zones round the focus, kept within the frame, and leave glare aside', () => {
    expect(focusZones({ width: 3, height: 2 }, { x: 0, y: 0 })).toEqual([0, 0]);
    expect(focusZones({ width: 3, height: 2 }, MIDDLE)).toEqual([2, 1]);
    expect(focusZones({ width: 3, height: 2 }, { x: 1.5, y: 1 })).toEqual([4, 2]);
    // One zone of 35 at EV 12, the rest at 8: in the focus it counts 4, outside ¼.
    const glare = mapOf((column, row) => (column < 30 && row < 28 ? 12 : 8));
    expect(zoneEvs(prepareMap(glare))[0]).toBeCloseTo(12, 3);
    const mean = (weight: number, others: number) => Math.log2((weight * 2 ** 8.4 + others * 2 ** 5.6) / (weight + others)) / 0.7;
    expect(readOf(glare, 'multiZone', { x: 0.1, y: 0.1 })).toBeCloseTo(mean(4, 8 * 4 + 26), 3);
    expect(readOf(glare, 'multiZone', MIDDLE)).toBeCloseTo(mean(0.25, 9 * 4 + 25), 3);
  });
});

/** What experience dials for the first key of each scene: whole frame, and the spot’s sign where it differs. */
const EXPECTED: Readonly<Record<string, { readonly whole: number; readonly highlight?: number }>> = {
  whiteWall: { whole: 5 / 3, highlight: 2 / 3 },
  darkCoats: { whole: -4 / 3, highlight: -1 },
  lightPool: { whole: -5 / 3, highlight: -1 },
  silhouetteScreen: { whole: -2 / 3 },
  backLitLane: { whole: 5 / 3, highlight: 10 / 3 },
  nightSquare: { whole: -4 / 3, highlight: 3 },
  snow: { whole: 5 / 3, highlight: 2 / 3 },
  stageNear: { whole: -3, highlight: -1 },
  stageBack: { whole: -4.5 },
  windowInside: { whole: 2 },
  wetStreet: { whole: 1 / 3 },
  evenStreet: { whole: 1 / 3 },
  arcade: { whole: -1 },
};

describe('the built-in scenes', () => {
  const answersOf = (scene: SceneDescription, keyAt = 0) => {
    const map = prepareMap(paintScene(scene, { width: 612, height: 408 }));
    const key = keyOnMap(map, scene.keys[keyAt] ?? scene.keys[0]);
    if (key === null) throw new Error(scene.id);
    return (pattern: MeterPattern) =>
      answerOf(map, key, {
        pattern,
        at: scene.focus,
        body: { straightOverEv: 2.3, markStep: 'third' },
        school: 'hold',
        medium: { kind: 'raw' },
      });
  };
  it.each(BUILT_IN_SCENES.map((scene) => [scene.id, scene] as const))('%s asks for what experience dials', (id, scene) => {
    const answer = answersOf(scene);
    const expected = EXPECTED[id];
    // Half a stop: other people’s scenes are not these.
    expect(Math.abs(answer('wholeFrame').compensationEv - (expected?.whole ?? NaN))).toBeLessThan(0.5);
    if (expected?.highlight !== undefined) {
      expect(Math.abs(answer('highlightWeighted').compensationEv - expected.highlight)).toBeLessThan(0.75);
    }
  });
  it('are read rightly by a spot that is all key, up to the texture; one that is not is told of', () => {
    const wall = answersOf(BUILT_IN_SCENES.find(({ id }) => id === 'whiteWall') as SceneDescription)('spot');
    expect(wall.keyShare).toBe(1);
    expect(wall.compensationEv).toBeGreaterThan(1.8);
    const back = answersOf(BUILT_IN_SCENES.find(({ id }) => id === 'stageBack') as SceneDescription);
    expect(back('spot').keyShare).toBeLessThan(ENOUGH_OF_SPOT);
    expect(back('wholeFrame').dial).toEqual({ kind: 'byHand' });
  });
  it('differ by what the picture is about: the face of a back-lit walker at 0 asks for more than their side at −2', () => {
    const lane = BUILT_IN_SCENES.find(({ id }) => id === 'backLitLane') as SceneDescription;
    const [side, face] = [0, 1].map((key) => answersOf(lane, key)('wholeFrame').compensationEv) as [number, number];
    expect(face - side).toBeGreaterThan(0.3);
    expect(face).toBeGreaterThan(1.5);
  });
  it('are measured on a small map as on the full one', () => {
    for (const scene of BUILT_IN_SCENES.slice(0, 4)) {
      const at = (width: number, height: number) => prepareMap(paintScene(scene, { width, height }));
      const [small, full] = [at(204, 136), at(1224, 816)];
      for (const pattern of ['wholeFrame', 'centreWeighted', 'multiZone'] as const) {
        const ask = { pattern, at: scene.focus, straightOverEv: 2.3 };
        expect(Math.abs(patternEv(small, ask) - patternEv(full, ask))).toBeLessThan(0.05);
      }
    }
  });
});
