'use client';

import { getContext, ToneBufferSource, type ToneAudioBuffer } from 'tone';

/** One sound out of a recording. */
export interface Sound {
  readonly recording: ToneAudioBuffer | AudioBuffer;
  /** When it begins, on the clock of the page's sound, and how long it is held. Unit: s. */
  readonly atS: number;
  readonly lengthS: number;
  /** How long it rings on when it is let go. Unit: s. */
  readonly releaseS: number;
  /** 1 as recorded, 2 an octave higher. */
  readonly speed: number;
  /** From 0 to 1. */
  readonly loudness: number;
  /** Made louder or softer by this much. Unit: dB. */
  readonly gainDb: number;
}

/** Sounds that were handed over, each with its time. */
export interface Sounds {
  readonly play: (sound: Sound) => void;
  /** Lets go all that sounds and takes back all that is still to come. */
  readonly letGo: () => void;
}

export function createSounds(): Sounds {
  const held = new Set<{ readonly source: ToneBufferSource; readonly untilS: number }>();
  return {
    play: ({ recording, atS, lengthS, releaseS, speed, loudness, gainDb }) => {
      const source = new ToneBufferSource({
        url: recording,
        curve: 'exponential',
        fadeOut: releaseS,
        playbackRate: speed,
      }).toDestination();
      const one = { source, untilS: atS + lengthS };
      source.onended = () => void held.delete(one);
      held.add(one);
      source.start(atS, 0, lengthS, loudness * 10 ** (gainDb / 20));
    },
    letGo: () => {
      const now = getContext().currentTime;
      // What rings on already would be struck up again by being let go a second time.
      for (const { source, untilS } of held) if (untilS > now) source.stop(now);
      held.clear();
    },
  };
}
