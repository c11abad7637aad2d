import { arcTaps, lineTaps, outOfFocus, spreadBy, turned } from './blurs.mjs';
import { blended, eachPlane, luminance } from './linear.mjs';

/**
 * Faults as they come about, in linear light. Sizes are shares of the picture's diagonal, so that they look alike at every size; what
 * a frame has besides its fault (a little noise, a little haze, a lens that is not quite sharp) stays under what an eye minds.
 */
export const FAULTS = ['shake', 'moved', 'focus', 'depth', 'veil', 'noise', 'good', 'untouched'];

/** Mulberry32. */
export function randomOf(seed) {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let t = state;
    t = Math.imul(t ^ (t >>> 15), t | 1);
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61);
    return ((t ^ (t >>> 14)) >>> 0) / 2 ** 32;
  };
}
const between = (random, from, to) => from + (to - from) * random();
const pick = (random, list) => list[Math.floor(random() * list.length)];
/** Normal deviates, two at a time. Source: Box and Muller, 1958. */
function normals(random, count) {
  const out = new Float32Array(count + 1);
  for (let k = 0; k < count; k += 2) {
    const [far, angle] = [Math.sqrt(-2 * Math.log(1 - random())), 2 * Math.PI * random()];
    out[k] = far * Math.cos(angle);
    out[k + 1] = far * Math.sin(angle);
  }
  return out.subarray(0, count);
}

/** Of a picture smaller than a megapixel, that of one: what is a share of it is seen in as many pixels. */
const LEAST_DIAGONAL = 1300;
const diagonalOf = ({ width, height }) => Math.max(LEAST_DIAGONAL, Math.hypot(width, height));

/** An ellipse of 0..1 with a soft rim of a share of its size. */
function ellipse({ width, height }, { x, y, wide, tall }, rim = 0.06) {
  const mask = new Float32Array(width * height);
  for (let row = 0; row < height; row++) {
    for (let column = 0; column < width; column++) {
      const far = Math.hypot((column / width - x) / (wide / 2), (row / height - y) / (tall / 2));
      mask[row * width + column] = Math.min(1, Math.max(0, (1 + rim - far) / (2 * rim)));
    }
  }
  return mask;
}

/** Cells of a grid over which detail is counted. */
const CELLS = 12;

/**
 * Somebody the size of a person, standing where the picture has most to show: one of the three best of all places, by their
 * share of the picture's gradients.
 */
export function subjectOf(picture, random) {
  const { width, height } = picture;
  const light = luminance(picture);
  const detail = new Float64Array(CELLS * CELLS);
  for (let y = 1; y < height - 1; y++) {
    for (let x = 1; x < width - 1; x++) {
      const at = y * width + x;
      const change = Math.abs(light[at + 1] - light[at - 1]) + Math.abs(light[at + width] - light[at - width]);
      detail[Math.floor((y * CELLS) / height) * CELLS + Math.floor((x * CELLS) / width)] += Math.sqrt(change);
    }
  }
  const tall = between(random, 0.34, 0.6);
  const wide = (between(random, 0.4, 0.6) * tall * height) / width;
  const places = [];
  for (let row = 2; row < CELLS - 2; row++) {
    for (let column = 2; column < CELLS - 2; column++) {
      let sum = 0;
      for (let dy = -2; dy <= 2; dy++) for (let dx = -1; dx <= 1; dx++) sum += detail[(row + dy) * CELLS + column + dx];
      places.push({ sum, x: (column + 0.5) / CELLS, y: (row + 0.5) / CELLS });
    }
  }
  places.sort((a, b) => b.sum - a.sum);
  const { x, y } = places[Math.floor(random() * 3)];
  return { x, y, wide, tall };
}

const smeared = (picture, taps) => eachPlane(picture, (plane) => spreadBy(plane, picture.width, picture.height, taps));
const defocused = (picture, radiusPx, fallsOff) =>
  eachPlane(picture, (plane) => outOfFocus(plane, picture.width, picture.height, radiusPx, fallsOff));

