import { cieSky } from './cieSky.js';
import { evOfLux, openSky } from './sky.js';

const DEG = Math.PI / 180;
/** EV as a reflected meter of K = 12.5 reads it. */
const evOf = (luminance: number): number => Math.log2(8 * luminance);

/** ∫ L cos θ dω by another cut of the hemisphere: altitudes and azimuths in even steps, another count. */
function levelLux(sky: ReturnType<typeof cieSky>): number {
  const [rows, columns] = [720, 500];
  let sum = 0;
  for (let k = 0; k < rows; k++) {
    const altitude = ((k + 0.5) / rows) * 90 * DEG;
    const weight = Math.sin(altitude) * Math.cos(altitude);
    for (let j = 0; j < columns; j++) sum += weight * sky(Math.sin(altitude), ((j + 0.5) / columns) * Math.PI);
  }
  return (sum * 2 * Math.PI * (Math.PI / 2)) / (rows * columns);
}

describe('the sky by CIE S 011', () => {
  it('by hand: clear, sun at 30°, 11.76 klx: zenith 1840 cd/m², EV 13.84', () => {
    const sky = cieSky({ sun: { altitudeDeg: 30 }, cloud: 0 });
    expect(sky(1, 0)).toBeGreaterThan(1830);
    expect(sky(1, 0)).toBeLessThan(1845);
    expect(evOf(sky(1, 0))).toBeCloseTo(13.84, 2);
  });
  it('overcast: the zenith is three times the horizon, and 3.03 stops over the light that it gives', () => {
    const sky = cieSky({ sun: { altitudeDeg: 40 }, cloud: 1 });
    // 1 + 4·e^−0.7 over 1.
    expect(sky(1, 0) / sky(0.01, 1)).toBeCloseTo(1 + 4 * Math.exp(-0.7), 6);
    const { diffuseLux } = openSky({ altitudeDeg: 40, cloud: 1, dayOfYear: null });
    expect(evOf(sky(1, 0)) - evOfLux(diffuseLux)).toBeCloseTo(3.03, 2);
  });
  it.each([
    [-15, 0.2],
    [-7.3, 0],
    [-0.5, 0.6],
    [0, 0],
    [3.5, 0],
    [17.2, 0.3],
    [44.9, 0.5],
    [61.6, 0],
    [89.7, 0.8],
    [90, 1],
  ])('with the sun at %s° and cloud %s a level plate gets the model’s light to 0.001 EV', (altitudeDeg, cloud) => {
    const { diffuseLux } = openSky({ altitudeDeg, cloud, dayOfYear: null });
    const lux = levelLux(cieSky({ sun: { altitudeDeg }, cloud }));
    expect(Math.abs(evOfLux(lux) - evOfLux(diffuseLux))).toBeLessThan(0.001);
  });
});
