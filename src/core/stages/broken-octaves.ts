import type { HandNote } from '../score';
import { lowestOf, type Strike } from './strikes';

const OCTAVE_KEYS = 12;

/** An octave that a hand breaks: its lower note and the upper one that follows. */
export interface BrokenOctave {
  readonly low: HandNote;
  readonly top: HandNote;
}

/** Octaves broken over neighbouring notes of a bar, or with notes between them that lie between the two. */
export function brokenOctaves(strikes: readonly Strike[]): readonly BrokenOctave[] {
  return strikes.flatMap((strike, i): readonly BrokenOctave[] => {
    const top = lowestOf(strike);
    if (strike.notes.length > 1) return [];
    for (let at = i - 1; at >= 0; at -= 1) {
      const before = strikes[at] as Strike;
      const low = lowestOf(before);
      const isBetween = low.midi >= top.midi - OCTAVE_KEYS && low.midi < top.midi;
      if (before.notes.length > 1 || low.barIndex !== top.barIndex || !isBetween) return [];
      if (low.midi === top.midi - OCTAVE_KEYS) return [{ low, top }];
    }
    return [];
  });
}
