import jpeg from 'jpeg-js';
import { seeded } from '../../metering/index.js';
import { faultyShot } from '../../stand-ins/camera/faultyShot.js';
import { pathBlurred, type Plane } from '../../stand-ins/camera/plane.js';
import { takeStandIn } from '../../stand-ins/camera/standInCamera.js';
import { stonesOfOneSize } from '../../stand-ins/camera/stones.js';
import { blurReader } from './blur/blurReader.js';
import { pictureReading } from './frameSight.js';
import { FULL_PART_PX, fullParts, fullSizeAt, partBlur } from './fullSize.js';
import { cropped, type Luma, lumaOf, smoothed } from './luma.js';
import { packedReading, unpackedReading } from './packed.js';
import { NOISELESS, noiseOfPicture, noiseOfTile } from './blur/pictureNoise.js';
import { readSoftness } from './readSoftness.js';
import type { Blur } from './blur/spread.js';
import { tonesOf } from './tones.js';
import { LOOKS, softnessVerdict, type SoftnessVerdict } from './verdict.js';
import { discOf, squareOf } from './windows.js';

const SIDE = 400;
const STONE_PX = 60;

/** Stones, a pixel sharp, and so large that their edges stand apart. */
function ground(seed: number): Luma {
  const toneAt = stonesOfOneSize(seed);
  const values = Float32Array.from({ length: SIDE * SIDE }, (_, k) => {
    const [x, y] = [k % SIDE, Math.floor(k / SIDE)];
    return 118 + 90 * toneAt(x / STONE_PX, y / STONE_PX, 1 / STONE_PX);
  });
  return { width: SIDE, height: SIDE, values };
}

const blurOf = (luma: Luma): Blur | null => blurReader(luma, NOISELESS, { across: 1, down: 1 })([{ from: 0, to: 1 }]);

function line(lengthPx: number, angleDeg: number): { readonly x: number; readonly y: number }[] {
  const angle = (angleDeg * Math.PI) / 180;
  return Array.from({ length: 4 * lengthPx }, (_, k) => {
    const along = lengthPx * (k / (4 * lengthPx - 1) - 0.5);
    return { x: along * Math.cos(angle), y: along * Math.sin(angle) };
  });
}

describe('the blur of a part of a picture', () => {
  // σ of the whole is √(σ² + 0.8²), an edge of a pixel and what is read between pixels being about 0.8 wide; within 15 %.
  it.each([2, 3, 5])('reads a blur of σ = %d every way', (sigma) => {
    const blur = blurOf(smoothed(ground(3), sigma));
    const expected = Math.hypot(sigma, 0.8);
    expect((blur?.majorPx ?? 0) / expected).toBeGreaterThan(0.85);
    expect((blur?.majorPx ?? 0) / expected).toBeLessThan(1.15);
    expect((blur?.minorPx ?? 0) / (blur?.majorPx ?? 1)).toBeGreaterThan(0.75);
  });

  it('reads an edge of a pixel as about one', () => {
    expect(blurOf(ground(3))?.majorPx).toBeLessThan(1.1);
  });

  // A straight path of length L has σ = L/√12; its edge is a ramp and no normal curve, so within a third.
  it.each([
    [8, 30],
    [8, 120],
    [14, 0],
    [14, 75],
  ])('reads a smear of %d px along %d°, and its direction', (length, angle) => {
    const blur = blurOf(pathBlurred(ground(5) as Plane, line(length, angle)) as Luma);
    const expected = Math.hypot(length / Math.sqrt(12), 0.8);
    expect((blur?.majorPx ?? 0) / expected).toBeGreaterThan(0.67);
    expect((blur?.majorPx ?? 0) / expected).toBeLessThan(1.33);
    expect(blur?.minorPx).toBeLessThan(0.6 * (blur?.majorPx ?? 0));
    const off = Math.abs((((blur?.directionDeg ?? 0) - angle + 270) % 180) - 90);
    expect(off).toBeLessThan(12);
  });

  it('says nothing of a plain wall, nor of edges that all run one way', () => {
    const plain: Luma = { width: SIDE, height: SIDE, values: new Float32Array(SIDE * SIDE).fill(100) };
    expect(blurOf(plain)).toBeNull();
    const stripes = { ...plain, values: plain.values.map((_, k) => ((k % SIDE) % STONE_PX < STONE_PX / 2 ? 60 : 180)) };
    expect(blurOf(stripes)).toBeNull();
  });
});

