import type { Luma } from './luma.js';
import type { PictureNoise } from './pictureNoise.js';
import { SquareTransform } from './squareTransform.js';
import type { Grid } from './windows.js';

/** Directions in which echoes are looked for: half a turn in so many steps. */
export const ECHO_DIRECTIONS = 24;
/** Side of a part whose echoes are told, pixels, and the longest that is looked for in it. */
export const ECHO_PART_PX = 128;
const LONGEST_PX = 44;
/** Fine detail under this is noise and the edges of pixels, not of things, pixels. */
const SMOOTHED_PX = 0.8;
/** Parts whose gradients come to less, codes a pixel squared, show nothing. */
const LEAST_ENERGY = 0.15;

/**
 * How much a part of a picture repeats itself, turned to its negative, some pixels further: of each direction, the lag from one
 * pixel on, 0 to LONGEST_PX. A line smeared over a length L is dark-to-bright at one end and bright-to-dark at the other, so that
 * the derivative along the smear is like its own negative L further; a disc does that in every direction at its diameter.
 */
export interface Echoes {
  /** Direction by direction, lag by lag: autocorrelation of the derivative along the direction, 1 at lag 0. */
  readonly values: Float32Array;
  /** Mean square of the gradient, codes² a pixel², without what noise adds. */
  readonly energy: number;
}

const LAGS = LONGEST_PX + 1;

export const echoAt = ({ values }: Pick<Echoes, 'values'>, direction: number, lagPx: number): number =>
  values[direction * LAGS + lagPx] as number;

/** By place: the window over a part, and how much of it is left at each lag. */
function windowOf(side: number): { readonly window: Float64Array; readonly left: Float64Array; readonly power: number } {
  const line = Float64Array.from({ length: side }, (_, k) => 0.5 - 0.5 * Math.cos((2 * Math.PI * (k + 0.5)) / side));
  const window = Float64Array.from(
    { length: side * side },
    (_, k) => (line[k % side] as number) * (line[Math.floor(k / side)] as number),
  );
  const power = line.reduce((sum, one) => sum + one * one, 0);
  const left = Float64Array.from(
    { length: side },
    (_, lag) => line.reduce((sum, one, k) => sum + one * (line[k + lag] ?? 0), 0) / power,
  );
  return { window, left, power: power * power };
}

/** By frequency: what a derivative across and down makes of it. */
function derivatives(side: number): Readonly<Record<'across' | 'down', Float64Array>> {
  const turn = (k: number): number => (2 * Math.PI * (k > side / 2 ? k - side : k)) / side;
  const soft = (k: number): number => Math.exp(-0.5 * (SMOOTHED_PX * turn(k)) ** 2);
  const at = (k: number): readonly [number, number] => [k % side, Math.floor(k / side)];
  return {
    across: Float64Array.from({ length: side * side }, (_, k) => Math.sin(turn(at(k)[0])) * soft(at(k)[0]) * soft(at(k)[1])),
    down: Float64Array.from({ length: side * side }, (_, k) => Math.sin(turn(at(k)[1])) * soft(at(k)[0]) * soft(at(k)[1])),
  };
}

interface Places {
  readonly at: Int32Array;
  readonly weight: Float64Array;
  readonly left: number;
}

/** Where a lag along a direction lies among whole lags: the four round it, and what the window leaves of it. */
function placesOf(side: number, left: Float64Array): readonly Places[] {
  return Array.from({ length: ECHO_DIRECTIONS * LAGS }, (_, k) => {
    const angle = (Math.floor(k / LAGS) * Math.PI) / ECHO_DIRECTIONS;
    const [x, y] = [(k % LAGS) * Math.cos(angle), (k % LAGS) * Math.sin(angle)];
    const [x0, y0] = [Math.floor(x), Math.floor(y)];
    const [fx, fy] = [x - x0, y - y0];
    const wrapped = (dx: number, dy: number): number => ((y0 + dy + side) % side) * side + ((x0 + dx + side) % side);
    const leftAt = (lag: number): number => {
      const [low, part] = [Math.floor(Math.abs(lag)), Math.abs(lag) % 1];
      return (left[low] as number) * (1 - part) + (left[low + 1] as number) * part;
    };
    return {
      at: Int32Array.of(wrapped(0, 0), wrapped(1, 0), wrapped(0, 1), wrapped(1, 1)),
      weight: Float64Array.of((1 - fx) * (1 - fy), fx * (1 - fy), (1 - fx) * fy, fx * fy),
      left: leftAt(x) * leftAt(y),
    };
  });
}