/** Lengths of smears and radii of discs that are seen at a look, shares of the diagonal; of the small ones no eye would say so. */
const SMEAR = [0.0035, 0.016];
const RADIUS = [0.0022, 0.006];

function shake(picture, random) {
  const { width, height } = picture;
  const lengthPx = between(random, ...SMEAR) * diagonalOf(picture);
  const directionDeg = random() * 180;
  const how = pick(random, ['straight', 'straight', 'curved', 'turning']);
  if (how === 'turning') {
    const at = [between(random, -0.2, 1.2) * width, between(random, -0.2, 1.2) * height];
    const far = Math.max(...[0, width].flatMap((x) => [0, height].map((y) => Math.hypot(x - at[0], y - at[1]))));
    const turnDeg = ((lengthPx * 1.6) / far) * (180 / Math.PI);
    const steps = Math.ceil(lengthPx * 2);
    return { picture: eachPlane(picture, (plane) => turned(plane, width, height, at, turnDeg, steps)), truth: { how } };
  }
  const taps = how === 'straight' ? lineTaps(lengthPx, directionDeg) : arcTaps(lengthPx, directionDeg, between(random, 25, 70));
  return { picture: smeared(picture, taps), truth: { how, ...(how === 'straight' ? { lengthPx, directionDeg } : {}) } };
}

function moved(picture, random, subject) {
  const lengthPx = between(random, 0.005, 0.02) * diagonalOf(picture);
  const directionDeg = (between(random, -25, 25) + 180) % 180;
  const taps = lineTaps(lengthPx, directionDeg);
  const mask = ellipse(picture, subject);
  const cut = { ...picture, planes: picture.planes.map((plane) => plane.map((value, k) => value * mask[k])) };
  const [over, share] = [smeared(cut, taps), spreadBy(mask, picture.width, picture.height, taps)];
  const planes = picture.planes.map((plane, c) => plane.map((value, k) => value * (1 - share[k]) + over.planes[c][k]));
  return { picture: { ...picture, planes }, truth: { how: 'along', lengthPx, directionDeg } };
}

/** Blurred more and more with a share of 0..1: between the picture, half and the whole. */
function byDepth(picture, share, radiusPx, fallsOff) {
  const [half, whole] = [defocused(picture, radiusPx / 2, fallsOff), defocused(picture, radiusPx, fallsOff)];
  const first = blended(
    picture,
    half,
    share.map((one) => Math.min(1, 2 * one)),
  );
  return blended(
    first,
    whole,
    share.map((one) => Math.max(0, 2 * one - 1)),
  );
}

function focus(picture, random, subject) {
  const radiusPx = between(random, ...RADIUS) * diagonalOf(picture);
  const fallsOff = random() < 0.5;
  const how = pick(random, ['all', 'round', 'subject']);
  if (how === 'all') return { picture: defocused(picture, radiusPx, fallsOff), truth: { how, radiusPx } };
  const grown = how === 'round' ? { ...subject, wide: subject.wide * 2.6, tall: Math.max(1.1, subject.tall * 1.6) } : subject;
  const share = ellipse(picture, grown, how === 'round' ? 0.4 : 0.06);
  return { picture: byDepth(picture, share, radiusPx, fallsOff), truth: { how, radiusPx } };
}

function depth(picture, random, subject) {
  const { width, height } = picture;
  const radiusPx = between(random, ...RADIUS) * diagonalOf(picture);
  const how = pick(random, ['far', 'near', 'both']);
  const ground = Math.min(0.85, subject.y + subject.tall / 2);
  const mask = ellipse(picture, { ...subject, wide: subject.wide * 1.25, tall: subject.tall * 1.15 });
  const share = new Float32Array(width * height);
  for (let row = 0; row < height; row++) {
    const below = row / height - ground;
    const far = Math.min(1, Math.max(0, -below / 0.2));
    const near = Math.min(1, Math.max(0, (below + 0.1) / 0.2));
    const here = how === 'far' ? far : how === 'near' ? near : Math.max(far, near);
    for (let column = 0; column < width; column++) share[row * width + column] = here * (1 - mask[row * width + column]);
  }
  return { picture: byDepth(picture, share, radiusPx, random() < 0.5), truth: { how, radiusPx } };
}