describe('windows', () => {
  const grid = { across: 10, down: 8 };

  // By hand: middles lie half a cell beside a corner, (½, 1½) is 1.58 away and (1½, 1½) 2.12.
  it('are discs of the cells whose middles they hold', () => {
    expect(discOf(grid, 5, 4, 1.6)).toEqual([
      { from: 24, to: 26 },
      { from: 33, to: 37 },
      { from: 43, to: 47 },
      { from: 54, to: 56 },
    ]);
  });

  it('end where the picture does', () => {
    expect(discOf(grid, 0, 0, 1.6)).toEqual([
      { from: 0, to: 2 },
      { from: 10, to: 11 },
    ]);
    expect(squareOf(grid, 8, 7, 4)).toEqual([{ from: 78, to: 80 }]);
  });
});

describe('noise', () => {
  it.each([2, 6])('of σ = %d is read off what is plain, within a tenth', (sigma) => {
    const random = seeded(9);
    // The sum of twelve even numbers less six is nearly normal, with a deviation of 1.
    const normal = (): number => Array.from({ length: 12 }, random).reduce((sum, one) => sum + one, -6);
    const values = Float32Array.from({ length: SIDE * SIDE }, (_, k) => 90 + (k % SIDE) / 40 + sigma * normal());
    const { overall } = noiseOfPicture([noiseOfTile({ width: SIDE, height: SIDE, values })]);
    expect(overall / sigma).toBeGreaterThan(0.9);
    expect(overall / sigma).toBeLessThan(1.1);
  });

  it('is not asked of black and of white', () => {
    const flat = (value: number): Luma => ({ width: 8, height: 8, values: new Float32Array(64).fill(value) });
    expect([noiseOfTile(flat(4)), noiseOfTile(flat(250))]).toEqual([null, null]);
  });
});

describe('tones', () => {
  it('have their mean and their black read through the camera’s curve', () => {
    // Mid-grey is 118 of 255, white lies 2.3 stops over it: 0.59·1 + 0.40·4.92 = 2.56 is 1.36 stops.
    const values = Float32Array.from({ length: 1000 }, (_, k) => (k < 10 ? 0 : k < 600 ? 118 : 255));
    const { midToneEv, blackShare } = tonesOf({ width: 1000, height: 1, values });
    expect(midToneEv).toBeCloseTo(1.36, 1);
    expect(blackShare).toBe(0);
    const lifted = tonesOf({ width: 1000, height: 1, values: values.map((value) => Math.max(60, value)) });
    expect(lifted.blackShare).toBeGreaterThan(0.08);
  });
});

