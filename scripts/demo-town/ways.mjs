// Streets and lanes as a net: where two meet they have a corner in common, and lanes end where they meet the first.
import { apart, crossing, rounded } from './plane.mjs';

const SNAP_M = 1.2;

/** Every crossing as a corner of both lines. */
function noded(lines) {
  const cuts = lines.map((line) => line.slice(1).map(() => []));
  lines.forEach((one, i) => {
    lines.forEach((other, j) => {
      if (j <= i) return;
      for (let a = 1; a < one.length; a++) {
        for (let b = 1; b < other.length; b++) {
          const meets = crossing(one[a - 1], one[a], other[b - 1], other[b]);
          if (meets === null) continue;
          cuts[i][a - 1].push(meets);
          cuts[j][b - 1].push(meets);
        }
      }
    });
  });
  return lines.map((line, i) =>
    line.flatMap((corner, k) => {
      if (k === 0) return [corner];
      const before = line[k - 1];
      return [...cuts[i][k - 1].sort((a, b) => apart(before, a) - apart(before, b)), corner];
    }),
  );
}

/** A lane that runs over the street at its end stops there; one that reaches none, or a wall before it, ends at its block. */
function trimmed(lane, isInside, others, walls) {
  const isMeeting = (place) => others.some((line) => line.some((corner) => apart(corner, place) < SNAP_M));
  const firstInside = lane.findIndex(isInside);
  const lastInside = lane.length - 1 - [...lane].reverse().findIndex(isInside);
  if (firstInside === -1) return [];
  let [from, to] = [firstInside, lastInside];
  const isWalled = (k) =>
    walls.some((ring) => ring.some((corner, j) => crossing(lane[k - 1], lane[k], corner, ring[(j + 1) % ring.length]) !== null));
  for (let k = firstInside; k >= 0; k--) {
    if (isMeeting(lane[k])) from = k;
    if (from === k && k !== firstInside) break;
    if (k > 0 && isWalled(k)) break;
  }
  for (let k = lastInside; k < lane.length; k++) {
    if (isMeeting(lane[k])) to = k;
    if (to === k && k !== lastInside) break;
    if (k + 1 < lane.length && isWalled(k + 1)) break;
  }
  return lane.slice(from, to + 1);
}

const same = ([ax, ay], [bx, by]) => ax === bx && ay === by;
const tidy = (line) => line.map((corner) => corner.map(rounded)).filter((corner, k, all) => k === 0 || !same(corner, all[k - 1]));

/** All as ways that hang together: streets as they were drawn, then lanes. */
export function netOf(streets, lanes, walls) {
  const lines = noded([...streets.map(({ line }) => line), ...lanes.map(({ line }) => line)]);
  const cut = lines.map((line, k) => {
    const lane = lanes[k - streets.length];
    return lane === undefined
      ? line
      : trimmed(
          line,
          lane.isInside,
          lines.filter((_, j) => j !== k),
          walls,
        );
  });
  return cut.map(tidy);
}
