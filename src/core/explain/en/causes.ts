import { assertNever } from '../../base';
import type { PlayFault } from '../../practice';
import { capital, countWord, HAND } from './common';
import { spanText } from './hands';
import type { Terms } from './terms';

/** What went wrong over a whole stretch for one cause. */
export function causeWords(t: Terms, fault: PlayFault, kind: 'transposed' | 'one-hand' | 'hand-late'): string {
  switch (kind) {
    case 'transposed':
      return `${stretchWords(t, fault)}: ${shiftWords(fault)}.`;
    case 'one-hand':
      return `The ${fault.hand ? HAND[fault.hand] : 'other hand'} was not played.`;
    case 'hand-late':
      return `${stretchWords(t, { ...fault, hand: null })}: ${lateWords(fault)}.`;
    default:
      return assertNever(kind);
  }
}

/** Intervals as one says them, by letters and by half steps. Common practice. */
const LETTERS_OFF: Readonly<Record<number, string>> = { 2: 'third', 3: 'fourth', 4: 'fifth' };
const HALF_STEPS_OFF: Readonly<Record<number, string>> = {
  1: 'half step',
  2: 'whole step',
  3: 'minor third',
  4: 'major third',
  5: 'fourth',
  6: 'tritone',
  7: 'fifth',
  8: 'minor sixth',
  9: 'major sixth',
  10: 'minor seventh',
  11: 'major seventh',
};

/** Where a cause holds: the bars, and the hand where it is about one. */
function stretchWords(t: Terms, { bar, hand, stretch }: Pick<PlayFault, 'bar' | 'hand' | 'stretch'>): string {
  const bars = stretch?.isWhole ? 'From beginning to end' : capital(spanText(t, [bar, stretch?.toBar ?? bar]));
  return hand ? `${bars}, ${HAND[hand]}` : bars;
}

/** How far off the keys were, as one says it: by the octave, by an interval, or by where the hand sat. */
function shiftWords({ stretch }: PlayFault): string {
  const { letters, halfSteps } = stretch?.shift ?? { letters: 0, halfSteps: 0 };
  const way = letters < 0 ? 'too low' : 'too high';
  const size = Math.abs(letters);
  if (size % 7 === 0 && halfSteps !== null)
    return `the right notes, ${size === 7 ? 'an octave' : `${countWord(size / 7)} octaves`} ${way}`;
  if (halfSteps === null) return `the hand sits a ${LETTERS_OFF[size]} ${way}`;
  return `everything a ${HALF_STEPS_OFF[Math.abs(halfSteps)]} ${way}, as in another key`;
}

/** Which hand was behind or ahead, and by how much. */
function lateWords({ hand, stretch }: PlayFault): string {
  const beats = stretch?.beats ?? 0;
  const [own, other] = hand === 'left' ? [HAND.left, HAND.right] : [HAND.right, HAND.left];
  return `the ${own} is ${beatsWord(Math.abs(beats))} ${beats < 0 ? 'ahead of' : 'behind'} the ${other}`;
}

function beatsWord(beats: number): string {
  if (beats === 0.5) return 'half a beat';
  return beats === 1 ? 'one beat' : `${countWord(beats)} beats`;
}