/** Stray light of a share of the picture's mean; the exposure given back. */
function veiled(picture, random, share, how) {
  const { width, height } = picture;
  const light = luminance(picture);
  const mean = light.reduce((sum, one) => sum + one, 0) / light.length;
  const [cx, cy] = [random() * width, random() * 0.5 * height];
  const reach = between(random, 0.35, 0.7) * diagonalOf(picture);
  const added = light.map((_, k) => {
    if (how === 'flat') return share * mean;
    return 2.2 * share * mean * Math.exp(-(((k % width) - cx) ** 2 + (Math.floor(k / width) - cy) ** 2) / (2 * (reach / 2) ** 2));
  });
  return eachPlane(picture, (plane) => plane.map((value, k) => (value + added[k]) / (1 + share)));
}

function veil(picture, random) {
  const how = pick(random, ['flat', 'flat', 'local']);
  const share = between(random, 0.15, 0.5);
  return { picture: veiled(picture, random, share, how), truth: { how, share } };
}

/** Slope of a code of 255 to light at mid-grey, 18 %. */
const CODES_PER_LIGHT = 290;
/** Pictures are looked at with about so many pixels. */
const SEEN_PIXELS = 2e6;

/**
 * Photons and the noise of reading, neighbours alike as after the colours were put together, so that mid-grey has a deviation of
 * so many codes at the size that it is looked at.
 */
function noisy(picture, random, codes) {
  const { width, height } = picture;
  const perPixel = codes * Math.sqrt(Math.max(1, (width * height) / SEEN_PIXELS));
  const grey = perPixel / CODES_PER_LIGHT;
  const [photons, read] = [(0.85 * grey * grey) / 0.18, Math.sqrt(0.15) * grey];
  const white = () => normals(random, width * height);
  const alike = (plane, weight) => {
    const taps = [-1, 0, 1].flatMap((dy) =>
      [-1, 0, 1].map((dx) => ({ dx, dy, weight: (dx === 0 ? 1 : weight) * (dy === 0 ? 1 : weight) })),
    );
    const whole = Math.hypot(...taps.map((tap) => tap.weight));
    return spreadBy(
      plane,
      width,
      height,
      taps.map((tap) => ({ ...tap, weight: tap.weight / whole })),
    );
  };
  const shared = alike(white(), 0.15);
  return eachPlane(picture, (plane) => {
    const own = alike(white(), 0.5);
    return plane.map(
      (value, k) => value + (0.8 * shared[k] + 0.6 * own[k]) * Math.sqrt(photons * Math.max(0, value) + read * read),
    );
  });
}

const noise = (picture, random) => {
  const codes = between(random, 5, 14);
  return { picture: noisy(picture, random, codes), truth: { how: 'photons', codes } };
};

const MAKERS = { shake, moved, focus, depth, veil, noise };

/** What any frame has a little of. */
function withTraces(picture, random, fault) {
  const hazy = fault === 'veil' || random() < 0.5 ? picture : veiled(picture, random, between(random, 0, 0.03), 'flat');
  return fault === 'noise' || random() < 0.3 ? hazy : noisy(hazy, random, between(random, 0.2, 1.8));
}

const nearest = (list, value) =>
  list.reduce((best, one) => (Math.abs(Math.log(one / value)) < Math.abs(Math.log(best / value)) ? one : best));
