/** The part of the package that is used here; it ships no types. */
declare module 'fft.js' {
  /** Of a power of two; complex numbers lie as real and imaginary parts in turn. */
  export default class FFT {
    constructor(size: number);
    transform(out: Float64Array, data: Float64Array): void;
    /** Divided by the size. */
    inverseTransform(out: Float64Array, data: Float64Array): void;
  }
}
