import type { HandNote } from '../score';
import { lowestOf, type Strike } from './strikes';

const OCTAVE_KEYS = 12;

/** An octave that a hand breaks: its lower note and the upper one that follows. */
export interface BrokenOctave {
  readonly low: HandNote;
  readonly top: HandNote;
}

/** Octaves broken over neighbouring notes, or with others between them before the lower note comes again. */
export function brokenOctaves(strikes: readonly Strike[]): readonly BrokenOctave[] {
  const octaves: BrokenOctave[] = [];
  let low: HandNote | null = null;
  for (const strike of strikes) {
    const note = lowestOf(strike);
    if (strike.notes.length > 1) low = null;
    else if (low && note.midi === low.midi + OCTAVE_KEYS && note.barIndex === low.barIndex)
      octaves.push({ low, top: note });
    else if (!low || note.midi <= low.midi || note.barIndex !== low.barIndex) low = note;
  }
  return octaves;
}