const plane = (): Float64Array => new Float64Array(ECHO_PART_PX ** 2);

/** Reads echoes of parts of a picture, two at a time: one as the real, one as the imaginary part of one transform. */
class EchoReader {
  private readonly side = ECHO_PART_PX;
  private readonly transform = new SquareTransform(ECHO_PART_PX);
  private readonly window = windowOf(ECHO_PART_PX);
  private readonly derivative = derivatives(ECHO_PART_PX);
  private readonly places = placesOf(ECHO_PART_PX, this.window.left);
  private readonly room = {
    one: plane(),
    two: plane(),
    acrossOne: plane(),
    downOne: plane(),
    acrossTwo: plane(),
    downTwo: plane(),
    mixedOne: plane(),
    mixedTwo: plane(),
  };

  both(luma: Luma, noise: PictureNoise, corners: readonly (readonly [left: number, top: number])[]): readonly (Echoes | null)[] {
    const { side, derivative } = this;
    const { one, two, acrossOne, downOne, acrossTwo, downTwo, mixedOne, mixedTwo } = this.room;
    const floors = [one, two].map((into, k) => this.put(luma, noise, corners[k] ?? null, into));
    this.transform.forward(one, two);
    for (let v = 0; v < side; v++) {
      for (let u = 0; u < side; u++) {
        const at = v * side + u;
        const back = ((side - v) % side) * side + ((side - u) % side);
        // Of two real squares in one transform: the even and the odd part.
        const [ra, ia] = [((one[at] as number) + (one[back] as number)) / 2, ((two[at] as number) - (two[back] as number)) / 2];
        const [rb, ib] = [((two[at] as number) + (two[back] as number)) / 2, ((one[back] as number) - (one[at] as number)) / 2];
        const powerOne = Math.max(0, ra * ra + ia * ia - (floors[0] as number));
        const powerTwo = Math.max(0, rb * rb + ib * ib - (floors[1] as number));
        const [x, y] = [derivative.across[at] as number, derivative.down[at] as number];
        [acrossOne[at], downOne[at]] = [powerOne * x * x, powerOne * y * y];
        [acrossTwo[at], downTwo[at]] = [powerTwo * x * x, powerTwo * y * y];
        [mixedOne[at], mixedTwo[at]] = [powerOne * x * y, powerTwo * x * y];
      }
    }
    // All are even, so that their transforms are real: two of them go through one.
    this.transform.backward(acrossOne, downOne);
    this.transform.backward(acrossTwo, downTwo);
    this.transform.backward(mixedOne, mixedTwo);
    return [this.echoes(acrossOne, downOne, mixedOne), corners.length < 2 ? null : this.echoes(acrossTwo, downTwo, mixedTwo)];
  }

  /** A part without its mean, under the window; the power that noise has at each frequency. */
  private put(luma: Luma, noise: PictureNoise, corner: readonly [number, number] | null, into: Float64Array): number {
    if (corner === null) {
      into.fill(0);
      return 0;
    }
    const { side } = this;
    const [left, top] = corner;
    let sum = 0;
    for (let row = 0; row < side; row++) {
      for (let column = 0; column < side; column++) {
        const value = luma.values[(top + row) * luma.width + left + column] as number;
        into[row * side + column] = value;
        sum += value;
      }
    }
    const mean = sum / into.length;
    for (let k = 0; k < into.length; k++) into[k] = ((into[k] as number) - mean) * (this.window.window[k] as number);
    return noise.atCode(mean) ** 2 * this.window.power;
  }

