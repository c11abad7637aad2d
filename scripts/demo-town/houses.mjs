// Houses round a block: wall to wall along its streets, six to twelve metres wide, a yard behind.
import { ahead, apart, areaOf, bearing, common, isInside, toLine } from './plane.mjs';

const DEPTH_M = 10.5;
const LEAST_HOUSE_M2 = 30;
/** A turn of the street by more than this has a corner house. */
const CORNER_DEG = 28;

const turnAt = (before, corner, after) => ((bearing(corner, after) - bearing(before, corner) + 540) % 360) - 180;

/** Without corners that hardly turn, or lie on one another. */
function simplified(ring) {
  let now = ring;
  for (;;) {
    const next = now.filter((corner, k) => {
      const [before, after] = [now[(k + now.length - 1) % now.length], now[(k + 1) % now.length]];
      return apart(before, corner) > 0.6 && Math.abs(turnAt(before, corner, after)) > 2.5;
    });
    if (next.length === now.length || next.length < 4) return now;
    now = next;
  }
}

/** The farthest that any place in the ring is from its sides. */
function inradius(ring) {
  const [xs, ys] = [ring.map(([x]) => x), ring.map(([, y]) => y)];
  let best = 0;
  for (let x = Math.min(...xs); x <= Math.max(...xs); x += 1.5) {
    for (let y = Math.min(...ys); y <= Math.max(...ys); y += 1.5)
      if (isInside([x, y], ring)) best = Math.max(best, toLine([x, y], ring, true));
  }
  return best;
}

/** Too thin for a yard: cut across into houses that go through from street to street. */
function throughHouses(ring, draw) {
  const longest = ring
    .map((corner, k) => ({ corner, next: ring[(k + 1) % ring.length] }))
    .sort((a, b) => apart(b.corner, b.next) - apart(a.corner, a.next))[0];
  const axisDeg = bearing(longest.corner, longest.next);
  const along = ring.map(
    (corner) => apart(longest.corner, corner) * Math.cos(((bearing(longest.corner, corner) - axisDeg) * Math.PI) / 180),
  );
  const houses = [];
  for (let at = Math.min(...along); at < Math.max(...along) - 1;) {
    const rest = Math.max(...along) - at;
    const widthM = rest < 13 ? rest : 6.5 + 4.5 * draw();
    const strip = [
      ahead(longest.corner, axisDeg, at, -80),
      ahead(longest.corner, axisDeg, at + widthM, -80),
      ahead(longest.corner, axisDeg, at + widthM, 80),
      ahead(longest.corner, axisDeg, at, 80),
    ];
    houses.push(...common(ring, [...strip].reverse()).filter((house) => areaOf(house) > LEAST_HOUSE_M2));
    at += widthM;
  }
  return houses;
}

/** Lengths of houses along a side of so many metres. */
function widths(lengthM, draw) {
  if (lengthM < 4.5) return lengthM > 0 ? [lengthM] : [];
  const count = Math.max(1, Math.round(lengthM / (9.2 + 2.2 * draw())));
  const shares = Array.from({ length: count }, () => 0.72 + 0.56 * draw());
  const sum = shares.reduce((all, share) => all + share, 0);
  return shares.map((share) => (share * lengthM) / sum);
}

/** Longer than this a wedge between two streets is more than one house. */
const LONGEST_WEDGE_M = 15;

/** The house at a corner; where the streets meet at a narrow angle, several behind one another. */
function wedgeHouses(back, corner, forth, inner) {
  const wedge = [back, corner, forth, inner];
  const lengthM = apart(corner, inner);
  if (lengthM <= LONGEST_WEDGE_M) return [wedge];
  const axisDeg = bearing(corner, inner);
  const count = Math.round(lengthM / 9.5);
  return Array.from({ length: count }, (_, k) => {
    const [near, far] = [(k * lengthM) / count, ((k + 1) * lengthM) / count];
    const strip = [
      ahead(corner, axisDeg, near, -60),
      ahead(corner, axisDeg, near, 60),
      ahead(corner, axisDeg, far, 60),
      ahead(corner, axisDeg, far, -60),
    ];
    return common(wedge, strip);
  }).flat();
}

/** Houses of a block; `isBuilt` says of a place on its edge whether one builds there. */
export function housesOf(block, draw, isBuilt) {
  const ring = simplified(block);
  const innerM = inradius(ring);
  if (innerM < 2) return [];
  if (innerM < 7) return throughHouses(ring, draw);
  const depthM = Math.min(DEPTH_M, 0.72 * innerM);
  const at = (k) => ring[(k + ring.length) % ring.length];
  /** How much of both sides the house at a corner takes: none where the street turns the other way. */
  const takesM = ring.map((corner, k) => {
    const turn = turnAt(at(k - 1), corner, at(k + 1));
    return turn < -CORNER_DEG ? depthM / Math.tan(((180 + turn) / 2) * (Math.PI / 180)) : 0;
  });
  const houses = [];
  ring.forEach((corner, k) => {
    const next = at(k + 1);
    const lengthM = apart(corner, next);
    const axisDeg = bearing(corner, next);
    const [before, after] = [takesM[k], takesM[(k + 1) % ring.length]];
    const place = (along, inM) => ahead(corner, axisDeg, along, -inM);
    if (before > 0) {
      const back = ahead(at(k - 1), bearing(at(k - 1), corner), apart(at(k - 1), corner) - before);
      if (isBuilt(corner)) houses.push(...wedgeHouses(back, corner, place(before, 0), place(before, depthM)));
    }
    let along = before;
    for (const widthM of widths(lengthM - before - after, draw)) {
      const backM = depthM * (0.82 + 0.3 * draw());
      const house = [place(along, 0), place(along + widthM, 0), place(along + widthM, backM), place(along, backM)];
      if (isBuilt(place(along + widthM / 2, 0)) && draw() > 0.08) houses.push(house);
      along += widthM;
    }
  });
  return houses.flatMap((house) => common(house, ring)).filter((house) => areaOf(house) > LEAST_HOUSE_M2);
}
