import type { TonicHand } from '../fingering';
import type { Hand } from '../score';
import type { Moment } from './moments';
import type { Shape } from './shapes';
import { POSTURE } from './weights.table';

/** The letters by which a hand finds its place: those of the part, mirrored in the left hand. */
export interface Part {
  readonly hand: Hand;
  readonly tonicHand: TonicHand;
  /** The tonic's letter as the hand counts, 0 to 6. */
  readonly tonic: number;
  readonly low: number;
  readonly high: number;
}

const DOMINANT = 4;

/** What it costs to put the hand down somewhere else than where a teacher puts it: the thumb, or the left hand's fifth finger, on the tonic; on the lowest key. */
export function placeCost(
  { hand, tonicHand, tonic, low, high }: Part,
  { phraseLow, phraseHigh }: Moment,
  posture: { readonly shape: Shape; readonly thumb: number },
): number {
  const thumb = posture.thumb;
  if (tonicHand === 'nearest') {
    const price = POSTURE.nearest;
    return (thumb === low ? 0 : price.notInnermost) + (thumb === phraseLow ? 0 : price.notInnermostOfPhrase);
  }
  const five = thumb + (posture.shape.offsets[4] as number);
  const dominant = hand === 'right' ? tonic + DOMINANT : tonic - DOMINANT;
  const lies = (at: number, letter: number): boolean => (at - letter) % 7 === 0;
  if (hand === 'right') {
    const price = POSTURE.right;
    return (
      (lies(thumb, tonic) ? 0 : price.notTonic) +
      (lies(thumb, tonic) || lies(thumb, dominant) ? 0 : price.norDominant) +
      (thumb === low ? 0 : price.notLowest) +
      (thumb === phraseLow ? 0 : price.notLowestOfPhrase) +
      (five === high ? 0 : price.notHighest)
    );
  }
  const price = POSTURE.left;
  return (
    (lies(five, tonic) ? 0 : price.notTonic) +
    (lies(five, tonic) || lies(thumb, tonic) ? 0 : price.norThumbTonic) +
    (lies(thumb, tonic) || lies(thumb, dominant) ? 0 : price.thumbElsewhere) +
    (five === high ? 0 : price.notLowest) +
    (five === phraseHigh ? 0 : price.notLowestOfPhrase) +
    (thumb === low ? 0 : price.notHighest)
  );
}
