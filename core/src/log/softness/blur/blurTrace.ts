import { type Cepstrum, lagAt, LONGEST_PX } from './cepstrum.js';

/** What a cepstrum says of a blur. */
export interface BlurTrace {
  /** Length of the line over which things are smeared, pixels, and its direction, degrees from right to down, [0, 180). */
  readonly lengthPx: number;
  readonly directionDeg: number;
  /** How far its dip stands out, in spreads of what lies as far in other directions: 1 to 4 by chance, up to 30. */
  readonly lineClear: number;
  /** Diameter of the disc into which points are spread, pixels, and how deep its ring is: under 0.02 by chance. */
  readonly diameterPx: number;
  readonly discClear: number;
}

/** Nearer dips are those of pixels, and rings those of the reach of the frequencies, pixels. */
const NEAREST_LINE_PX = 3;
const NEAREST_DISC_PX = 4;
/** Rings about each whole lag, to a pixel beyond the longest. */
const RINGS = LONGEST_PX + 2;
const LAST_ROW = LONGEST_PX + 1;
/** A ring varies at least so much, as the middle deviation of even parts has it. */
const LEAST_SPREAD = 0.01;
const PER_MIDDLE = 1.4826;
/** A ring is held against what lies so much nearer and farther. */
const INSIDE = 0.7;
const OUTSIDE = 1.35;
const INNERMOST_PX = 2;

/** Half a turn of lags, by the ring that each is nearest to. */
interface Ring {
  readonly x: Int32Array;
  readonly y: Int32Array;
  readonly lagPx: Float64Array;
  readonly at: Int32Array;
  /** As many numbers as it has lags: its own each time. */
  readonly room: Float64Array;
}

const RING_LAGS: readonly Ring[] = Array.from({ length: RINGS }, (_, ring) => {
  const lags: (readonly [x: number, y: number])[] = [];
  for (let y = 0; y < RINGS; y++) {
    for (let x = -RINGS; x <= RINGS; x++) {
      if ((y > 0 || x > 0) && Math.round(Math.hypot(x, y)) === ring) lags.push([x, y]);
    }
  }
  return {
    x: Int32Array.from(lags, ([x]) => x),
    y: Int32Array.from(lags, ([, y]) => y),
    lagPx: Float64Array.from(lags, ([x, y]) => Math.hypot(x, y)),
    at: Int32Array.from(lags, ([x, y]) => lagAt(x, y)),
    room: new Float64Array(lags.length),
  };
});

/** Ring by ring: the middle, and how far half of it is from that. */
interface Rings {
  readonly middle: Float64Array;
  readonly spread: Float64Array;
}

const middleOf = (values: Float64Array): number => values.sort()[values.length >> 1] as number;

function ringsOf(cepstrum: Cepstrum): Rings {
  const [middle, spread] = [new Float64Array(RINGS), new Float64Array(RINGS)];
  for (let ring = 1; ring < RINGS; ring++) {
    const { at, room } = RING_LAGS[ring] as Ring;
    for (let k = 0; k < at.length; k++) room[k] = cepstrum[at[k] as number] as number;
    const here = middleOf(room);
    for (let k = 0; k < room.length; k++) room[k] = Math.abs((room[k] as number) - here);
    middle[ring] = here;
    spread[ring] = Math.max(LEAST_SPREAD, PER_MIDDLE * middleOf(room));
  }
  return { middle, spread };
}

/** Between whole lags straight on. */
function between(values: Float64Array, lagPx: number): number {
  const low = Math.min(RINGS - 2, Math.max(1, Math.floor(lagPx)));
  const part = Math.min(1, lagPx - low);
  return (values[low] as number) * (1 - part) + (values[low + 1] as number) * part;
}

/** Where a curve through three points at −1, 0 and 1 has its lowest, −0.5 to 0.5. */
function lowest(before: number, here: number, behind: number): number {
  const bend = before - 2 * here + behind;
  return bend <= 0 ? 0 : Math.max(-0.5, Math.min(0.5, (before - behind) / (2 * bend)));
}

/** A dip's own half or third is what it comes again from, if it is so much deeper there: a line leaves dips at twice its length, too. */
const DEEPER = 1.2;
const AGAIN = [3, 2] as const;

interface Dip {
  readonly x: number;
  readonly y: number;
  readonly clear: number;
  /** Under the middle of its ring. */
  readonly depth: number;
}

class Dips {
  constructor(
    private readonly cepstrum: Cepstrum,
    private readonly rings: Rings,
  ) {}

  /** What lies above is what lies below, turned round. */
  at(x: number, y: number): number {
    return this.cepstrum[y < 0 ? lagAt(-x, -y) : lagAt(x, y)] as number;
  }

  private isDip(x: number, y: number): boolean {
    // What only falls off from what is nearer is no dip of its own.
    return Math.min(this.at(x - 1, y), this.at(x + 1, y), this.at(x, y - 1), this.at(x, y + 1)) >= this.at(x, y);
  }

