import { photographMap } from './photographMap.js';

const pixels = (...codes: readonly (readonly [number, number, number])[]): Uint8ClampedArray =>
  Uint8ClampedArray.from(codes.flatMap((code) => [...code, 255]));

describe('a photograph as a scene', () => {
  const map = photographMap({
    width: 4,
    height: 1,
    rgba: pixels([118, 118, 118], [255, 255, 255], [0, 0, 0], [255, 0, 0]),
    exposureEv: 10,
  });
  it('puts mid-grey at its exposure, and white log2(1/0.18) over it', () => {
    // 118 of 255 is 0.1812 linear.
    expect(map.ev[0]).toBeCloseTo(10.01, 2);
    expect(map.ev[1]).toBeCloseTo(10 + Math.log2(1 / 0.18), 5);
    expect(map.ev[3]).toBeCloseTo(10 + Math.log2(0.2126 / 0.18), 5);
  });
  it('knows of white and of a colour that is full only that it is at least so bright', () => {
    expect(Array.from(map.label)).toEqual([0, 1, 0, 1]);
    expect(map.names).toEqual(['picture', 'white']);
  });
  it('takes EV 12 where it does not say', () => {
    expect(photographMap({ width: 1, height: 1, rgba: pixels([118, 118, 118]), exposureEv: null }).ev[0]).toBeCloseTo(12.01, 2);
  });
});
