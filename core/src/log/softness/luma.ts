/** Brightness of a picture in the code that it is stored in, 0 to 255, row by row from the top. */
export interface Luma {
  readonly width: number;
  readonly height: number;
  readonly values: Float32Array;
}

/** Rec. 709 weights on coded values: what an eye makes of a picture on a screen. */
export function lumaOf(rgba: Uint8ClampedArray, width: number, height: number): Luma {
  const values = new Float32Array(width * height);
  for (let place = 0; place < values.length; place++) {
    const [red, green, blue] = [rgba[4 * place] as number, rgba[4 * place + 1] as number, rgba[4 * place + 2] as number];
    values[place] = 0.2126 * red + 0.7152 * green + 0.0722 * blue;
  }
  return { width, height, values };
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

/** Blurred by a normal curve; beyond its edges a picture goes on as it ends. */
export function smoothed({ width, height, values }: Luma, sigmaPx: number): Luma {
  const weights = gaussianWeights(sigmaPx);
  const along = (from: Float32Array, length: number, lines: number, step: number, lineStep: number): Float32Array => {
    const out = new Float32Array(from.length);
    for (let line = 0; line < lines; line++) {
      const start = line * lineStep;
      for (let k = 0; k < length; k++) {
        let sum = (weights[0] as number) * (from[start + k * step] as number);
        for (let d = 1; d < weights.length; d++) {
          const before = from[start + (k < d ? 0 : k - d) * step] as number;
          const behind = from[start + (k + d >= length ? length - 1 : k + d) * step] as number;
          sum += (weights[d] as number) * (before + behind);
        }
        out[start + k * step] = sum;
      }
    }
    return out;
  };
  const rows = along(values, width, height, 1, width);
  return { width, height, values: along(rows, height, width, width, 1) };
}