  private echoes(across: Float64Array, down: Float64Array, mixed: Float64Array): Echoes | null {
    const energy = ((across[0] as number) + (down[0] as number)) / this.window.power;
    if (energy < LEAST_ENERGY) return null;
    const values = new Float32Array(ECHO_DIRECTIONS * LAGS);
    this.places.forEach(({ at, weight, left }, k) => {
      const angle = (Math.floor(k / LAGS) * Math.PI) / ECHO_DIRECTIONS;
      const [cos, sin] = [Math.cos(angle), Math.sin(angle)];
      const [xx, xy, yy] = [cos * cos, 2 * cos * sin, sin * sin];
      const along = (place: number): number =>
        xx * (across[place] as number) + xy * (mixed[place] as number) + yy * (down[place] as number);
      let sum = 0;
      for (let n = 0; n < 4; n++) sum += (weight[n] as number) * along(at[n] as number);
      values[k] = sum / left / along(0);
    });
    return { values, energy };
  }
}

let reader: EchoReader | null = null;

/** Parts lie at most so far apart, shares of their side: what lies between them is like what lies beside it. */
const APART = 1.15;

/** Where parts of a picture lie whose echoes are told: evenly over it, null where it is smaller than one. */
export function echoGrid({ width, height }: Pick<Luma, 'width' | 'height'>): Grid | null {
  if (Math.min(width, height) < ECHO_PART_PX) return null;
  const count = (length: number): number => 1 + Math.ceil((length - ECHO_PART_PX) / (APART * ECHO_PART_PX));
  return { across: count(width), down: count(height) };
}

/** The echoes of all parts, row by row. Source: docs/log.md#echoes. */
export function echoesOf(
  luma: Luma,
  noise: PictureNoise,
): { readonly grid: Grid; readonly parts: readonly (Echoes | null)[] } | null {
  const grid = echoGrid(luma);
  if (grid === null) return null;
  reader ??= new EchoReader();
  const { across, down } = grid;
  const corner = (k: number): readonly [number, number] => {
    const place = (at: number, count: number, length: number): number =>
      count === 1 ? 0 : Math.round((at * (length - ECHO_PART_PX)) / (count - 1));
    return [place(k % across, across, luma.width), place(Math.floor(k / across), down, luma.height)];
  };
  const parts: (Echoes | null)[] = [];
  for (let k = 0; k < across * down; k += 2) {
    const corners = k + 1 < across * down ? [corner(k), corner(k + 1)] : [corner(k)];
    parts.push(...reader.both(luma, noise, corners).slice(0, corners.length));
  }
  return { grid, parts };
}

/** Several together, each by its weight, whatever its contrast. */
export function togetherOf(parts: readonly { readonly echoes: Echoes; readonly weight: number }[]): Echoes | null {
  const all = parts.reduce((sum, { weight }) => sum + weight, 0);
  if (all === 0) return null;
  const values = new Float32Array(ECHO_DIRECTIONS * LAGS);
  for (const { echoes, weight } of parts) {
    for (let k = 0; k < values.length; k++) values[k] = (values[k] as number) + (weight / all) * (echoes.values[k] as number);
  }
  return { values, energy: parts.reduce((sum, { echoes, weight }) => sum + (weight / all) * echoes.energy, 0) };
}

/** What echoes say of a blur. */
export interface EchoBlur {
  /** Along the direction with the clearest echo, pixels, and that direction, degrees from right to down, [0, 180). */
  readonly lengthPx: number;
  readonly directionDeg: number;
  /** How clear that echo is, 0..1: about half for a smear of single lines. */
  readonly echo: number;
  /** The middle one of all directions, and of their lags: as clear and as far where the blur goes every way. */
  readonly around: number;
  readonly aroundPx: number;
}

