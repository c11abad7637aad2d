import FFT from 'fft.js';

/** The discrete Fourier transform of squares of one size, in room that is used again. */
export class SquareTransform {
  private readonly fft: FFT;
  private readonly line: Float64Array;
  private readonly turned: Float64Array;

  constructor(readonly side: number) {
    this.fft = new FFT(side);
    this.line = new Float64Array(2 * side);
    this.turned = new Float64Array(2 * side);
  }

  /** In place; real and imaginary parts in planes of their own, row by row. */
  forward(real: Float64Array, imaginary: Float64Array): void {
    this.allLines(real, imaginary, this.side, (out, data) => this.fft.transform(out, data));
  }

  /** The same back, divided by the number of places; the first rows only, if no more are wanted: the others are left half done. */
  backward(real: Float64Array, imaginary: Float64Array, rows = this.side): void {
    this.allLines(real, imaginary, rows, (out, data) => this.fft.inverseTransform(out, data));
  }

  private allLines(
    real: Float64Array,
    imaginary: Float64Array,
    rows: number,
    turn: (out: Float64Array, data: Float64Array) => void,
  ): void {
    const { side } = this;
    for (let column = 0; column < side; column++) this.along(real, imaginary, column, side, turn);
    for (let row = 0; row < rows; row++) this.along(real, imaginary, row * side, 1, turn);
  }

  private along(
    real: Float64Array,
    imaginary: Float64Array,
    first: number,
    step: number,
    turn: (out: Float64Array, data: Float64Array) => void,
  ): void {
    const { side, line, turned } = this;
    for (let k = 0, at = first; k < side; k++, at += step) {
      line[2 * k] = real[at] as number;
      line[2 * k + 1] = imaginary[at] as number;
    }
    turn(turned, line);
    for (let k = 0, at = first; k < side; k++, at += step) {
      real[at] = turned[2 * k] as number;
      imaginary[at] = turned[2 * k + 1] as number;
    }
  }
}
