import type { HandNote } from '../score';
import type { Flag } from './flag';

/** The place of a flag, from its notes in order of time. */
export function placeOf(notes: readonly HandNote[]): Pick<Flag, 'bar' | 'bars' | 'beat' | 'notes' | 'hand'> {
  const first = notes[0] as HandNote;
  return {
    hand: first.hand,
    bar: first.bar,
    bars: [...new Set(notes.map((note) => note.bar))],
    beat: first.beat,
    notes: notes.map((note) => note.id),
  };
}
