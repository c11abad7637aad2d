import { seeded } from '../../metering/index.js';
import { ceilingByPatches, noiseCurve, problemOfPatch, readPatch } from './index.js';

/** A patch of a level in linear light, with noise of a known ratio and a shading from left to right. */
function patch(level: number, ratio: number, { size = 256, shading = 0, seed = 1 } = {}) {
  const random = seeded(seed);
  const values = Float32Array.from({ length: size * size }, (_, k) => {
    const noise = Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());
    const light = level * (1 + shading * ((k % size) / size - 0.5)) + (level / ratio) * noise;
    const at = Math.max(0, light);
    return 255 * (at <= 0.0031308 ? 12.92 * at : 1.055 * at ** (1 / 2.4) - 0.055);
  });
  return { width: size, height: size, values };
}

describe('noise of an even patch', () => {
  it.each([
    [0.18, 100],
    [0.18, 20],
    [0.18, 6],
    [0.3, 40],
  ])('of level %d is told as it was made, %d to 1', (level, ratio) => {
    const read = readPatch(patch(level, ratio));
    expect(read?.level).toBeCloseTo(level, 2);
    expect(Math.abs((read?.signalToNoise ?? 0) / ratio - 1)).toBeLessThan(0.03);
    expect(problemOfPatch(read)).toBeNull();
  });

  it('is told beside a shading of the wall, and the shading is said where it is too much', () => {
    const shaded = readPatch(patch(0.18, 20, { shading: 0.2 }));
    expect(Math.abs((shaded?.signalToNoise ?? 0) / 20 - 1)).toBeLessThan(0.03);
    // A slope of 0.2 over the width has a deviation of 0.2/√12 = 0.058.
    expect(shaded?.unevenness).toBeCloseTo(0.058, 2);
    expect(problemOfPatch(shaded)).toBeNull();
    expect(problemOfPatch(readPatch(patch(0.18, 20, { shading: 0.6 })))).toBe('uneven');
  });

  it('is not told of what is no patch', () => {
    expect(problemOfPatch(readPatch(patch(0.18, 20, { size: 40 })))).toBe('tooSmall');
    expect(problemOfPatch(readPatch(patch(0.02, 20)))).toBe('tooDark');
    expect(problemOfPatch(readPatch(patch(0.9, 200)))).toBe('tooBright');
  });
});

describe('noise by ISO', () => {
  // Photons alone: the ratio halves every two stops.
  const photons = [100, 400, 1600, 6400].map((iso) => ({ iso, ratio: 80 / Math.sqrt(iso / 100) }));

  it('crosses what is accepted where the line does', () => {
    const curve = noiseCurve(photons);
    expect(curve?.at(800)).toBeCloseTo(80 / Math.sqrt(8), 6);
    expect(curve?.isoFor(10)).toBeCloseTo(6400, 3);
    expect(curve?.isoFor(20)).toBeCloseTo(1600, 3);
    expect(curve?.errorStops).toBeCloseTo(0, 6);
  });

  it.each([
    // 9.3 to 1 is crossed at ISO 7400: nearest to 8000 of the third marks, to 6400 of the whole ones.
    ['third', 9.3, 8000],
    ['full', 9.3, 6400],
    ['third', 10, 6400],
    ['third', 1, 12_800],
    ['third', 80, 200],
  ] as const)('gives a ceiling on the dial: %s marks, %d to 1 at ISO %d', (markStep, ratio, iso) => {
    const curve = noiseCurve(photons);
    if (curve === null) throw new Error('no curve');
    const found = ceilingByPatches(curve, ratio, { markStep, lowestIso: 200, highestIso: 12_800 });
    expect(Math.abs(Math.log2(found / iso))).toBeLessThan(0.03);
  });

  it('takes one point for photons, none for nothing, and holds a slope that no camera has', () => {
    expect(noiseCurve([{ iso: 800, ratio: 20 }])?.isoFor(10)).toBeCloseTo(3200, 6);
    expect(noiseCurve([{ iso: 800, ratio: 20 }])?.errorStops).toBe(Infinity);
    expect(noiseCurve([{ iso: 800, ratio: Infinity }])).toBeNull();
    const rising = noiseCurve([100, 1600].map((iso) => ({ iso, ratio: iso })));
    // Held at −0.2: it never rises with the ISO.
    expect((rising?.at(200) ?? 0) < (rising?.at(100) ?? 0)).toBe(true);
  });
});
