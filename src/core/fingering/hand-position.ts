import type { Finger, Hand, HandNote } from '../score';
import type { Transition } from './meeting';

/** A stretch of notes over which one hand stays where it is.
 * `lowest` is the letter, counted from C0, under the hand's lowest finger; `spread` by how many letters the hand
 * opens beyond five (0 is closed); `home` the lowest of the five letters from which it opens, by which it is named. `fingers` has the finger of each note. */
export interface HandPosition {
  readonly hand: Hand;
  readonly lowest: number;
  readonly spread: number;
  readonly home: number;
  readonly notes: readonly HandNote[];
  readonly fingers: ReadonlyMap<string, Finger>;
  /** How the hand came here, and how much the transition bound (1 in an unbroken line); null where it begins. */
  readonly arrival: { readonly transition: Exclude<Transition, 'stay'>; readonly bond: number } | null;
}

/** The finger over a letter in a closed hand; undefined outside it. */
export function fingerAt(hand: Hand, lowest: number, letter: number): Finger | undefined {
  const place = letter - lowest;
  if (place < 0 || place > 4) return undefined;
  return (hand === 'right' ? place + 1 : 5 - place) as Finger;
}