/** Nearer than this an edge's own sides are its echo; further the window has left too little, pixels. */
const NEAREST_PX = 3;
const FURTHEST_PX = 40;
/** An echo stands out from what lies half its lag before and behind it, by so much of that; the further, the less is it believed. */
const STANDS_OUT = 0.25;
const LESS_PER_PX = 0.004;
/** Smoothing and the slope under a dip put it so much too far (the straight smears of the tuning photographs), pixels. */
const TOO_FAR_PX = 1.2;
/** Directions to each side over which the middle of an echo is taken. */
const BESIDE = 3;

interface Dip {
  readonly clear: number;
  readonly lagPx: number;
}

/** Where a curve through three points at −1, 0 and 1 has its lowest, −0.5 to 0.5. */
function lowest(before: number, here: number, behind: number): number {
  const bend = before - 2 * here + behind;
  return bend <= 0 ? 0 : Math.max(-0.5, Math.min(0.5, (before - behind) / (2 * bend)));
}

/** The clearest echo along a direction. */
function dipAlong(echoes: Echoes, direction: number): Dip {
  const at = (lag: number): number => echoAt(echoes, direction, Math.min(LONGEST_PX, lag));
  let best: Dip = { clear: 0, lagPx: NEAREST_PX };
  for (let lag = NEAREST_PX; lag <= FURTHEST_PX; lag++) {
    const here = at(lag);
    if (here > at(lag - 1) || here > at(lag + 1)) continue;
    const round = Math.max(at(lag >> 1), at(lag + (lag >> 1)));
    const clear = STANDS_OUT * round - here - LESS_PER_PX * lag;
    if (clear > best.clear) best = { clear, lagPx: lag };
  }
  return best;
}

const middleOf = (values: readonly number[]): number => [...values].sort((a, b) => a - b)[values.length >> 1] as number;

/** The direction about which the echoes of one lag lie, degrees: the middle of doubled angles, each by the square of its depth. */
function middleDirection(echoes: Echoes, direction: number, lagPx: number): number {
  const level = middleOf(Array.from({ length: ECHO_DIRECTIONS }, (_, k) => echoAt(echoes, k, lagPx)));
  let [x, y] = [0, 0];
  for (let by = -BESIDE; by <= BESIDE; by++) {
    const beside = (direction + by + ECHO_DIRECTIONS) % ECHO_DIRECTIONS;
    const weight = Math.max(0, level - echoAt(echoes, beside, lagPx)) ** 2;
    const doubled = (2 * Math.PI * beside) / ECHO_DIRECTIONS;
    [x, y] = [x + weight * Math.cos(doubled), y + weight * Math.sin(doubled)];
  }
  const found = x === 0 && y === 0 ? (direction * 180) / ECHO_DIRECTIONS : (Math.atan2(y, x) * 90) / Math.PI;
  return (found + 180) % 180;
}

/** The clearest echo of each direction, and of those the clearest. Source: docs/log.md#echoes. */
export function echoBlur(echoes: Echoes): EchoBlur {
  const dips = Array.from({ length: ECHO_DIRECTIONS }, (_, direction) => dipAlong(echoes, direction));
  const best = dips.reduce((most, { clear }, k) => (clear > (dips[most] as Dip).clear ? k : most), 0);
  const { clear, lagPx } = dips[best] as Dip;
  const at = (lag: number): number => echoAt(echoes, best, lag);
  const farther = lowest(at(lagPx - 1), at(lagPx), at(lagPx + 1));
  return {
    lengthPx: Math.max(0, lagPx + farther - TOO_FAR_PX),
    directionDeg: middleDirection(echoes, best, lagPx),
    echo: Math.min(1, clear),
    around: Math.min(1, middleOf(dips.map((dip) => dip.clear))),
    aroundPx: middleOf(dips.map((dip) => dip.lagPx)),
  };
}
