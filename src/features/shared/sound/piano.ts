'use client';

import { ownAddress } from '@/features/shared/address/own-address';
import { getContext, start, ToneAudioBuffers } from 'tone';
import { nearestRecording, sampleFiles } from './recorded-keys';
import { createSounds } from './recordings';
import type { Sounder } from './sounding';
import { CLICK_S, woodClick } from './wood';

/** So long before a string is heard its recording begins: where it first reaches a tenth of its height, the middle of the set; from A1 up all are within
 * 4 ms of it, in the lowest octave they are later. Measured on the decoded recordings. Unit: s. */
const LEAD_S = 0.013;

/** How long a struck note rings on after its key is let go. Unit: s. */
const RELEASE_S = 0.4;

/** A browser that gives no sound may never say so: it is waited for this long. Unit: ms. */
const STARTS_WITHIN_MS = 5_000;

/** Lets the sound of the page begin. Throws where the browser does not do it, or not in time. */
async function begun(): Promise<void> {
  let timer: ReturnType<typeof setTimeout> | undefined;
  const late = new Promise<never>((_, reject) => {
    timer = setTimeout(() => reject(new Error('the sound did not begin')), STARTS_WITHIN_MS);
  });
  await Promise.race([start(), late]).finally(() => clearTimeout(timer));
  if (getContext().state !== 'running') throw new Error('the sound is held back');
}

/** The recordings, read and ready, each under the name of its key. Throws where one of them does not come. */
function readRecordings(): Promise<ToneAudioBuffers> {
  return new Promise((resolve, reject) => {
    const recordings = new ToneAudioBuffers({
      urls: sampleFiles(),
      baseUrl: ownAddress('/samples/'),
      onload: () => resolve(recordings),
      onerror: (error) => {
        if (!recordings.disposed) recordings.dispose();
        reject(error);
      },
    });
  });
}

/** A click of the metronome, ready to be played. */
function woodBuffer(pitchHz: number): AudioBuffer {
  const { sampleRate } = getContext();
  const samples = woodClick(pitchHz, sampleRate);
  const buffer = getContext().createBuffer(1, samples.length, sampleRate);
  buffer.copyToChannel(samples, 0);
  return buffer;
}

/** How much softer than the piano a click is. Unit: dB. */
const CLICK_DB = -10;

/** A grand piano from recordings, and a wooden click for beats. */
export function createPiano(): Sounder {
  let loading: Promise<ToneAudioBuffers> | null = null;
  const load = (): Promise<ToneAudioBuffers> => {
    loading ??= readRecordings().catch((error: unknown) => {
      // The next who wants to hear something tries anew.
      loading = null;
      throw error;
    });
    return loading;
  };
  // Begun at once, and told to whoever waits for it; where nobody does yet, it is no fault of the page.
  load().catch(() => undefined);
  const sounds = createSounds();
  const wood = { first: woodBuffer(784), other: woodBuffer(523.25) };
  let recordings: ToneAudioBuffers | null = null;
  return {
    ready: async () => {
      await begun();
      recordings = await load();
    },
    now: () => getContext().currentTime,
    strike: (midi, atS, lengthS, loudness) => {
      const { name, semitonesUp } = nearestRecording(midi);
      if (!recordings?.has(name)) return;
      sounds.play({
        recording: recordings.get(name),
        atS: Math.max(getContext().currentTime, atS - LEAD_S),
        lengthS,
        releaseS: RELEASE_S,
        speed: 2 ** (semitonesUp / 12),
        loudness,
        gainDb: 0,
      });
    },
    click: (atS, isFirst) =>
      sounds.play({
        recording: isFirst ? wood.first : wood.other,
        atS,
        lengthS: CLICK_S,
        releaseS: 0,
        speed: 1,
        loudness: isFirst ? 0.9 : 0.5,
        gainDb: CLICK_DB,
      }),
    quiet: () => sounds.letGo(),
  };
}
