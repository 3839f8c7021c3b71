import { createBands, frequencyOf } from './bands';
import { createFourier } from './fourier';
import { createOnsetFinder, HOP, SHORT } from './onsets';
import { HEARD_RATE, samplesIn } from './rate';
import { AFTER_ONSET_MS, STRETCH } from './templates';

/** A named note as it was heard while tuning in. */
export interface TunedNote {
  /** How much higher than usual it is. */
  readonly cents: number;
  /** How loud it is, and how loud it was before it came, each as the sum of all bands. */
  readonly loudness: number;
  readonly noise: number;
}

/** What became of a stretch of sound: nothing yet, the named note, or another one. */
export type TuningHeard =
  { readonly is: 'nothing' } | { readonly is: 'other' } | { readonly is: 'note'; readonly note: TunedNote };

/** Waits for one named note after the other. */
export interface Tuner {
  /** Takes sound at `HEARD_RATE`; `midi` is the key that is asked for. */
  readonly take: (chunk: Float32Array, midi: number) => TuningHeard;
}

/** A long stretch tells a pitch more exactly. Unit: samples. */
const LONG = 8192;
/** How far a piano may be out of tune and is still heard. Unit: cents. */
const MOST_CENTS = 50;
/** Partials that are looked at, and how much the key's own bands must stand out to be believed. */
const PARTIALS = 4;
const BELIEVED = 3;
const HALF_STEP = 100;
/** A note is this much louder than what was there before. */
const LOUDER = 3;

export function createTuner(): Tuner {
  const fourier = createFourier(2 * LONG);
  const level = createFourier(STRETCH);
  const bands = createBands(STRETCH, 0);
  let loudest = 1e-4;
  let finder = createOnsetFinder(() => loudest);
  let sound: Float32Array = new Float32Array(0);
  let begin = 0;
  let frame = 0;
  let onset: number | null = null;
  const sumAt = (at: number): number =>
    bands.of(level.magnitudes(sound, at, STRETCH)).reduce((sum, value) => sum + value, 0);
  const forget = (): void => {
    finder = createOnsetFinder(() => loudest);
    sound = new Float32Array(0);
    begin = 0;
    frame = 0;
    onset = null;
  };
  return {
    take: (chunk, midi) => {
      const whole = new Float32Array(sound.length + chunk.length);
      whole.set(sound);
      whole.set(chunk, sound.length);
      sound = whole;
      for (; onset === null && frame + SHORT <= begin + sound.length; frame += HOP)
        onset = finder.take(sound.subarray(frame - begin), frame)?.at ?? null;
      if (onset === null) {
        const gone = Math.max(0, sound.length - KEPT);
        sound = sound.slice(gone);
        begin += gone;
        return { is: 'nothing' };
      }
      const from = onset - begin + samplesIn(AFTER_ONSET_MS);
      if (sound.length < from + LONG) return { is: 'nothing' };
      const loudness = sumAt(from);
      const noise = sumAt(Math.max(0, from - samplesIn(AFTER_ONSET_MS) - samplesIn(25) - STRETCH));
      loudest = Math.max(loudest / 2, loudness);
      const cents = loudness > LOUDER * noise ? centsOf(fourier.magnitudes(sound, from, LONG), midi) : null;
      const isNoteAtAll = loudness > LOUDER * noise;
      forget();
      if (cents !== null) return { is: 'note', note: { cents, loudness, noise } };
      return isNoteAtAll ? { is: 'other' } : { is: 'nothing' };
    },
  };
}

const KEPT = HEARD_RATE;

/** How much higher than usual a key sounds, by its lowest partials; null where the sound is not that key's. Unit: cents. */
function centsOf(magnitudes: Float32Array, midi: number): number | null {
  const binHz = HEARD_RATE / (2 * LONG);
  const most = (low: number, high: number): { readonly bin: number; readonly value: number } => {
    let [bin, value] = [Math.max(1, Math.floor(low / binHz)), 0];
    for (let i = Math.max(1, Math.floor(low / binHz)); i <= Math.ceil(high / binHz); i += 1)
      if ((magnitudes[i] ?? 0) > value) [bin, value] = [i, magnitudes[i] as number];
    return { bin, value };
  };
  const found: { readonly cents: number; readonly weight: number }[] = [];
  let stands = 0;
  for (let partial = 1; partial <= PARTIALS; partial += 1) {
    const hz = frequencyOf(midi) * partial;
    const reach = 2 ** ((MOST_CENTS + 10) / 1200);
    const peak = most(hz / reach, hz * reach);
    const beside = Math.max(
      most(hz * 2 ** (-1.6 / 12), hz * 2 ** (-0.75 / 12)).value,
      most(hz * 2 ** (0.75 / 12), hz * 2 ** (1.6 / 12)).value,
    );
    if (peak.value > BELIEVED * beside) stands += 1;
    found.push({
      cents: 12 * HALF_STEP * Math.log2((exactBin(magnitudes, peak.bin) * binHz) / hz),
      weight: peak.value / partial,
    });
  }
  const [first] = found;
  if (stands < 2 || !first) return null;
  // The key an octave below has the same partials, and more between them.
  const below = most((frequencyOf(midi) * 1.5) / 1.02, frequencyOf(midi) * 1.5 * 1.02).value;
  if (below > 0.5 * Math.max(...found.map(({ weight }) => weight))) return null;
  const total = found.reduce((sum, { weight }) => sum + weight, 0);
  return found.reduce((sum, { cents, weight }) => sum + (cents * weight) / total, 0);
}

/** Where between the bins a peak lies, by a parabola through the logarithms of three. */
function exactBin(magnitudes: Float32Array, bin: number): number {
  const [a, b, c] = [-1, 0, 1].map((off) => Math.log(Math.max(1e-12, magnitudes[bin + off] ?? 0))) as [
    number,
    number,
    number,
  ];
  const bend = a - 2 * b + c;
  return bend === 0 ? bin : bin + (a - c) / (2 * bend);
}

/** What the notes together say. `clearDb`: how far the noise lies below a note. */
export interface Tuning {
  readonly cents: number;
  readonly loudness: number;
  readonly clearDb: number;
}

/** Null where no note was heard. */
export function tuningOf(notes: readonly TunedNote[]): Tuning | null {
  if (notes.length === 0) return null;
  const middle = (values: readonly number[]): number =>
    values.toSorted((a, b) => a - b)[Math.floor(values.length / 2)] as number;
  return {
    cents: Math.round(middle(notes.map(({ cents }) => cents))),
    loudness: middle(notes.map(({ loudness }) => loudness)),
    clearDb: Math.round(
      20 * Math.log10(middle(notes.map(({ loudness, noise }) => loudness / Math.max(noise, loudness * 1e-4)))),
    ),
  };
}
