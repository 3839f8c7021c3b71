'use client';

import { ownAddress } from '@/features/shared/address/own-address';
import { getContext, MembraneSynth, Sampler, start } from 'tone';
import type { Sounder } from './sounding';

/** The keys that were recorded: every third one. Source: the sample set named in docs/credits.md. */
const LETTERS = [
  ['C', 'C'],
  ['D#', 'Ds'],
  ['F#', 'Fs'],
  ['A', 'A'],
] as const;

function sampleFiles(): Readonly<Record<string, string>> {
  const octaves = [0, 1, 2, 3, 4, 5, 6, 7, 8];
  const names = octaves.flatMap((octave) =>
    LETTERS.map(([letter, file]) => [`${letter}${octave}`, `${file}${octave}.mp3`] as const),
  );
  // The set goes from A0 to C8.
  return Object.fromEntries(
    names.filter(([name]) => (!name.endsWith('0') || name === 'A0') && (!name.endsWith('8') || name === 'C8')),
  );
}

/** So long before a string is heard its recording begins: where it first reaches a tenth of its height, the middle of the set; from A1 up all are within
 * 4 ms of it, in the lowest octave they are later. Measured on the decoded recordings. Unit: s. */
const LEAD_S = 0.013;

/** How long a struck note rings on after its key is let go. Unit: s. */
const RELEASE_S = 0.4;

/** A click like that of a wooden metronome. */
function createWood(): MembraneSynth {
  return new MembraneSynth({
    pitchDecay: 0.008,
    octaves: 2,
    envelope: { attack: 0.001, decay: 0.08, sustain: 0, release: 0.02 },
    volume: -10,
  }).toDestination();
}

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

/** The recordings, read and ready. Throws where one of them does not come. */
function loadedSampler(): Promise<Sampler> {
  return new Promise((resolve, reject) => {
    const sampler = new Sampler({
      urls: sampleFiles(),
      baseUrl: ownAddress('/samples/'),
      release: RELEASE_S,
      onload: () => resolve(sampler),
      onerror: (error) => {
        if (!sampler.disposed) sampler.dispose();
        reject(error);
      },
    }).toDestination();
  });
}

/** A grand piano from recordings, and a wooden click for beats. */
export function createPiano(): Sounder {
  let loading: Promise<Sampler> | null = null;
  const load = (): Promise<Sampler> => {
    loading ??= loadedSampler().catch((error: unknown) => {
      // The next who wants to hear something tries anew.
      loading = null;
      throw error;
    });
    return loading;
  };
  // Begun at once, and told to whoever waits for it; where nobody does yet, it is no fault of the page.
  load().catch(() => undefined);
  let wood = createWood();
  let lastClickS = 0;
  let sampler: Sampler | null = null;
  return {
    ready: async () => {
      await begun();
      sampler = await load();
    },
    now: () => getContext().currentTime,
    strike: (midi, atS, lengthS, loudness) => {
      const beginsS = Math.max(getContext().currentTime, atS - LEAD_S);
      sampler?.triggerAttackRelease(440 * 2 ** ((midi - 69) / 12), lengthS, beginsS, loudness);
    },
    click: (atS, isFirst) => {
      lastClickS = atS;
      wood.triggerAttackRelease(isFirst ? 'G5' : 'C5', 0.03, atS, isFirst ? 0.9 : 0.5);
    },
    quiet: () => {
      sampler?.releaseAll();
      if (lastClickS <= getContext().currentTime) return;
      // Clicks that were handed over for later cannot be taken back from it, and it takes none before them: they come where nobody hears them.
      const past = wood;
      past.disconnect();
      wood = createWood();
      // Its parts go on sounding unheard until they are let go, and that can be done once what was handed over is past.
      setTimeout(() => past.dispose(), (lastClickS - getContext().currentTime + 1) * 1000);
      lastClickS = 0;
    },
  };
}
