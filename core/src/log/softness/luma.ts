/** Brightness of a picture in the code that it is stored in, 0 to 255, row by row from the top. */
export interface Luma {
  readonly width: number;
  readonly height: number;
  readonly values: Float32Array;
  /** Where its colours are known: of each pixel the least of its three, and how far red lies over green, about 128. */
  readonly least?: Float32Array;
  readonly redOverGreen?: Float32Array;
}

/** Rec. 709 weights on coded values: what an eye makes of a picture on a screen. */
export function lumaOf(rgba: Uint8ClampedArray, width: number, height: number): Luma {
  const [values, least, redOverGreen] = [0, 0, 0].map(() => new Float32Array(width * height)) as [
    Float32Array,
    Float32Array,
    Float32Array,
  ];
  for (let place = 0; place < values.length; place++) {
    const [red, green, blue] = [rgba[4 * place] as number, rgba[4 * place + 1] as number, rgba[4 * place + 2] as number];
    values[place] = 0.2126 * red + 0.7152 * green + 0.0722 * blue;
    least[place] = Math.min(red, green, blue);
    redOverGreen[place] = 128 + (red - green) / 2;
  }
  return { width, height, values, least, redOverGreen };
}

/** A part of a picture; what lies outside of it is left away. */
export function cropped({ width, height, values }: Luma, left: number, top: number, wide: number, tall: number): Luma {
  const [x0, y0] = [Math.max(0, Math.round(left)), Math.max(0, Math.round(top))];
  const [x1, y1] = [Math.min(width, Math.round(left + wide)), Math.min(height, Math.round(top + tall))];
  const out = new Float32Array(Math.max(0, x1 - x0) * Math.max(0, y1 - y0));
  for (let row = y0; row < y1; row++) out.set(values.subarray(row * width + x0, row * width + x1), (row - y0) * (x1 - x0));
  return { width: Math.max(0, x1 - x0), height: Math.max(0, y1 - y0), values: out };
}

/** Half as wide and high: each pixel the mean of four. */
export function halved({ width, height, values }: Luma): Luma {
  const [wide, tall] = [width >> 1, height >> 1];
  const out = new Float32Array(wide * tall);
  for (let row = 0; row < tall; row++) {
    for (let column = 0; column < wide; column++) {
      const place = 2 * row * width + 2 * column;
      out[row * wide + column] =
        ((values[place] as number) +
          (values[place + 1] as number) +
          (values[place + width] as number) +
          (values[place + width + 1] as number)) /
        4;
    }
  }
  return { width: wide, height: tall, values: out };
}

/** Weights of a normal curve, from its middle outwards, their sum over both sides 1. */
function gaussianWeights(sigmaPx: number): Float64Array {
  const half = Float64Array.from({ length: Math.ceil(3 * sigmaPx) + 1 }, (_, k) => Math.exp(-(k * k) / (2 * sigmaPx * sigmaPx)));
  const sum = 2 * half.reduce((all, one) => all + one, 0) - (half[0] as number);
  return half.map((one) => one / sum);
}

/** One place of a line blurred along it, the line's ends going on. */
function blurredAt(values: Float32Array, place: number, [start, end]: readonly [number, number], weights: Float64Array): number {
  let sum = (weights[0] as number) * (values[place] as number);
  for (let d = 1; d < weights.length; d++) {
    const [before, behind] = [Math.max(start, place - d), Math.min(end, place + d)];
    sum += (weights[d] as number) * ((values[before] as number) + (values[behind] as number));
  }
  return sum;
}

/** Each line blurred along itself. */
function blurredAcross({ width, height, values }: Luma, weights: Float64Array): Float32Array {
  const out = new Float32Array(values.length);
  const reach = Math.min(weights.length - 1, Math.floor((width - 1) / 2));
  const isWide = reach === weights.length - 1;
  for (let row = 0; row < height; row++) {
    const ends = [row * width, (row + 1) * width - 1] as const;
    const [from, to] = isWide ? [ends[0] + reach, ends[1] - reach] : [ends[1] + 1, ends[1]];
    for (let place = ends[0]; place < from; place++) out[place] = blurredAt(values, place, ends, weights);
    for (let place = from; place <= to; place++) {
      let sum = (weights[0] as number) * (values[place] as number);
      for (let d = 1; d <= reach; d++)
        sum += (weights[d] as number) * ((values[place - d] as number) + (values[place + d] as number));
      out[place] = sum;
    }
    for (let place = Math.max(from, to + 1); place <= ends[1]; place++) out[place] = blurredAt(values, place, ends, weights);
  }
  return out;
}

/** Each column blurred along itself, line by line: neighbours lie together in memory. */
function blurredDown({ width, height, values }: Luma, weights: Float64Array): Float32Array {
  const out = new Float32Array(values.length);
  const line = new Float64Array(width);
  for (let row = 0; row < height; row++) {
    const start = row * width;
    for (let column = 0; column < width; column++) line[column] = (weights[0] as number) * (values[start + column] as number);
    for (let d = 1; d < weights.length; d++) {
      const weight = weights[d] as number;
      const [above, below] = [Math.max(0, row - d) * width, Math.min(height - 1, row + d) * width];
      for (let column = 0; column < width; column++) {
        line[column] =
          (line[column] as number) + weight * ((values[above + column] as number) + (values[below + column] as number));
      }
    }
    out.set(line, start);
  }
  return out;
}

/** Blurred by a normal curve; beyond its edges a picture goes on as it ends. */
export function smoothed(luma: Luma, sigmaPx: number): Luma {
  const weights = gaussianWeights(sigmaPx);
  const { width, height } = luma;
  const across = { width, height, values: blurredAcross(luma, weights) };
  return { width, height, values: blurredDown(across, weights) };
}
