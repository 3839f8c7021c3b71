import { HEARD_RATE } from './rate';

/** Bands of pitch: three to a half step, the middle one in tune. */
export const BANDS_A_STEP = 3;
/** The lowest and the highest note whose pitch has bands: overtones lie above the highest key that is looked for. */
export const LOWEST_BAND = 26;
export const HIGHEST_BAND = 119;
export const BAND_COUNT = (HIGHEST_BAND - LOWEST_BAND + 1) * BANDS_A_STEP;

/** The keys that are listened for. Source: our own choice; below and above lie few of a beginner's notes, and what the probe heard of them was not to be trusted. */
export const LOWEST_KEY = 31;
export const HIGHEST_KEY = 98;
export const KEY_COUNT = HIGHEST_KEY - LOWEST_KEY + 1;

const A4 = 69;
const A4_HZ = 440;

/** The frequency of a key, given as a MIDI number that may lie between two. `cents`: how much higher the piano is tuned. Unit: Hz. */
export function frequencyOf(midi: number, cents = 0): number {
  return A4_HZ * 2 ** ((midi - A4 + cents / 100) / 12);
}

/** The band in the middle of a key. */
export function bandOf(midi: number): number {
  return Math.round((midi - LOWEST_BAND) * BANDS_A_STEP) + 1;
}

/** What each band takes from a spectrum: weights of neighbouring bins. */
export interface Bands {
  /** Adds up a spectrum's magnitudes by bands. */
  readonly of: (magnitudes: Float32Array) => Float32Array;
}

/** The bands of a piano that is tuned so many cents higher than usual, for spectra of one size. A band is as wide as it is from its neighbours, and at least
 * as wide as what one frequency takes up in the spectrum. */
export function createBands(size: number, cents: number): Bands {
  const binHz = HEARD_RATE / size;
  const weights = Array.from({ length: BAND_COUNT }, (_, band) => {
    const middle = frequencyOf(LOWEST_BAND + (band - 1) / BANDS_A_STEP, cents) / binHz;
    const half = Math.max(1, middle * (2 ** (1 / (12 * BANDS_A_STEP)) - 1));
    const first = Math.max(0, Math.ceil(middle - half));
    const last = Math.min(size / 2 - 1, Math.floor(middle + half));
    return {
      first,
      weights: Float32Array.from(
        { length: Math.max(0, last - first + 1) },
        (__, i) => 1 - Math.abs(first + i - middle) / half,
      ),
    };
  });
  return {
    of: (magnitudes) => {
      const out = new Float32Array(BAND_COUNT);
      weights.forEach(({ first, weights: own }, band) => {
        let sum = 0;
        for (let i = 0; i < own.length; i += 1) sum += (magnitudes[first + i] as number) * (own[i] as number);
        out[band] = sum;
      });
      return out;
    },
  };
}