const SHUTTERS = [1, 1 / 2, 1 / 4, 1 / 8, 1 / 15, 1 / 30, 1 / 60, 1 / 125, 1 / 250, 1 / 500, 1 / 1000, 1 / 2000];
const APERTURES = [1.4, 2, 2.8, 4, 5.6, 8, 11, 16];
const ISOS = [100, 200, 400, 800, 1600, 3200, 6400, 12_800, 25_600];
/** How far a hand turns in a second, rad; how fast somebody walks, m/s. */
const HAND_RAD_PER_S = 0.025;
const WALK_M_PER_S = 1.4;
/** The diagonal of a full frame, to whose lenses focal lengths are given. */
const DIAGONAL_MM = 43.3;

/** Of a ground that its photographer left soft, the disc's diameter is so much of the diagonal at least; whole pictures show it. */
const SOFT_GROUND_DISC = 0.006;
/** Nothing was nearer to a lens. */
const CLOSEST_M = 0.5;

/** The disc of a point as far away as can be, of the diagonal. Source: f² / (N · d · D). */
const farDisc = ({ focalMm, fNumber }, distanceM) => focalMm ** 2 / (fNumber * 1000 * distanceM * DIAGONAL_MM);

/** A lens, its aperture and where it was to stand: as on walks, and so that what is soft in the picture could be. */
function opticsFor(fault, random, { radiusShare, depth }) {
  const isSoft = radiusShare > 0 || depth === 'isolating';
  const [widest, smallest] = isSoft ? [1.4, 5.6] : [2, 16];
  const discOf = { depth: 2 * radiusShare, focus: 2 * radiusShare };
  for (;;) {
    const focalMm = nearest([24, 28, 35, 50, 85], Math.exp(between(random, Math.log(22), Math.log(90))));
    const fNumber = nearest(APERTURES, Math.exp(between(random, Math.log(widest), Math.log(smallest))));
    const distanceM = Math.exp(between(random, Math.log(0.8), Math.log(8)));
    const optics = { focalMm, fNumber };
    // What is out of focus as a whole may have been as near as can be.
    const isSharpEnough = farDisc(optics, fault === 'focus' ? CLOSEST_M : distanceM) < (discOf[fault] ?? 0);
    const isTooDeep = depth === 'isolating' && farDisc(optics, distanceM) < SOFT_GROUND_DISC;
    if (!isSharpEnough && !isTooDeep) return { ...optics, distanceM };
  }
}

/**
 * Settings that could have made the frame: they fit its fault as often as they do on walks, and overlap. A hand's angle and a
 * walker's speed vary by a factor of two both ways. `distanceM` is where the card had the lens stand.
 */
export function settingsFor({ fault, depth, lengthShare, radiusShare, codes = 1 }, random) {
  const { focalMm, fNumber, distanceM } = opticsFor(fault, random, { radiusShare, depth });
  const loose = () => Math.exp(between(random, -0.7, 0.7));
  const calm = Math.exp(between(random, Math.log(1 / 1000), Math.log(1 / 40)));
  const shutterOf = {
    shake: ((lengthShare * DIAGONAL_MM) / (HAND_RAD_PER_S * focalMm)) * loose(),
    moved: ((lengthShare * DIAGONAL_MM * between(random, 3, 8)) / (WALK_M_PER_S * focalMm)) * loose(),
  };
  const shutterS = nearest(SHUTTERS, shutterOf[fault] ?? calm);
  const iso = nearest(ISOS, 100 * Math.max(1, codes / 0.9) ** 2 * loose());
  return { focalMm, shutterS, fNumber, iso, distanceM };
}

/** A frame of a photograph with a fault, and what is true of it. */
export function faulty(photograph, fault, random) {
  const subject = subjectOf(photograph, random);
  const diagonal = diagonalOf(photograph);
  const made = MAKERS[fault]?.(photograph, random, subject) ?? { picture: photograph, truth: { how: fault } };
  const picture = fault === 'untouched' ? photograph : withTraces(made.picture, random, fault);
  const { lengthPx, radiusPx } = made.truth;
  const shares = { lengthShare: (lengthPx ?? 0.008 * diagonal) / diagonal, radiusShare: (radiusPx ?? 0) / diagonal };
  return { picture, truth: { fault, subject, ...made.truth, ...shares } };
}
