/** A field of numbers over a picture, row by row from the top. */
export interface Plane {
  readonly width: number;
  readonly height: number;
  readonly values: Float32Array;
}

export function planeOf(width: number, height: number): Plane {
  return { width, height, values: new Float32Array(width * height) };
}

/** The mean over discs of a diameter in pixels; beyond its edges a picture goes on as it ends. */
export function discBlurred(plane: Plane, diameterPx: number): Plane {
  const radius = diameterPx / 2;
  if (radius < 0.5) return plane;
  const { width, height } = plane;
  const rows = Array.from({ length: height }, (_, row) => runningSums(plane, row));
  const out = planeOf(width, height);
  const reach = Math.floor(radius);
  let area = 0;
  for (let dy = -reach; dy <= reach; dy++) {
    const half = Math.sqrt(radius * radius - dy * dy);
    area += 2 * half;
    const [whole, part] = [Math.floor(half), half - Math.floor(half)];
    for (let row = 0; row < height; row++) {
      const sums = rows[Math.min(height - 1, Math.max(0, row + dy))] as Float64Array;
      addSpans(out.values, row * width, width, sums, whole, part);
    }
  }
  for (let place = 0; place < out.values.length; place++) out.values[place] = (out.values[place] as number) / area;
  return out;
}

/** Sums of a row from its start: the k-th is of what comes before pixel k. */
function runningSums({ width, values }: Plane, row: number): Float64Array {
  const sums = new Float64Array(width + 1);
  for (let column = 0; column < width; column++) {
    sums[column + 1] = (sums[column] as number) + (values[row * width + column] as number);
  }
  return sums;
}

/** Adds to each pixel of a row the sum from `whole + part` pixels before its middle to as many behind it. */
function addSpans(out: Float32Array, from: number, width: number, sums: Float64Array, whole: number, part: number): void {
  // A pixel reaches half a pixel to either side: spans of whole pixels first, then what is left of the two at the ends.
  const ends = part - 0.5;
  const first = sums[1] as number;
  const last = (sums[width] as number) - (sums[width - 1] as number);
  for (let column = 0; column < width; column++) {
    const [lo, hi] = [column - whole, column + whole];
    const [inLo, inHi] = [Math.max(0, lo), Math.min(width - 1, hi)];
    const inside = (sums[inHi + 1] as number) - (sums[inLo] as number) + (inLo - lo) * first + (hi - inHi) * last;
    const before = inLo < 1 ? first : (sums[inLo] as number) - (sums[inLo - 1] as number);
    const behind = inHi >= width - 1 ? last : (sums[inHi + 2] as number) - (sums[inHi + 1] as number);
    out[from + column] = (out[from + column] as number) + inside + ends * (before + behind);
  }
}

/** Where a picture has gone while the shutter was open: shifts of it in pixels, each for as long as the others. */
export type BlurPath = readonly { readonly x: number; readonly y: number }[];

/** Adds a picture shifted by whole and parts of pixels to another; beyond the edges it goes on as it ends. */
function addShifted(out: Float32Array, { width, height, values }: Plane, { x, y }: BlurPath[number], weight: number): void {
  const [left, top] = [Math.floor(-x), Math.floor(-y)];
  const [tx, ty] = [-x - left, -y - top];
  const parts = [(1 - tx) * (1 - ty), tx * (1 - ty), (1 - tx) * ty, tx * ty].map((part) => part * weight);
  const [a, b, c, d] = parts as [number, number, number, number];
  const within = (k: number, last: number): number => (k < 0 ? 0 : k > last ? last : k);
  for (let row = 0, place = 0; row < height; row++) {
    const [above, below] = [within(row + top, height - 1) * width, within(row + top + 1, height - 1) * width];
    for (let column = 0; column < width; column++, place++) {
      const [before, behind] = [within(column + left, width - 1), within(column + left + 1, width - 1)];
      out[place] =
        (out[place] as number) +
        a * (values[above + before] as number) +
        b * (values[above + behind] as number) +
        c * (values[below + before] as number) +
        d * (values[below + behind] as number);
    }
  }
}

/** The mean along a path that the whole picture took. */
export function pathBlurred(plane: Plane, path: BlurPath): Plane {
  const out = planeOf(plane.width, plane.height);
  for (const shift of path) addShifted(out.values, plane, shift, 1 / path.length);
  return out;
}

/** The mean over turns about a point, degrees: to each pixel what stood where it has turned from. */
export function turnBlurred(plane: Plane, centre: { readonly x: number; readonly y: number }, turnsDeg: readonly number[]): Plane {
  const { width, height, values } = plane;
  const out = planeOf(width, height);
  const inside = (value: number, last: number): number => Math.min(last - 0.001, Math.max(0, value));
  for (const turnDeg of turnsDeg) {
    const [cos, sin] = [Math.cos((turnDeg * Math.PI) / 180), Math.sin((turnDeg * Math.PI) / 180)];
    for (let row = 0, place = 0; row < height; row++) {
      const dy = row - centre.y;
      for (let column = 0; column < width; column++, place++) {
        const dx = column - centre.x;
        const x = inside(centre.x + cos * dx + sin * dy, width - 1);
        const y = inside(centre.y - sin * dx + cos * dy, height - 1);
        const [left, top] = [Math.floor(x), Math.floor(y)];
        const [tx, ty] = [x - left, y - top];
        const from = top * width + left;
        const above = (values[from] as number) * (1 - tx) + (values[from + 1] as number) * tx;
        const below = (values[from + width] as number) * (1 - tx) + (values[from + width + 1] as number) * tx;
        out.values[place] = (out.values[place] as number) + (above * (1 - ty) + below * ty) / turnsDeg.length;
      }
    }
  }
  return out;
}

/** One binomial pass each way, σ = 0.71 pixels: what lens, filter and the reading of colours leave of a point. */
export function softenedByCamera({ width, height, values }: Plane): Plane {
  const half = new Float32Array(values.length);
  for (let row = 0, place = 0; row < height; row++) {
    for (let column = 0; column < width; column++, place++) {
      const before = values[column > 0 ? place - 1 : place] as number;
      const behind = values[column < width - 1 ? place + 1 : place] as number;
      half[place] = (before + 2 * (values[place] as number) + behind) / 4;
    }
  }
  const out = new Float32Array(values.length);
  for (let place = 0; place < out.length; place++) {
    const above = half[place >= width ? place - width : place] as number;
    const below = half[place + width < out.length ? place + width : place] as number;
    out[place] = (above + 2 * (half[place] as number) + below) / 4;
  }
  return { width, height, values: out };
}

/** The mean over a wide square, for light that is scattered far. */
export function boxBlurred(plane: Plane, sidePx: number): Plane {
  const reach = Math.max(1, Math.floor(sidePx / 2));
  return transposed(rowsBlurred(transposed(rowsBlurred(plane, reach)), reach));
}

function rowsBlurred(plane: Plane, reach: number): Plane {
  const { width, height } = plane;
  const out = planeOf(width, height);
  for (let row = 0; row < height; row++) {
    addSpans(out.values, row * width, width, runningSums(plane, row), reach, 0.5);
  }
  for (let place = 0; place < out.values.length; place++) out.values[place] = (out.values[place] as number) / (2 * reach + 1);
  return out;
}

function transposed({ width, height, values }: Plane): Plane {
  const out = new Float32Array(values.length);
  for (let row = 0; row < height; row++) {
    for (let column = 0; column < width; column++) out[column * height + row] = values[row * width + column] as number;
  }
  return { width: height, height: width, values: out };
}
