import FFT from 'fft.js';

/** Tells how loud each frequency is in a stretch of sound. */
export interface Fourier {
  readonly size: number;
  /** The magnitudes of the `length` samples from `at` on, at most `size`, faded in and out; bin `i` stands for `i / size` of the rate. Loudness does not depend on
   * the length. The result is the same array each time: whoever keeps it copies it. */
  readonly magnitudes: (sound: Float32Array, at: number, length: number) => Float32Array;
}

/** `size` is a power of two. */
export function createFourier(size: number): Fourier {
  const fft = new FFT(size);
  const input = new Float64Array(size);
  const output = new Float64Array(2 * size);
  const result = new Float32Array(size / 2);
  const windows = new Map<number, Float64Array>();
  const windowOf = (length: number): Float64Array => {
    const known = windows.get(length);
    if (known) return known;
    const made = Float64Array.from({ length }, (_, i) => (1 - Math.cos((2 * Math.PI * (i + 0.5)) / length)) / length);
    // Stretches end where the next note begins: of all lengths only a few are kept.
    if (windows.size > MOST_WINDOWS) windows.clear();
    windows.set(length, made);
    return made;
  };
  return {
    size,
    magnitudes: (sound, at, length) => {
      const window = windowOf(length);
      input.fill(0);
      for (let i = 0; i < length; i += 1) input[i] = (sound[at + i] ?? 0) * (window[i] as number);
      fft.realTransform(output, input);
      for (let i = 0; i < size / 2; i += 1) {
        const [re, im] = [output[2 * i] as number, output[2 * i + 1] as number];
        result[i] = Math.sqrt(re * re + im * im);
      }
      return result;
    },
  };
}

const MOST_WINDOWS = 64;
