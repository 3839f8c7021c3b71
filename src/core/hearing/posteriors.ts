import { HIGHEST_KEY, LOWEST_KEY } from './bands';
import type { HeardByOne } from './possible';
import { HEARD_RATE } from './rate';

/** What the model that listens afterwards says of each of the 88 keys, frame by frame, laid out one frame after the other: how likely it begins there, and how
 * likely it sounds. */
export interface Posteriors {
  readonly onsets: Float32Array;
  readonly sounding: Float32Array;
}

/** The model's windows: so many samples each, and so many frames of each that are used; each begins `WINDOW_STEP` after the one before, `WINDOW_LEAD` of them before
 * the sound. Source: the package’s own inference. Frames are `FRAME` samples long. */
export const FRAME = 256;
export const WINDOW = 2 * HEARD_RATE - FRAME;
export const WINDOW_FRAMES = 172;
export const SKIPPED_FRAMES = 15;
export const WINDOW_LEAD = SKIPPED_FRAMES * FRAME;
export const WINDOW_STEP = WINDOW - 2 * WINDOW_LEAD;
export const USED_FRAMES = WINDOW_FRAMES - 2 * SKIPPED_FRAMES;
export const MODEL_KEYS = 88;
const LOWEST_MODEL_KEY = 21;

/** The model tells an onset so much late. Unit: ms; measured on the recordings that ship. */
const LATE_MS = 6;
/** An onset is the likeliest frame within so many around it, and at least so likely. */
const AROUND = 5;
const LEAST = 0.15;

/** When a frame was. Unit: ms. */
function frameMs(frame: number): number {
  const window = Math.floor(frame / USED_FRAMES);
  return ((window * WINDOW_STEP + (frame % USED_FRAMES) * FRAME) * 1000) / HEARD_RATE;
}

/** What the decision on an onset is made of, in its order: log odds of its beginning, of its sounding on, of its sounding before, of its octaves, twelfth and
 * neighbours beginning as well, and where the key lies. */
export type PosteriorEvidence = readonly number[];

/** The onsets in what the model says, each with what speaks for it. */
export function onsetsIn({
  onsets,
  sounding,
}: Posteriors): readonly { readonly midi: number; readonly atMs: number; readonly evidence: PosteriorEvidence }[] {
  const frames = onsets.length / MODEL_KEYS;
  const begins = (frame: number, key: number): number =>
    key < 0 || key >= MODEL_KEYS || frame < 0 || frame >= frames ? 0 : (onsets[frame * MODEL_KEYS + key] as number);
  const sounds = (frame: number, key: number): number =>
    frame < 0 || frame >= frames ? 0 : (sounding[frame * MODEL_KEYS + key] as number);
  const most = (frame: number, key: number): number => {
    let greatest = 0;
    for (let i = frame - 4; i <= frame + 4; i += 1) greatest = Math.max(greatest, begins(i, key));
    return greatest;
  };
  const all: { midi: number; atMs: number; evidence: PosteriorEvidence }[] = [];
  for (let key = LOWEST_KEY - LOWEST_MODEL_KEY; key <= HIGHEST_KEY - LOWEST_MODEL_KEY; key += 1)
    for (let frame = 0; frame < frames; frame += 1) {
      const own = begins(frame, key);
      if (own < LEAST || !isPeak(begins, frame, key)) continue;
      const mean = (from: number, to: number): number => {
        let sum = 0;
        for (let i = from; i < to; i += 1) sum += sounds(frame + i, key);
        return sum / (to - from);
      };
      all.push({
        midi: key + LOWEST_MODEL_KEY,
        atMs: frameMs(frame) - LATE_MS,
        evidence: [
          logOdds(own),
          logOdds(mean(2, 12)),
          logOdds(mean(-8, -2)),
          logOdds(most(frame, key - 12)),
          logOdds(most(frame, key - 19)),
          logOdds(most(frame, key - 24)),
          logOdds(most(frame, key + 12)),
          logOdds(Math.max(most(frame, key - 1), most(frame, key + 1))),
          (key - 39) / 24,
        ],
      });
    }
  return all;
}

function isPeak(begins: (frame: number, key: number) => number, frame: number, key: number): boolean {
  const own = begins(frame, key);
  for (let i = frame - AROUND; i <= frame + AROUND; i += 1) {
    if (i === frame) continue;
    if (begins(i, key) > own || (i < frame && begins(i, key) === own)) return false;
  }
  return true;
}

/** Neither sure nor impossible beyond a ten thousandth. */
const SUREST = 1e-4;

function logOdds(probability: number): number {
  return Math.log(Math.max(SUREST, probability) / Math.max(SUREST, 1 - probability));
}

/** How likely each onset was a key that was struck, by a table of weights, the last being the table's own. */
export function heardAfter(posteriors: Posteriors, weights: readonly number[]): readonly HeardByOne[] {
  return onsetsIn(posteriors).map(({ midi, atMs, evidence }) => ({
    midi,
    atMs,
    odds: evidence.reduce((sum, value, i) => sum + value * (weights[i] as number), weights[evidence.length] as number),
  }));
}
