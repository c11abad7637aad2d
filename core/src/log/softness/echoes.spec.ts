import { echoBlur, echoesOf, togetherOf } from './echoes.js';
import type { Luma } from './luma.js';
import { NOISELESS } from './pictureNoise.js';
import { SquareTransform } from './squareTransform.js';
import { seeded } from '../../metering/index.js';

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
  const parts = echoesOf(luma, NOISELESS)?.parts ?? [];
  const all = togetherOf(parts.flatMap((echoes) => (echoes === null ? [] : [{ echoes, weight: 1 }])));
  if (all === null) throw new Error('nothing to read');
  return echoBlur(all);
};

describe('echoes', () => {
  const ground = strewn(320);

  it.each([
    { dx: 1, dy: 0, steps: 12, lengthPx: 12, directionDeg: 0 },
    { dx: 0, dy: 1, steps: 20, lengthPx: 20, directionDeg: 90 },
    { dx: 1, dy: 1, steps: 10, lengthPx: 10 * Math.SQRT2, directionDeg: 45 },
    { dx: -1, dy: 1, steps: 20, lengthPx: 20 * Math.SQRT2, directionDeg: 135 },
  ])('of a smear of $steps steps by $dx, $dy lie at its length, along it', ({ dx, dy, steps, lengthPx, directionDeg }) => {
    const found = whole(
      spread(
        ground,
        Array.from({ length: steps }, (_, k) => [k * dx, k * dy] as const),
      ),
    );
    expect(Math.abs(found.lengthPx - lengthPx)).toBeLessThan(1.5);
    const off = Math.abs(((found.directionDeg - directionDeg + 270) % 180) - 90);
    expect(off).toBeLessThan(6);
    expect(found.echo - found.around).toBeGreaterThan(0.1);
  });

  it('of a disc go every way, at its diameter', () => {
    const radius = 6;
    const taps = Array.from({ length: 13 * 13 }, (_, k) => [(k % 13) - 6, Math.floor(k / 13) - 6] as const);
    const found = whole(
      spread(
        ground,
        taps.filter(([dx, dy]) => Math.hypot(dx, dy) <= radius + 0.3),
      ),
    );
    expect(found.around).toBeGreaterThan(0.6 * found.echo);
    expect(Math.abs(found.aroundPx - 2 * radius)).toBeLessThan(2.5);
  });

  it('of what is sharp are weak, and an even picture has none', () => {
    expect(whole(ground).echo).toBeLessThan(0.35);
    const even = { width: 200, height: 200, values: new Float32Array(200 * 200).fill(90) };
    expect(echoesOf(even, NOISELESS)?.parts.every((one) => one === null)).toBe(true);
    expect(echoesOf({ width: 100, height: 300, values: new Float32Array(30_000) }, NOISELESS)).toBeNull();
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
    transform.backward(real, imaginary);
    real.forEach((one, k) => expect(one).toBeCloseTo(wave[k] as number, 9));
  });
});
