import quickselect from 'quickselect';
import { SECTORS } from './edges.js';

/**
 * How far a point is spread in a part of a picture: standard deviations along the direction in which it is spread most and
 * across it, pixels of the picture, and that direction.
 */
export interface Blur {
  readonly majorPx: number;
  readonly minorPx: number;
  /** Of the wider spread, degrees from the picture's right towards its lower edge, [0, 180). */
  readonly directionDeg: number;
  /** Edge points that it was read off. */
  readonly edges: number;
}

/** Edges of one direction in a part: how strong they are, and the squares of their spreads. */
export interface SectorEdges {
  readonly strength: Float32Array;
  readonly variance: Float32Array;
}

/** Only the strongest share of the edges counts: soft shading is no edge. */
const STRONGEST_SHARE = 0.4;
/** So many points in a direction before it is believed, and so many directions before they are fitted. */
const LEAST_IN_SECTOR = 6;
const LEAST_SECTORS = 3;
/** Directions without edges that may lie between two with, sectors. */
const WIDEST_GAP = 3;
/** The sharper of the edges of a direction tell: others are soft in themselves. */
export const SHARPER_QUANTILE = 0.3;

interface Known {
  readonly sector: number;
  readonly variance: number;
  readonly weight: number;
}

/** The one of a set that so many are smaller than; the set is put in another order. */
function nthSmallest(values: Float32Array, n: number): number {
  // All it needs of an array are its length and its indices.
  quickselect(values as unknown as number[], n);
  return values[n] as number;
}

/** The variances of the strongest so many: those weaker than the last of them are left out, of equal ones the later. */
function ofStrongest({ strength, variance }: SectorEdges, count: number): Float32Array {
  const least = nthSmallest(strength.slice(), strength.length - count);
  let equals = count;
  for (const one of strength) if (one > least) equals--;
  const kept = new Float32Array(count);
  let filled = 0;
  for (let k = 0; k < strength.length && filled < count; k++) {
    const one = strength[k] as number;
    if (one > least || (one === least && equals-- > 0)) kept[filled++] = variance[k] as number;
  }
  return kept;
}

/** Of each direction the spread of its sharper edges: by direction, for a smear weakens the edges across it and leaves the others. */
function knownSectors(sectors: readonly SectorEdges[], quantile: number): readonly Known[] {
  const known: Known[] = [];
  sectors.forEach((edges, sector) => {
    const count = Math.ceil(edges.strength.length * STRONGEST_SHARE);
    if (count < LEAST_IN_SECTOR) return;
    const variance = nthSmallest(ofStrongest(edges, count), Math.floor(quantile * count));
    if (Number.isFinite(variance)) known.push({ sector, variance, weight: Math.sqrt(count) });
  });
  return known;
}

/** Whether directions leave no gap that a spread could hide in. */
function goRound(known: readonly Known[]): boolean {
  return known.every(({ sector }, k) => {
    const next = known[(k + 1) % known.length] as Known;
    return (next.sector - sector + SECTORS) % SECTORS <= WIDEST_GAP && known.length > 1;
  });
}

type Three = readonly [number, number, number];

const determinant = ([a, b, c]: readonly [Three, Three, Three]): number =>
  a[0] * (b[1] * c[2] - b[2] * c[1]) - a[1] * (b[0] * c[2] - b[2] * c[0]) + a[2] * (b[0] * c[1] - b[1] * c[0]);

/** How much of xx, xy and yy each direction has: cos², 2·cos·sin, sin². */
const SHARES: readonly Three[] = Array.from({ length: SECTORS }, (_, sector) => {
  const [cos, sin] = [Math.cos((sector * Math.PI) / SECTORS), Math.sin((sector * Math.PI) / SECTORS)];
  return [cos * cos, 2 * cos * sin, sin * sin];
});

/**
 * The spread C whose share along each direction n, nᵀCn, is nearest to what its edges say: least squares of variance =
 * xx·cos² + 2·xy·cos·sin + yy·sin², an error counting by its share of a wide spread, solved by Cramer's rule.
 * Null where the directions run too much alike.
 */