  private of(x: number, y: number): Dip {
    const lagPx = Math.hypot(x, y);
    const depth = between(this.rings.middle, lagPx) - this.at(x, y);
    return { x, y, depth, clear: depth / between(this.rings.spread, lagPx) };
  }

  clearest(): Dip {
    let best: Dip = { x: NEAREST_LINE_PX, y: 0, clear: 0, depth: 0 };
    for (let ring = NEAREST_LINE_PX; ring <= LONGEST_PX; ring++) {
      const { x, y, lagPx } = RING_LAGS[ring] as Ring;
      for (let k = 0; k < x.length; k++) {
        const [atX, atY] = [x[k] as number, y[k] as number];
        const depth = between(this.rings.middle, lagPx[k] as number) - this.at(atX, atY);
        const clear = depth / between(this.rings.spread, lagPx[k] as number);
        if (clear > best.clear && this.isDip(atX, atY)) best = { x: atX, y: atY, clear, depth };
      }
    }
    return best;
  }

  /** The dip that one comes again from: near its third or its half; itself, where there is none. */
  firstOf(dip: Dip): Dip {
    for (const times of AGAIN) {
      const [x, y] = [Math.round(dip.x / times), Math.round(dip.y / times)];
      if (Math.hypot(dip.x, dip.y) < times * NEAREST_LINE_PX) continue;
      const near = [-1, 0, 1]
        .flatMap((dx) => [-1, 0, 1].map((dy) => [x + dx, y + dy] as const))
        .filter((one) => this.isDip(...one));
      const first = near.map((one) => this.of(...one)).find(({ depth }) => depth >= DEEPER * dip.depth);
      if (first !== undefined) return { ...first, clear: dip.clear };
    }
    return dip;
  }
}

function lineIn(cepstrum: Cepstrum): Pick<BlurTrace, 'lengthPx' | 'directionDeg' | 'lineClear'> {
  const dips = new Dips(cepstrum, ringsOf(cepstrum));
  const { x, y, clear } = dips.firstOf(dips.clearest());
  const at = (dx: number, dy: number): number => dips.at(x + dx, y + dy);
  const [fx, fy] = [lowest(at(-1, 0), at(0, 0), at(1, 0)), lowest(at(0, -1), at(0, 0), at(0, 1))];
  const turn = (Math.atan2(y + fy, x + fx) * 180) / Math.PI;
  return { lengthPx: Math.hypot(x + fx, y + fy), directionDeg: (turn + 180) % 180, lineClear: clear };
}

/** Directions in which a ring is read. */
const DIRECTIONS = 36;

/** The four places round each whole lag along each direction, and how much each counts. */
const SAMPLES = Array.from({ length: RINGS * DIRECTIONS }, (_, k) => {
  const [lag, angle] = [Math.floor(k / DIRECTIONS), ((k % DIRECTIONS) * Math.PI) / DIRECTIONS];
  const [x, y] = [lag * Math.cos(angle), lag * Math.sin(angle)];
  const [x0, y0] = [Math.floor(x), Math.floor(y)];
  const [fx, fy] = [x - x0, y - y0];
  // Past the last row nothing counts: a lag straight down has its place in its own row.
  const below = Math.min(y0 + 1, LAST_ROW);
  return {
    at: Int32Array.of(lagAt(x0, y0), lagAt(x0 + 1, y0), lagAt(x0, below), lagAt(x0 + 1, below)),
    weight: Float64Array.of((1 - fx) * (1 - fy), fx * (1 - fy), (1 - fx) * fy, fx * fy),
  };
});

/** The middle of each ring, lag by lag. */
function profileOf(cepstrum: Cepstrum): Float64Array {
  const line = new Float64Array(DIRECTIONS);
  return Float64Array.from({ length: RINGS }, (_, lag) => {
    for (let k = 0; k < DIRECTIONS; k++) {
      const { at, weight } = SAMPLES[lag * DIRECTIONS + k] as (typeof SAMPLES)[number];
      line[k] = 0;
      for (let n = 0; n < 4; n++) line[k] = (line[k] as number) + (weight[n] as number) * (cepstrum[at[n] as number] as number);
    }
    return middleOf(line);
  });
}

function discIn(cepstrum: Cepstrum): Pick<BlurTrace, 'diameterPx' | 'discClear'> {
  const profile = profileOf(cepstrum);
  let found = { diameterPx: NEAREST_DISC_PX, discClear: 0 };
  for (let lag = NEAREST_DISC_PX; lag <= LONGEST_PX; lag++) {
    const [nearer, here, farther] = [profile[lag - 1] as number, profile[lag] as number, profile[lag + 1] as number];
    if (here > nearer || here > farther) continue;
    const clear = (between(profile, Math.max(INNERMOST_PX, lag * INSIDE)) + between(profile, lag * OUTSIDE)) / 2 - here;
    if (clear > found.discClear) found = { diameterPx: lag + lowest(nearer, here, farther), discClear: clear };
  }
  return found;
}

/** The clearest dip, and the clearest ring of them. Source: docs/log.md#traces. */
export function blurTrace(cepstrum: Cepstrum): BlurTrace {
  return { ...lineIn(cepstrum), ...discIn(cepstrum) };
}