describe('what a picture looks like', () => {
  const likeliest = ({ shares }: SoftnessVerdict) => LOOKS.reduce((best, one) => (shares[one] > shares[best] ? one : best));
  const SIZE = { width: 1500, height: 1000 };

  // Seven faults, two shots of each, as files have them. Verdicts are tuned on photographs first (photographs.spec.ts).
  it('is the fault of a made-up shot mostly, and is never both sure and wrong', () => {
    const told = [0, 13].flatMap((seed) =>
      (['good', 'shake', 'moved', 'focus', 'depth', 'veil', 'noise'] as const).map((fault, n) => {
        const { shot, subjectAt } = faultyShot(fault, seed + 7919 * n, SIZE);
        const file = jpeg.encode({ ...SIZE, data: takeStandIn(shot).rgba }, 88);
        const { data } = jpeg.decode(file.data, { useTArray: true });
        const reading = readSoftness(lumaOf(Uint8ClampedArray.from(data), SIZE.width, SIZE.height));
        // A picture is judged by what is kept of it: then as ever after.
        const kept = unpackedReading(packedReading(reading));
        const { looksLike, confidence } = softnessVerdict(kept, subjectAt);
        expect(softnessVerdict(unpackedReading(packedReading(kept)), subjectAt)).toMatchObject({ looksLike, confidence });
        // What is lost by keeping it changes no likeliest look.
        expect(likeliest(softnessVerdict(reading, subjectAt))).toBe(likeliest(softnessVerdict(kept, subjectAt)));
        return { isRight: looksLike === fault, confidence };
      }),
    );
    expect(told.filter(({ isRight }) => isRight).length).toBeGreaterThanOrEqual(11);
    expect(told.filter(({ isRight, confidence }) => !isRight && confidence > 0.9)).toEqual([]);
  });

  // A disc of 130 pixels about (900, 500), wholly soft in its middle, before ground that is sharp everywhere.
  it.each([
    ['somebody out of focus', (sharp: Luma) => smoothed(sharp, 3), 'focus'],
    ['somebody who moved', (sharp: Luma) => pathBlurred(sharp as Plane, line(16, 8)) as Luma, 'moved'],
  ])('tells %s from the sharp ground beside, each where it is shown', (_, soften, look) => {
    const toneAt = stonesOfOneSize(11);
    const sharp = {
      ...SIZE,
      values: Float32Array.from({ length: SIZE.width * SIZE.height }, (_cell, k) => {
        const [x, y] = [k % SIZE.width, Math.floor(k / SIZE.width)];
        // Somewhere it is black: without that there is a veil over it.
        return x < 20 ? 0 : 118 + 90 * toneAt(x / STONE_PX, y / STONE_PX, 1 / STONE_PX);
      }),
    };
    const soft = soften(sharp);
    const values = sharp.values.map((value, k) => {
      const away = Math.hypot((k % SIZE.width) - 900, Math.floor(k / SIZE.width) - 500);
      const share = Math.min(1, Math.max(0, (130 - away) / 8));
      return value + share * ((soft.values[k] as number) - value);
    });
    const reading = readSoftness({ ...SIZE, values });
    expect(softnessVerdict(reading, { x: 0.6, y: 0.5 }).looksLike).toBe(look);
    expect(softnessVerdict(reading, { x: 0.2, y: 0.3 }).looksLike).toBe('good');
    // What was kept before had one reading a tile about which somebody could be shown.
    const kept = packedReading(reading);
    const older = { ...kept, windows: new Uint8Array([...kept.windows.slice(0, 1536), ...kept.windows.slice(0, 1536)]) };
    expect(unpackedReading(older).about).toHaveLength(48 * 32);
    expect(softnessVerdict(unpackedReading(older), { x: 0.6, y: 0.5 }).looksLike).toBe(look);
  });

  it('cannot be told of an empty wall', () => {
    const values = new Float32Array(SIZE.width * SIZE.height).fill(128);
    expect(softnessVerdict(readSoftness({ ...SIZE, values })).looksLike).toBe('cannotTell');
  });
});

describe('parts of a picture at its full size', () => {
  it('lie in the middle of each cell, one of them in the middle of the picture, upright or not', () => {
    const { across, down, parts } = fullParts(6000, 4000);
    expect([across, down, parts.length]).toEqual([7, 5, 35]);
    // 3000 − 96, 2000 − 96.
    expect(parts[17]).toEqual({ left: 2904, top: 1904 });
    expect(fullParts(4000, 6000)).toMatchObject({ across: 5, down: 7 });
    for (const { left, top } of parts)
      expect(left >= 0 && top >= 0 && left + FULL_PART_PX <= 6000 && top + FULL_PART_PX <= 4000).toBe(true);
  });

  it('say how wide a point is spread there, and stay with what is kept', () => {
    const part = cropped(smoothed(ground(3), 3), 100, 100, FULL_PART_PX, FULL_PART_PX);
    const blur = partBlur(part);
    expect((blur?.majorPx ?? 0) / Math.hypot(3, 0.8)).toBeGreaterThan(0.8);
    expect((blur?.majorPx ?? 0) / Math.hypot(3, 0.8)).toBeLessThan(1.25);
    const reading = readSoftness(ground(3));
    const full = {
      width: 6000,
      height: 4000,
      across: 7,
      down: 5,
      blurs: Array.from({ length: 35 }, (_, k) => (k === 17 ? blur : null)),
    };
    const kept = unpackedReading(packedReading({ ...reading, full })).full;
    expect(kept && fullSizeAt(kept, { x: 0.5, y: 0.5 })?.majorPx).toBeCloseTo(blur?.majorPx ?? 0, 1);
    expect(kept && fullSizeAt(kept, { x: 0.9, y: 0.1 })).toBeNull();
    // The smear of the subject is told at that size: along it, of the whole diagonal.
    const verdict = {
      ...softnessVerdict(reading),
      evidence: { ...softnessVerdict(reading).evidence, subject: blur },
    } as ReturnType<typeof softnessVerdict>;
    const smeared = { majorPx: 20, minorPx: 5, directionDeg: 0, edges: 100 };
    const sight = pictureReading({ ...reading, full: { ...full, blurs: full.blurs.map(() => smeared) } }, verdict);
    // √12·√(400 − 25)/7211.1.
    expect(sight.smearShare).toBeCloseTo(0.0093, 4);
  });
});
