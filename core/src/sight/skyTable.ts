import { cieSky, type SunPosition } from '../light/index.js';
import { RAD_PER_DEG } from '../units/index.js';

const ROWS = 64;
const COLUMNS = 181;

/** cd/m² of the sky for the sine of a look's altitude and its bearing, radians. */
export type SkyAt = (sine: number, bearing: number) => number;

/** The sky of a minute, looked up between 64 heights and 181 bearings off the sun, because every cell asks. */
export function skyTable(sun: SunPosition, cloud: number): SkyAt {
  const sky = cieSky({ sun, cloud });
  const table = new Float64Array(ROWS * COLUMNS);
  for (let k = 0; k < ROWS; k++) {
    for (let j = 0; j < COLUMNS; j++) table[k * COLUMNS + j] = sky((k / (ROWS - 1)) ** 2, (j / (COLUMNS - 1)) * Math.PI);
  }
  const sunBearing = sun.azimuthDeg * RAD_PER_DEG;
  return (sine, bearing) => {
    const off = Math.abs(Math.atan2(Math.sin(bearing - sunBearing), Math.cos(bearing - sunBearing)));
    const row = Math.min(ROWS - 1.001, Math.sqrt(Math.max(0, sine)) * (ROWS - 1));
    const column = Math.min(COLUMNS - 1.001, (off / Math.PI) * (COLUMNS - 1));
    const [r, c] = [Math.floor(row), Math.floor(column)];
    const [v, u] = [row - r, column - c];
    const at = r * COLUMNS + c;
    const [a, b] = [table[at] as number, table[at + 1] as number];
    const [d, e] = [table[at + COLUMNS] as number, table[at + COLUMNS + 1] as number];
    return (1 - v) * (a + u * (b - a)) + v * (d + u * (e - d));
  };
}
