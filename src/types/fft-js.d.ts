declare module 'fft.js' {
  /** A fast Fourier transform of one size, a power of two. Complex numbers lie as real and imaginary part one after the other. */
  export default class FFT {
    constructor(size: number);
    /** Fills the first half of `output` (2 × size long) with the spectrum of `input` (size long). */
    realTransform(output: Float64Array, input: Float64Array): void;
  }
}
