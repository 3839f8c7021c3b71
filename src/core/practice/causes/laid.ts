import type { AskedMusic, StruckKey } from '../../asked';
import type { Alignment, KeyFate } from '../alignment';
import { barPlace } from './page-as-played';

/** Keys as they lie along a page: in which bar each moment is (by its place), and whether a key is the one that is written. */
export interface Laid {
  readonly music: AskedMusic;
  readonly keyCount: number;
  readonly fates: readonly KeyFate[];
  readonly places: readonly number[];
  readonly isRight: (key: number) => boolean;
}

export function laid(music: AskedMusic, keys: readonly StruckKey[], { fates }: Alignment): Laid {
  return {
    music,
    keyCount: keys.length,
    fates,
    places: music.moments.map(({ at }) => barPlace(music, at)),
    isRight: (key) => {
      const note = fates[key]?.note ?? null;
      return note !== null && music.notes[note]?.midi === keys[key]?.midi;
    },
  };
}

/** The bar in which a key was taken for a note; null where it was for none. */
export function placeOfKey({ fates, places }: Laid, key: number): number | null {
  const moment = fates[key]?.moment ?? null;
  return moment === null ? null : (places[moment] as number);
}
