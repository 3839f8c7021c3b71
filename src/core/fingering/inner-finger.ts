/* eslint max-params: ["error", 6] -- asked for every pair of grips of every two events: an object made for each call would cost more than the sum */
import { isOnBlack, type View } from './key-view';
import type { Demands } from './player';
import type { PassageNote } from './passage';

/** The widest gap that finger 4 takes beside 5, in letters. Source: handbook, octave patterns. */
const THIRD_LETTERS = 2;

/** The finger beside 5 in an octave: 4 up to a third from it, else 3; in the other school 3 on a black key (handbook). `inner` and
 * `outer` are indexes into `notes`. */
export function innerFinger(
  { player }: Demands,
  view: View,
  notes: readonly PassageNote[],
  inner: number,
  outer: number,
): 3 | 4 {
  const gap = Math.abs((notes[outer]?.letter ?? 0) - (notes[inner]?.letter ?? 0));
  return gap <= THIRD_LETTERS && !(player.inner === 'black' && isOnBlack(view, inner)) ? 4 : 3;
}
