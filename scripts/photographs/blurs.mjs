/** Point spreads as lists of taps {dx, dy, weight}, and pictures spread by them; beyond its edges a picture goes on as it ends. */

/** The path of a camera as points (dx, dy), each counted alike, drawn onto pixels by their four neighbours. */
function tapsOfPath(points) {
  const taps = new Map();
  const put = (dx, dy, weight) => {
    const key = `${dx},${dy}`;
    const tap = taps.get(key) ?? { dx, dy, weight: 0 };
    tap.weight += weight / points.length;
    taps.set(key, tap);
  };
  for (const [x, y] of points) {
    const [left, top] = [Math.floor(x), Math.floor(y)];
    const [fx, fy] = [x - left, y - top];
    put(left, top, (1 - fx) * (1 - fy));
    put(left + 1, top, fx * (1 - fy));
    put(left, top + 1, (1 - fx) * fy);
    put(left + 1, top + 1, fx * fy);
  }
  return [...taps.values()].filter(({ weight }) => weight > 1e-6);
}

const POINTS_PER_PX = 4;

/** An even smear of a length, pixels, along a direction, degrees from right to down. */
export function lineTaps(lengthPx, directionDeg) {
  const count = Math.max(2, Math.round(lengthPx * POINTS_PER_PX));
  const [cos, sin] = [Math.cos((directionDeg * Math.PI) / 180), Math.sin((directionDeg * Math.PI) / 180)];
  return tapsOfPath(Array.from({ length: count }, (_, k) => ((k + 0.5) / count - 0.5) * lengthPx).map((t) => [t * cos, t * sin]));
}

/** The same along an arc that turns by an angle from its beginning to its end. */
export function arcTaps(lengthPx, directionDeg, turnDeg) {
  const count = Math.max(2, Math.round(lengthPx * POINTS_PER_PX));
  const points = [[0, 0]];
  for (let k = 1; k < count; k++) {
    const heading = ((directionDeg + turnDeg * (k / count - 0.5)) * Math.PI) / 180;
    const [x, y] = points[k - 1];
    points.push([x + (Math.cos(heading) * lengthPx) / count, y + (Math.sin(heading) * lengthPx) / count]);
  }
  const middle = [0, 1].map((axis) => points.reduce((sum, point) => sum + point[axis], 0) / count);
  return tapsOfPath(points.map(([x, y]) => [x - middle[0], y - middle[1]]));
}

export function spreadBy(plane, width, height, taps) {
  const out = new Float32Array(plane.length);
  for (const { dx, dy, weight } of taps) {
    for (let y = 0; y < height; y++) {
      const from = Math.min(height - 1, Math.max(0, y + dy)) * width;
      const row = y * width;
      const [first, last] = [Math.min(width, Math.max(0, -dx)), Math.max(0, Math.min(width, width - dx))];
      for (let x = 0; x < first; x++) out[row + x] += weight * plane[from];
      for (let x = first; x < last; x++) out[row + x] += weight * plane[from + x + dx];
      for (let x = Math.max(first, last); x < width; x++) out[row + x] += weight * plane[from + width - 1];
    }
  }
  return out;
}

/** A disc of a radius, pixels, by sums along rows; its rim is softened by the part of a pixel that it covers. */
export function disc(plane, width, height, radiusPx) {
  const reach = Math.ceil(radiusPx);
  const out = new Float32Array(plane.length);
  const sums = new Float64Array(width + 2 * reach + 3);
  const halves = Array.from({ length: 2 * reach + 1 }, (_, k) => Math.sqrt(Math.max(0, radiusPx ** 2 - (k - reach) ** 2)));
  const area = halves.reduce((sum, half) => sum + 2 * half + (half > 0 ? 1 : 0), 0);
  for (let y = 0; y < height; y++) {
    for (let k = 0; k < halves.length; k++) {
      const half = halves[k];
      if (half === 0) continue;
      const from = Math.min(height - 1, Math.max(0, y + k - reach)) * width;
      sums[0] = 0;
      for (let x = 0; x < sums.length - 1; x++) {
        sums[x + 1] = sums[x] + plane[from + Math.min(width - 1, Math.max(0, x - reach - 1))];
      }
      const [whole, part] = [Math.floor(half), half - Math.floor(half)];
      for (let x = 0; x < width; x++) {
        const at = x + reach + 1;
        const inside = sums[at + whole + 1] - sums[at - whole];
        const rims = plane[from + Math.max(0, x - whole - 1)] + plane[from + Math.min(width - 1, x + whole + 1)];
        out[y * width + x] += inside + part * rims;
      }
    }
  }
  for (let k = 0; k < out.length; k++) out[k] /= area;
  return out;
}

/** Out of focus by a lens whose disc is even, or falls off towards its rim. */
export function outOfFocus(plane, width, height, radiusPx, fallsOff) {
  const whole = disc(plane, width, height, radiusPx);
  if (!fallsOff) return whole;
  const inner = disc(plane, width, height, radiusPx * 0.6);
  return whole.map((value, k) => 0.6 * value + 0.4 * inner[k]);
}

/** Everything turned about a point while the shutter is open: the mean of so many pictures. */
export function turned(plane, width, height, [cx, cy], turnDeg, steps) {
  const out = new Float32Array(plane.length);
  for (let k = 0; k < steps; k++) {
    const angle = (((k + 0.5) / steps - 0.5) * turnDeg * Math.PI) / 180;
    const [cos, sin] = [Math.cos(angle), Math.sin(angle)];
    for (let y = 0; y < height; y++) {
      for (let x = 0; x < width; x++) {
        const sx = Math.min(width - 1.001, Math.max(0, cx + (x - cx) * cos - (y - cy) * sin));
        const sy = Math.min(height - 1.001, Math.max(0, cy + (x - cx) * sin + (y - cy) * cos));
        const [left, top] = [Math.floor(sx), Math.floor(sy)];
        const [fx, fy] = [sx - left, sy - top];
        const at = top * width + left;
        const above = plane[at] + (plane[at + 1] - plane[at]) * fx;
        const below = plane[at + width] + (plane[at + width + 1] - plane[at + width]) * fx;
        out[y * width + x] += above + (below - above) * fy;
      }
    }
  }
  return out.map((sum) => sum / steps);
}
