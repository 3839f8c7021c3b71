import { createFourier } from './fourier';
import { HEARD_RATE } from './rate';

/** Something began to sound. `at` in samples from the beginning; `strength` is how much louder it became, without unit. */
export interface Onset {
  readonly at: number;
  readonly strength: number;
}

/** Short spectra, one after the other. Unit: samples. */
export const SHORT = 1024;
export const HOP = 128;

/** Finds where something begins, frame by frame. */
export interface OnsetFinder {
  /** Takes the next short stretch of sound, which lies at `place` counted from the beginning; gives the onset that is certain now, or null. */
  readonly take: (stretch: Float32Array, place: number) => Onset | null;
}

/** Bands of the short spectrum: those of a few Hz low down, a sixth of an octave above. */
const LOWEST_HZ = 55;
const STEP = 2 ** (1 / 9);
/** How far back a frame is compared, how far around an onset must be the greatest, over how long the usual is taken. Unit: frames. */
const LAG = 4;
const AROUND = 6;
const USUAL = 60;
/** How much above the usual: our own choice, low: what has no note in it is left out later. */
const ABOVE = 0.1;
const TIMES = 1.25;
/** A spectrum's rise is greatest when so much of it lies behind the onset. Unit: samples; measured on the recordings that ship. */
const ONSET_IN_FRAME = 420;

/** `loudness` is about the loudest magnitude of a note that is meant to be heard; what is far below that hardly counts. */
export function createOnsetFinder(loudness: () => number): OnsetFinder {
  const fourier = createFourier(SHORT);
  const edges = bandEdges();
  const logs: Float32Array[] = [];
  const rises: number[] = [];
  const places: number[] = [];
  return {
    take: (stretch, place) => {
      const magnitudes = fourier.magnitudes(stretch, 0, SHORT);
      const scale = 300 / (loudness() + 1e-9);
      const frame = new Float32Array(edges.length - 1);
      for (let b = 0; b < frame.length; b += 1) {
        let most = 0;
        for (let i = edges[b] as number; i < (edges[b + 1] as number); i += 1)
          most = Math.max(most, magnitudes[i] as number);
        frame[b] = Math.log(1 + scale * most);
      }
      logs.push(frame);
      places.push(place);
      rises.push(riseOf(frame, logs.at(-1 - LAG)));
      if (logs.length > LAG + 1) logs.shift();
      if (rises.length > USUAL + AROUND) {
        rises.shift();
        places.shift();
      }
      const middle = rises.length - 1 - AROUND;
      if (middle < 0) return null;
      const own = rises[middle] as number;
      const first = Math.max(0, middle - AROUND);
      for (let i = first; i < rises.length; i += 1) {
        if (i !== middle && ((rises[i] as number) > own || (i < middle && rises[i] === own))) return null;
      }
      const usual = rises.reduce((sum, rise) => sum + rise, 0) / rises.length;
      if (own < ABOVE + TIMES * usual) return null;
      return { at: (places[middle] as number) + ONSET_IN_FRAME, strength: own };
    },
  };
}

/** The mean rise over all bands; the neighbours of a band before count too, so that a pitch that wavers is no onset. */
function riseOf(frame: Float32Array, before: Float32Array | undefined): number {
  if (!before) return 0;
  let sum = 0;
  for (let b = 0; b < frame.length; b += 1) {
    const most = Math.max(before[b - 1] ?? 0, before[b] as number, before[b + 1] ?? 0);
    sum += Math.max(0, (frame[b] as number) - most);
  }
  return sum / frame.length;
}

function bandEdges(): readonly number[] {
  const edges: number[] = [];
  for (let hz = LOWEST_HZ; hz < HEARD_RATE / 2; hz *= STEP) {
    const bin = Math.round((hz * SHORT) / HEARD_RATE);
    if (edges.at(-1) !== bin) edges.push(bin);
  }
  return edges;
}
