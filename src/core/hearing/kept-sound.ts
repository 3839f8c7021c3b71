import { HEARD_RATE } from './rate';

/** The last seconds of what is heard. Places are counted from the beginning of all sound. Unit: samples. */
export interface KeptSound {
  /** Takes at most half of what is kept. */
  readonly add: (chunk: Float32Array) => void;
  /** The sound from a place on; what was let go already is left out. */
  readonly from: (place: number) => Float32Array;
  /** The first place that is kept, and the place behind the last. */
  readonly begin: () => number;
  readonly end: () => number;
}

/** So much is kept, and so much stays when older sound is let go. */
const KEPT = 4 * HEARD_RATE;
const STAYS = 3 * HEARD_RATE;

export function createKeptSound(): KeptSound {
  const sound = new Float32Array(KEPT);
  let begin = 0;
  let filled = 0;
  return {
    add: (chunk) => {
      if (filled + chunk.length > KEPT) {
        const gone = Math.max(0, filled + chunk.length - STAYS);
        sound.copyWithin(0, gone, filled);
        filled -= gone;
        begin += gone;
      }
      sound.set(chunk, filled);
      filled += chunk.length;
    },
    from: (place) => sound.subarray(Math.max(0, place - begin), filled),
    begin: () => begin,
    end: () => begin + filled,
  };
}
