/** How long a click is. Unit: s. */
export const CLICK_S = 0.08;

/** It begins an octave higher and falls to its pitch in this time. Unit: s. */
const FALLS_S = 0.008;

/** It grows for this long before it fades. Unit: s. */
const GROWS_S = 0.001;

/** It fades by this factor over its length: to a thousandth, which is silence. */
const FADES_TO = 0.001;

/** The samples of a click like that of a wooden metronome: a tone that falls to its pitch at once and fades. From -1 to 1. */
export function woodClick(pitchHz: number, samplesPerS: number): Float32Array<ArrayBuffer> {
  const samples = new Float32Array(Math.ceil(CLICK_S * samplesPerS));
  let turns = 0;
  for (let i = 0; i < samples.length; i += 1) {
    const atS = i / samplesPerS;
    const height = Math.min(1, atS / GROWS_S) * FADES_TO ** (atS / CLICK_S);
    samples[i] = height * Math.sin(2 * Math.PI * turns);
    turns += (pitchHz * 2 ** Math.max(0, 1 - atS / FALLS_S)) / samplesPerS;
  }
  return samples;
}
