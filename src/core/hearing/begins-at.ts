import { samplesIn } from './rate';

/** How far around the place is looked, in steps of how much, and over which time the loudness before and after is compared. */
const EARLIER = samplesIn(40);
const LATER = samplesIn(14);
const STEP = samplesIn(1.5);
const OVER = samplesIn(14);
const SILENCE = 1e-9;

/** Where exactly something begins near a place of the sound: where it becomes louder the most from one moment to the next. High frequencies count more, as
 * hammers are heard by them. Unit: samples. */
export function beginsAt(sound: Float32Array, place: number): number {
  let best = place;
  let most = 0;
  const first = Math.max(OVER, place - EARLIER);
  for (let at = first; at <= place + LATER; at += STEP) {
    const rise = (power(sound, at, at + OVER) + SILENCE) / (power(sound, at - OVER, at) + SILENCE);
    if (rise > most) [best, most] = [at, rise];
  }
  return best;
}

function power(sound: Float32Array, from: number, to: number): number {
  let sum = 0;
  for (let i = from; i < to; i += 1) {
    const change = (sound[i] ?? 0) - (sound[i - 1] ?? 0);
    sum += change * change;
  }
  return sum;
}
