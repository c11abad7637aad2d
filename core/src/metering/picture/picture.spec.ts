import fc from 'fast-check';
import { MID_GREY, toneOf } from '../curve.js';
import type { LuminanceMap } from '../map/luminanceMap.js';
import { prepareMap } from '../patterns/prepareMap.js';
import { renderMap } from './render.js';
import { toneHistogram } from './toneHistogram.js';
import { castOf, chromaticityOf, warmthMired } from './whiteBalance.js';

const RAW = { kind: 'raw', overEv: 3, underEv: 8 } as const;
const mapOf = (evs: readonly number[]): LuminanceMap => ({
  width: evs.length,
  height: 1,
  ev: Float32Array.from(evs),
  label: new Uint8Array(evs.length),
  names: ['all'],
  isLamp: [false],
});

describe('a picture of a map', () => {
  it('has mid-grey at 118, white from what is over, black from what is under', () => {
    const map = prepareMap(mapOf([10, 13.1, 1.9, 11]));
    const bytes = renderMap(map, { medium: RAW, exposureEv: 10, whiteBalanceK: null });
    const at = (k: number) => Array.from(bytes.slice(4 * k, 4 * k + 4));
    // Bins are a 32nd of a stop.
    expect(Math.abs((at(0)[0] as number) - 118)).toBeLessThanOrEqual(2);
    expect([at(1), at(2)]).toEqual([
      [255, 255, 255, 255],
      [0, 0, 0, 255],
    ]);
    expect(at(3)[0]).toBeGreaterThan(at(0)[0] as number);
  });
  it('shows lamps orange and a dusky sky blue by daylight, both grey where they are what is taken for white', () => {
    const map = prepareMap(mapOf([10]));
    const rgb = (lightK: number, whiteBalanceK: number) =>
      renderMap(map, { medium: RAW, exposureEv: 10, whiteBalanceK, kelvin: { all: lightK } });
    const [red, green, blue] = rgb(2900, 5500) as unknown as [number, number, number];
    expect([red > green, green > blue]).toEqual([true, true]);
    const sky = rgb(11_000, 5500);
    expect((sky[2] as number) > (sky[0] as number)).toBe(true);
    const own = rgb(2900, 2900);
    expect(own[0]).toBe(own[2]);
  });
});

describe('white balance', () => {
  it('knows the colours of hot bodies: illuminant A, 2856 K, at 0.4476, 0.4075 (CIE 15)', () => {
    const [x, y] = chromaticityOf(2856);
    expect(x).toBeCloseTo(0.4476, 3);
    expect(y).toBeCloseTo(0.4075, 3);
  });
  it('keeps the luminance: the three channels’ casts weigh out', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1800, max: 14_000 }), fc.integer({ min: 1800, max: 14_000 }), (light, white) => {
        const [r, g, b] = castOf(light, white);
        return Math.abs(0.2126 * 2 ** r + 0.7152 * 2 ** g + 0.0722 * 2 ** b - 1) < 1e-9;
      }),
    );
  });
  it('differs by 163 mired between lamps of 2900 K and 5500 K', () => {
    expect(warmthMired(2900, 5500)).toBeCloseTo(163, 0);
  });
});

describe('the histogram', () => {
  it('has what is beyond either end apart, and the rest in its columns', () => {
    const { histogram } = prepareMap(mapOf([10, 10, 14, 1]));
    const found = toneHistogram(histogram, RAW, 10);
    expect([found.beyondBlack, found.beyondWhite]).toEqual([0.25, 0.25]);
    const grey = Math.floor(MID_GREY * found.columns.length);
    expect((found.columns[grey] ?? 0) + (found.columns[grey - 1] ?? 0) + (found.columns[grey + 1] ?? 0)).toBeCloseTo(0.5, 9);
  });
  it('does not comb: a ramp of EV leaves no empty column between full ones', () => {
    const ramp = Array.from({ length: 4000 }, (_, k) => 4 + (k / 4000) * 8.5);
    const { columns } = toneHistogram(prepareMap(mapOf(ramp)).histogram, RAW, 10);
    const first = columns.findIndex((share) => share > 0);
    const last = columns.length - 1 - [...columns].reverse().findIndex((share) => share > 0);
    expect(columns.slice(first, last).every((share) => share > 0)).toBe(true);
  });
  it('loses and adds nothing', () => {
    const anyMap = fc.array(fc.double({ min: -10, max: 30, noNaN: true }), { minLength: 1, maxLength: 60 });
    fc.assert(
      fc.property(anyMap, fc.double({ min: 0, max: 20, noNaN: true }), (evs, exposureEv) => {
        const { columns, beyondBlack, beyondWhite } = toneHistogram(prepareMap(mapOf(evs)).histogram, RAW, exposureEv);
        return Math.abs(columns.reduce((a, b) => a + b, 0) + beyondBlack + beyondWhite - 1) < 1e-9;
      }),
    );
  });
});

it('the curve rises, and is smooth at mid-grey', () => {
  const slope = (from: number, to: number) => (toneOf(to, RAW) - toneOf(from, RAW)) / (to - from);
  expect(slope(-0.001, 0)).toBeCloseTo(slope(0, 0.001), 3);
});
