// What lies between the streets, cut by lanes until each piece is a block that houses stand round.
import { ahead, apart, areaOf, bands, bearing, isInside, without } from './plane.mjs';

const LARGEST_BLOCK_M2 = 3000;
const LANE_WIDTHS_M = [3.2, 3.6, 4, 4.6];

/** Centre and long axis of a ring, by its corners' spread along the sides. */
function lie(ring) {
  const points = ring.flatMap((corner, k) => {
    const next = ring[(k + 1) % ring.length];
    const count = Math.max(1, Math.round(apart(corner, next) / 2));
    return Array.from({ length: count }, (_, j) => [
      corner[0] + ((next[0] - corner[0]) * j) / count,
      corner[1] + ((next[1] - corner[1]) * j) / count,
    ]);
  });
  const [midX, midY] = [0, 1].map((axis) => points.reduce((sum, point) => sum + point[axis], 0) / points.length);
  let [xx, xy, yy] = [0, 0, 0];
  for (const [x, y] of points) {
    xx += (x - midX) ** 2;
    xy += (x - midX) * (y - midY);
    yy += (y - midY) ** 2;
  }
  const angle = 0.5 * Math.atan2(2 * xy, xx - yy);
  return { middle: [midX, midY], axisDeg: (90 - (angle * 180) / Math.PI + 360) % 180 };
}

function reach(ring, middle, axisDeg) {
  const along = ring.map((corner) => apart(middle, corner) * Math.cos(((bearing(middle, corner) - axisDeg) * Math.PI) / 180));
  return [Math.min(...along), Math.max(...along)];
}

/** Blocks out of a piece of ground, and the lanes that part them. */
export function blocksOf(ground, draw, lanes = []) {
  const area = Math.abs(areaOf(ground));
  if (area < LARGEST_BLOCK_M2 * (0.75 + 0.5 * draw())) return [ground];
  const { middle, axisDeg } = lie(ground);
  const [from, to] = reach(ground, middle, axisDeg);
  const cut = ahead(middle, axisDeg, from + (to - from) * (0.42 + 0.16 * draw()));
  // Across the long side, a little askew, and bent where it is long: nobody drew it with a rule.
  const across = axisDeg + 90 + 16 * (draw() - 0.5);
  const [low, high] = reach(ground, cut, across);
  const bend = 0.12 * (high - low) * (draw() - 0.5);
  const lane = [
    ahead(cut, across, low - 9),
    ahead(cut, across, low),
    ahead(cut, across, (low + high) / 2, bend),
    ahead(cut, across, high),
    ahead(cut, across, high + 9),
  ];
  const widthM = LANE_WIDTHS_M[Math.floor(draw() * LANE_WIDTHS_M.length)];
  const parts = without(ground, bands(lane, widthM)).filter((part) => areaOf(part) > 60);
  if (parts.length < 2) return [ground];
  lanes.push({ line: lane, widthM, isInside: (place) => isInside(place, ground) });
  return parts.flatMap((part) => blocksOf(part, draw, lanes));
}