function spreadOf(sectors: readonly SectorEdges[], quantile: number): Spread | null {
  const known = knownSectors(sectors, quantile);
  if (known.length < LEAST_SECTORS || !goRound(known)) return crossing(known);
  let [aa, ab, ac, bb, bc, cc, ra, rb, rc] = [0, 0, 0, 0, 0, 0, 0, 0, 0];
  for (const { sector, variance, weight } of known) {
    const [a, b, c] = SHARES[sector] as Three;
    const counts = weight / (1 + variance) ** 2;
    [aa, ab, ac] = [aa + counts * a * a, ab + counts * a * b, ac + counts * a * c];
    [bb, bc, cc] = [bb + counts * b * b, bc + counts * b * c, cc + counts * c * c];
    [ra, rb, rc] = [ra + counts * variance * a, rb + counts * variance * b, rc + counts * variance * c];
  }
  const [a, b, c, right]: readonly [Three, Three, Three, Three] = [
    [aa, ab, ac],
    [ab, bb, bc],
    [ac, bc, cc],
    [ra, rb, rc],
  ];
  const whole = determinant([a, b, c]);
  if (Math.abs(whole) < 1e-9) return null;
  // The matrix is its own transpose: a column replaced is a row replaced.
  return { xx: determinant([right, b, c]) / whole, xy: determinant([a, right, c]) / whole, yy: determinant([a, b, right]) / whole };
}

/** Between two directions that cross, steps of half a turn's eighth. */
const CROSSES_FROM = 3;

/**
 * Of edges that run two ways alone, as on a façade: the spread along each of the two that cross best, taken as its axes. Null where
 * none cross.
 */
function crossing(known: readonly Known[]): Spread | null {
  const apart = (a: Known, b: Known): number =>
    Math.min((a.sector - b.sector + SECTORS) % SECTORS, (b.sector - a.sector + SECTORS) % SECTORS);
  const pairs = known.flatMap((a) => known.filter((b) => b.sector > a.sector).map((b) => ({ a, b, apart: apart(a, b) })));
  const best = pairs.sort((p, q) => q.apart - p.apart || q.a.weight * q.b.weight - p.a.weight * p.b.weight)[0];
  if (best === undefined || best.apart < CROSSES_FROM) return null;
  const [cos, sin] = [Math.cos((best.a.sector * Math.PI) / SECTORS), Math.sin((best.a.sector * Math.PI) / SECTORS)];
  const [along, across] = [best.a.variance, best.b.variance];
  return {
    xx: along * cos * cos + across * sin * sin,
    xy: (along - across) * cos * sin,
    yy: along * sin * sin + across * cos * cos,
  };
}

export interface Spread {
  readonly xx: number;
  readonly xy: number;
  readonly yy: number;
}

/** Along and across its wider direction. */
function blurOfSpread({ xx, xy, yy }: Spread, edges: number): Blur {
  const [middle, half] = [(xx + yy) / 2, Math.hypot((xx - yy) / 2, xy)];
  const directionDeg = (0.5 * Math.atan2(2 * xy, xx - yy) * 180) / Math.PI;
  const px = (variance: number): number => Math.sqrt(Math.max(0, variance));
  return { majorPx: px(middle + half), minorPx: px(middle - half), directionDeg: (directionDeg + 180) % 180, edges };
}

/** The blur of edges, by the sector of their direction, whose spreads are in pixels of a scale, in those of the picture; null where they do not tell. */
export function blurOf(sectors: readonly SectorEdges[], perPixel: number, quantile: number): Blur | null {
  const spread = spreadOf(sectors, quantile);
  if (spread === null) return null;
  const square = perPixel * perPixel;
  const edges = sectors.reduce((sum, { strength }) => sum + strength.length, 0);
  return blurOfSpread({ xx: spread.xx * square, xy: spread.xy * square, yy: spread.yy * square }, edges);
}
