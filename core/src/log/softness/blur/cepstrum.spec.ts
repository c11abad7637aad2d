import { seeded } from '../../../metering/index.js';
import { cepstraOf } from './cepstrum.js';
import type { Luma } from '../luma.js';
import { SquareTransform } from './squareTransform.js';
import { traceMapOf, traceNear } from './traceMap.js';

/** Leaves of all sizes and tones that lie over one another, the small ones as often as in nature. */
function strewn(side: number): Luma {
  const random = seeded(7);
  const values = new Float32Array(side * side).fill(90);
  for (let n = 0; n < 2500; n++) {
    const [wide, tall] = [3 / (1 - 0.97 * random()), 3 / (1 - 0.97 * random())].map(Math.round) as [number, number];
    const [x, y] = [Math.floor(random() * side), Math.floor(random() * side)];
    const tone = 40 + 160 * random();
    for (let row = y; row < Math.min(side, y + tall); row++)
      values.fill(tone, row * side + x, row * side + Math.min(side, x + wide));
  }
  return { width: side, height: side, values };
}

/** Each place the mean of those that lie so from it. */
function spread({ width, height, values }: Luma, taps: readonly (readonly [dx: number, dy: number])[]): Luma {
  const at = (x: number, y: number): number =>
    values[Math.min(height - 1, Math.max(0, y)) * width + Math.min(width - 1, Math.max(0, x))] as number;
  const out = Float32Array.from(values, (_, k) => {
    const [x, y] = [k % width, Math.floor(k / width)];
    return taps.reduce((sum, [dx, dy]) => sum + at(x + dx, y + dy), 0) / taps.length;
  });
  return { width, height, values: out };
}

const whole = (luma: Luma) => {
  const trace = traceMapOf(luma, 0)?.whole ?? null;
  if (trace === null) throw new Error('nothing to read');
  return trace;
};

const offDeg = (a: number, b: number): number => Math.abs(((a - b + 270) % 180) - 90);
const disc = (radius: number): (readonly [number, number])[] =>
  Array.from({ length: (2 * radius + 1) ** 2 }, (_, k) => {
    const side = 2 * radius + 1;
    return [(k % side) - radius, Math.floor(k / side) - radius] as const;
  }).filter(([dx, dy]) => Math.hypot(dx, dy) <= radius + 0.3);

describe('the trace of a blur', () => {
  const ground = strewn(320);

  // A line of n steps of (dx, dy) is as long as n of them.
  it.each([
    { dx: 1, dy: 0, steps: 5, lengthPx: 5, directionDeg: 0 },
    { dx: 1, dy: 0, steps: 12, lengthPx: 12, directionDeg: 0 },
    { dx: 0, dy: 1, steps: 20, lengthPx: 20, directionDeg: 90 },
    { dx: 1, dy: 1, steps: 10, lengthPx: 10 * Math.SQRT2, directionDeg: 45 },
    { dx: -1, dy: 1, steps: 20, lengthPx: 20 * Math.SQRT2, directionDeg: 135 },
    { dx: 2, dy: 1, steps: 16, lengthPx: 16 * Math.sqrt(5), directionDeg: 26.6 },
  ])('over $steps steps by $dx, $dy is a dip at its length, along it', ({ dx, dy, steps, lengthPx, directionDeg }) => {
    const line = Array.from({ length: steps }, (_, k) => [k * dx, k * dy] as const);
    const found = whole(spread(ground, line));
    expect(Math.abs(found.lengthPx - lengthPx)).toBeLessThan(1);
    expect(offDeg(found.directionDeg, directionDeg)).toBeLessThan(4);
    expect(found.lineClear).toBeGreaterThan(4);
  });

  it.each([4, 7])('over a disc of radius %d is a ring at its diameter', (radius) => {
    const found = whole(spread(ground, disc(radius)));
    expect(Math.abs(found.diameterPx - 2 * radius)).toBeLessThan(1.5);
    expect(found.discClear).toBeGreaterThan(0.05);
    expect(found.lineClear).toBeLessThan(4);
  });

  it('of what is sharp is weak, and an even picture or one too small has none', () => {
    expect(whole(ground).lineClear).toBeLessThan(4);
    expect(whole(ground).discClear).toBeLessThan(0.03);
    const even = { width: 200, height: 200, values: new Float32Array(200 * 200).fill(90) };
    expect(cepstraOf(even, 0)?.parts.every((one) => one === null)).toBe(true);
    expect(cepstraOf({ width: 100, height: 300, values: new Float32Array(30_000) }, 0)).toBeNull();
  });

  it('about somebody who moved is theirs, and not that of the ground beside', () => {
    const wide = strewn(640);
    const moved = spread(
      wide,
      Array.from({ length: 17 }, (_, k) => [k, 0] as const),
    );
    const isOwn = (k: number): boolean => Math.abs((k % 640) - 420) < 80 && Math.abs(Math.floor(k / 640) - 320) < 200;
    const picture = { ...wide, values: wide.values.map((value, k) => (isOwn(k) ? (moved.values[k] as number) : value)) };
    const map = traceMapOf(picture, 0);
    if (map === null) throw new Error('nothing to read');
    const [here, beside] = [traceNear(map, picture, { x: 420 / 640, y: 0.5 }), traceNear(map, picture, { x: 0.15, y: 0.5 })];
    expect(Math.abs((here?.lengthPx ?? 0) - 17)).toBeLessThan(1.5);
    expect(offDeg(here?.directionDeg ?? 90, 0)).toBeLessThan(6);
    expect(here?.lineClear).toBeGreaterThan(1.5 * (beside?.lineClear ?? 0));
  });
});

describe('the transform of a square', () => {
  it('of a wave has all its power at its frequency, and goes back', () => {
    const transform = new SquareTransform(16);
    const wave = Float64Array.from({ length: 256 }, (_, k) =>
      Math.cos((2 * Math.PI * (3 * (k % 16) + 2 * Math.floor(k / 16))) / 16),
    );
    const [real, imaginary] = [wave.slice(), new Float64Array(256)];
    transform.forward(real, imaginary);
    expect(real[2 * 16 + 3]).toBeCloseTo(128, 6);
    expect(real[14 * 16 + 13]).toBeCloseTo(128, 6);
    expect(real.filter((one) => Math.abs(one) > 1e-6)).toHaveLength(2);
    const [firstReal, firstImaginary] = [real.slice(), imaginary.slice()];
    transform.backward(real, imaginary);
    real.forEach((one, k) => expect(one).toBeCloseTo(wave[k] as number, 9));
    transform.backward(firstReal, firstImaginary, 5);
    expect(firstReal.subarray(0, 5 * 16)).toEqual(real.subarray(0, 5 * 16));
  });
});
