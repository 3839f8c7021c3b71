import { keyCentreMm } from '../keyboard';
import type { HandNote } from '../score';

/** Keys that one hand plays at once, at most. */
const FINGERS = 5;

/** A hand that helps out should not have to stretch: so much of its reach it may use. Our own choice. */
const EASY_REACH = 0.85;

/** Whether the other hand could take a note: it has a finger free at that moment, and all its keys stay within easy reach.
 * `notes` are struck, both hands together. */
export function canOtherHandTake(note: HandNote, notes: readonly HandNote[], spanMm: number): boolean {
  const others = notes.filter(({ hand }) => hand !== note.hand);
  if (others.length === 0) return false;
  const end = note.onset + note.duration;
  const meanwhile = others.filter((other) => other.onset < end && other.onset + other.duration > note.onset);
  if (meanwhile.some(({ midi }) => midi === note.midi)) return false;
  const near = meanwhile.length > 0 ? meanwhile : nearest(note, others);
  const moments = [note.onset, ...near.map(({ onset }) => onset)];
  return moments.every((moment) => {
    const down = near.filter(
      (other) => meanwhile.length === 0 || (other.onset <= moment && other.onset + other.duration > moment),
    );
    const places = [note, ...down].map(({ midi }) => keyCentreMm(midi));
    return down.length < FINGERS && Math.max(...places) - Math.min(...places) <= spanMm * EASY_REACH;
  });
}

/** A hand that rests is where it played last, or will play next. */
function nearest(note: HandNote, others: readonly HandNote[]): readonly HandNote[] {
  const last = others.findLast(({ onset }) => onset <= note.onset) ?? others[0];
  return last ? [last] : [];
}
