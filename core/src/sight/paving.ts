import type { Way } from '../streets/index.js';
import { hashed } from './hash.js';

/** Reflectances and measures of streets; judgement. A pavement each side takes 28 % of half a street that is wider than 5.2 m. */
const ROADWAY = 0.18;
const PAVEMENT = 0.28;
const KERB = 0.34;
const KERB_M = 0.16;
const PAVEMENT_SHARE = 0.28;
const LEAST_PAVEMENT_M = 1;
const PAVED_FROM_M = 5.2;
const USUAL_WIDTH_M = 6;
const GRAIN = 0.08;
/** Stones are seen where a cell is no larger than this. */
const GRAIN_UNDER_M = 2;
const SQUARE_M = 6;

interface Stretch {
  readonly fromX: number;
  readonly fromY: number;
  readonly alongX: number;
  readonly alongY: number;
  readonly square: number;
  readonly halfM: number;
  readonly roadM: number;
  readonly kerbM: number;
}

function stretchOf([fromX, fromY]: readonly [number, number], [toX, toY]: readonly [number, number], widthM: number): Stretch {
  const [alongX, alongY] = [toX - fromX, toY - fromY];
  const pavementM = widthM > PAVED_FROM_M ? Math.max(LEAST_PAVEMENT_M, (PAVEMENT_SHARE * widthM) / 2) : 0;
  const square = Math.max(1e-9, alongX * alongX + alongY * alongY);
  return {
    fromX,
    fromY,
    alongX,
    alongY,
    square,
    halfM: widthM / 2,
    roadM: widthM / 2 - pavementM,
    kerbM: pavementM > 0 ? KERB_M : 0,
  };
}

/** How far a place lies off the middle of a street, metres. */
function offM({ fromX, fromY, alongX, alongY, square }: Stretch, x: number, y: number): number {
  const share = Math.min(1, Math.max(0, ((x - fromX) * alongX + (y - fromY) * alongY) / square));
  const [dx, dy] = [x - fromX - share * alongX, y - fromY - share * alongY];
  return Math.sqrt(dx * dx + dy * dy);
}

/** Streets by the squares of a grid that they cover, each looked up once. */
function stretchesNear(stretches: readonly Stretch[]): (eastM: number, northM: number) => readonly Stretch[] {
  const bySquare = new Map<number, readonly Stretch[]>();
  return (eastM, northM) => {
    const [column, row] = [Math.floor(eastM / SQUARE_M), Math.floor(northM / SQUARE_M)];
    const key = column * 2 ** 24 + row;
    let near = bySquare.get(key);
    if (near === undefined) {
      const [x, y] = [(column + 0.5) * SQUARE_M, (row + 0.5) * SQUARE_M];
      near = stretches.filter((stretch) => offM(stretch, x, y) <= stretch.halfM + SQUARE_M * Math.SQRT1_2);
      bySquare.set(key, near);
    }
    return near;
  };
}

/** Reflectance of the ground at a place, by a cell's length along the look: roadway, kerb and pavements; without streets a grey card. */
export function pavingOf(ways: readonly Way[]): (eastM: number, northM: number, cellM: number) => number {
  const stretches = ways
    .filter(({ kind }) => kind === 'street')
    .flatMap(({ points, widthM = USUAL_WIDTH_M }) =>
      points.slice(1).map((to, k) => stretchOf(points[k] as [number, number], to, widthM)),
    );
  const near = stretchesNear(stretches);
  return (eastM, northM, cellM) => {
    const stone = hashed(Math.floor(eastM * 1.6), Math.floor(northM * 2.4), 5);
    const grain = cellM > GRAIN_UNDER_M ? 1 : 1 + GRAIN * (2 * stone - 1);
    if (stretches.length === 0) return ROADWAY * grain;
    let overEdgeM = Infinity;
    let kerbM = 0;
    for (const stretch of near(eastM, northM)) {
      const over = offM(stretch, eastM, northM) - stretch.roadM;
      if (over >= overEdgeM) continue;
      overEdgeM = over;
      kerbM = stretch.kerbM;
    }
    if (overEdgeM < 0) return ROADWAY * grain;
    return overEdgeM < kerbM ? KERB : PAVEMENT * grain;
  };
}
