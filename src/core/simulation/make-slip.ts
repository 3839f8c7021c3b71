import type { Chance } from './chance';
import type { Playing, Stroke } from './pupil';

/** What went wrong at a place: the strokes as they are now, the moments from the first to the last that are touched, where it is heard, and the notes. */
export interface SlipMade {
  readonly strokes: readonly Stroke[];
  readonly from: number;
  readonly to: number;
  readonly at: number;
  readonly notes: readonly number[];
}

/** Lets something go wrong where the music has a place for it and nothing else is near; null where it has none. */
export type MakeSlip = (
  playing: Playing,
  chance: Chance,
  isFree: (from: number, to: number) => boolean,
) => SlipMade | null;
