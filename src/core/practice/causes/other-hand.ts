import { inOrder, momentsOf, type AskedMusic, type StruckKey } from '../../asked';
import type { Alignment } from '../alignment';
import { LEAST_GAIN, laidTwice, priceOf, type Reading } from './best-reading';

/** That the hand was played which was not asked for costs so much beside what it explains. Unit: one wrong note. */
const PRICE = 1.5;

/** What the hand that is not asked for would play in these bars, as what is asked; null where both are asked for. */
export function otherHandOf(music: AskedMusic): AskedMusic | null {
  if (music.others.length === 0) return null;
  const notes = inOrder(music.others);
  return { ...music, notes, moments: momentsOf(notes, music.bars, new Set()), others: music.notes };
}

/** How what was played lies along the hand that was not asked for, where that explains it clearly better; else null. */
export function playedByOtherHand(
  other: AskedMusic,
  keys: readonly StruckKey[],
  given: number | null,
  own: Reading,
): Alignment | null {
  const most = priceOf(own) - PRICE - LEAST_GAIN;
  if (most < 0) return null;
  const alignment = laidTwice(other, keys, given, most);
  return alignment.cost <= most ? alignment : null;
}
