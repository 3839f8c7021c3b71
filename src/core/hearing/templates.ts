import { BAND_COUNT, createBands, KEY_COUNT, LOWEST_KEY } from './bands';
import { createFourier } from './fourier';
import { HEARD_RATE, samplesIn } from './rate';
import { createResampler } from './resample';

/** How the keys of a piano sound: for each key from `LOWEST_KEY` on the bands of its first moments, dark, as recorded and bright, each summing up to one.
 * Laid out one after the other: key, then shade, then band. */
export type NoteTemplates = Float32Array;

/** A recording of one key, in tune, at `HEARD_RATE`. */
export interface RecordedKey {
  readonly midi: number;
  readonly sound: Float32Array;
}

/** Another piano, or a softer stroke, has other overtones: each recording is tilted. Unit: power of the ratio to the lowest frequency. */
const SHADES = [-0.7, 0, 0.4] as const;
export const SHADE_COUNT = SHADES.length;

/** The stretch of a note that is looked at, from its beginning on. Unit: samples, ms. */
export const STRETCH = 4096;
export const AFTER_ONSET_MS = 12;

/** Makes templates from recordings of some keys; those between are moved from the nearest. */
export function noteTemplates(recorded: readonly RecordedKey[]): NoteTemplates {
  const fourier = createFourier(STRETCH);
  const bands = createBands(STRETCH, 0);
  const all = new Float32Array(KEY_COUNT * SHADE_COUNT * BAND_COUNT);
  for (let key = 0; key < KEY_COUNT; key += 1) {
    const midi = LOWEST_KEY + key;
    const near = recorded.toSorted((a, b) => Math.abs(a.midi - midi) - Math.abs(b.midi - midi))[0];
    if (!near) throw new Error('no recordings');
    const sound = moved(near, midi);
    const at = beginOf(sound) + samplesIn(AFTER_ONSET_MS);
    const plain = bands.of(fourier.magnitudes(sound, at, STRETCH));
    SHADES.forEach((tilt, shade) => all.set(tilted(plain, tilt), (key * SHADE_COUNT + shade) * BAND_COUNT));
  }
  return all;
}

function moved({ midi, sound }: RecordedKey, to: number): Float32Array {
  if (midi === to) return sound;
  return createResampler(HEARD_RATE * 2 ** ((to - midi) / 12), HEARD_RATE)(sound);
}

function tilted(plain: Float32Array, tilt: number): Float32Array {
  const out = plain.map((value, band) => value * 2 ** ((tilt * band) / 36));
  const sum = out.reduce((total, value) => total + value, 0);
  return out.map((value) => value / sum);
}

/** Where a recording begins to sound: at a share of its loudest. */
function beginOf(sound: Float32Array): number {
  const loudest = sound.reduce((most, value) => Math.max(most, Math.abs(value)), 0);
  return Math.max(
    0,
    sound.findIndex((value) => Math.abs(value) > BEGINS * loudest),
  );
}

const BEGINS = 0.05;
