// Plane geometry of the generator: points are [east, north] in metres, rings anticlockwise without their closing point.
import { differenceD, FillRule, intersectD } from 'clipper2-ts';

export const RAD = Math.PI / 180;
/** To a centimetre: finer than any map. */
export const rounded = (value) => Math.round(value * 100) / 100;
export const apart = ([ax, ay], [bx, by]) => Math.hypot(ax - bx, ay - by);
export const between = ([ax, ay], [bx, by], share) => [ax + (bx - ax) * share, ay + (by - ay) * share];
export const bearing = ([fromE, fromN], [e, n]) => (Math.atan2(e - fromE, n - fromN) / RAD + 360) % 360;

/** Metres along a bearing and to the right of it, from a place. */
export function ahead([eastM, northM], axisDeg, along, right = 0) {
  const [sin, cos] = [Math.sin(axisDeg * RAD), Math.cos(axisDeg * RAD)];
  return [eastM + along * sin + right * cos, northM + along * cos - right * sin];
}

export function areaOf(ring) {
  return ring.reduce((sum, [x, y], k) => {
    const [nextX, nextY] = ring[(k + 1) % ring.length];
    return sum + (x * nextY - nextX * y) / 2;
  }, 0);
}

export function isInside([x, y], ring) {
  let inside = false;
  for (let k = 0, before = ring.length - 1; k < ring.length; before = k++) {
    const [[ax, ay], [bx, by]] = [ring[k], ring[before]];
    if (ay > y !== by > y && x < ((bx - ax) * (y - ay)) / (by - ay) + ax) inside = !inside;
  }
  return inside;
}

export function footOn([x, y], [ax, ay], [bx, by]) {
  const [dx, dy] = [bx - ax, by - ay];
  const square = dx * dx + dy * dy;
  const share = square === 0 ? 0 : Math.min(1, Math.max(0, ((x - ax) * dx + (y - ay) * dy) / square));
  return [ax + share * dx, ay + share * dy];
}

/** Metres from a place to a line, closed or not. */
export function toLine(place, line, isClosed = false) {
  let nearest = Infinity;
  for (let k = isClosed ? 0 : 1; k < line.length; k++) {
    nearest = Math.min(nearest, apart(place, footOn(place, line[(k + line.length - 1) % line.length], line[k])));
  }
  return nearest;
}

/** Where two segments cross, ends included; null where they do not. */
export function crossing(a, b, c, d) {
  const [rx, ry, sx, sy] = [b[0] - a[0], b[1] - a[1], d[0] - c[0], d[1] - c[1]];
  const across = rx * sy - ry * sx;
  if (Math.abs(across) < 1e-12) return null;
  const t = ((c[0] - a[0]) * sy - (c[1] - a[1]) * sx) / across;
  const u = ((c[0] - a[0]) * ry - (c[1] - a[1]) * rx) / across;
  return t < 0 || t > 1 || u < 0 || u > 1 ? null : between(a, b, t);
}

const turned = (ring) => (areaOf(ring) < 0 ? [...ring].reverse() : ring);
const toPath = (ring) => turned(ring).map(([x, y]) => ({ x, y }));
const fromPath = (path) => path.map(({ x, y }) => [rounded(x), rounded(y)]);
const CENTIMETRES = 2;
const LEAST_M2 = 1;

/** What is left of a ring without others; what would have a hole in it is cut open first. */
export function without(ring, others) {
  const left = differenceD([toPath(ring)], others.map(toPath), FillRule.NonZero, CENTIMETRES).map(fromPath);
  if (left.every((part) => areaOf(part) > 0)) return left.filter((part) => areaOf(part) > LEAST_M2);
  return halves(ring)
    .flatMap((half) => common(ring, half))
    .flatMap((part) => without(part, others));
}

/** What two rings have in common. */
export function common(one, other) {
  return intersectD([toPath(one)], [toPath(other)], FillRule.NonZero, CENTIMETRES)
    .map(fromPath)
    .filter((part) => areaOf(part) > LEAST_M2);
}

function halves(ring) {
  const [xs, ys] = [ring.map(([x]) => x), ring.map(([, y]) => y)];
  const [x0, x1, y0, y1] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)];
  const isWide = x1 - x0 > y1 - y0;
  const box = (a, b, c, d) => [
    [a, b],
    [c, b],
    [c, d],
    [a, d],
  ];
  const [midX, midY] = [(x0 + x1) / 2, (y0 + y1) / 2];
  return isWide ? [box(x0, y0, midX, y1), box(midX, y0, x1, y1)] : [box(x0, y0, x1, midY), box(x0, midY, x1, y1)];
}

/** A line as wide as a street, as overlapping pieces. */
export function bands(line, widthM) {
  const pieces = line.map(([x, y]) =>
    Array.from({ length: 12 }, (_, k) => [x + (widthM / 2) * Math.cos(k * 30 * RAD), y + (widthM / 2) * Math.sin(k * 30 * RAD)]),
  );
  for (let k = 1; k < line.length; k++) {
    const length = apart(line[k - 1], line[k]);
    if (length === 0) continue;
    const axisDeg = bearing(line[k - 1], line[k]);
    const corner = (along, right) => ahead(line[k - 1], axisDeg, along, right);
    pieces.push([corner(0, widthM / 2), corner(length, widthM / 2), corner(length, -widthM / 2), corner(0, -widthM / 2)]);
  }
  return pieces;
}

/** Even numbers in [0, 1) that are the same every time. */
export function numbersFrom(seed) {
  let state = seed >>> 0;
  return () => {
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
    return state / 2 ** 32;
  };
}
