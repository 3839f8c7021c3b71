import { isBlackKey } from '../keyboard';
import { keyCard } from './key-card';
import { midiNumber, type Key, type Pitch } from '../pitch';
import type { Finger, Hand } from '../score';

const FINGERS: readonly Finger[] = [1, 2, 3, 4, 5];

/** A five-finger position: neighbouring letters from the tonic, under the fingers of either hand. */
export interface FiveFingers {
  readonly key: Key;
  /** The keys from the bottom, the right hand's thumb first. */
  readonly pitches: readonly Pitch[];
  readonly black: Readonly<Record<Hand, readonly Finger[]>>;
}

/** The position that begins on the tonic of a key, in its major or minor pattern. Source: handbook, five-finger patterns. */
export function fiveFingers(key: Key): FiveFingers {
  const { pattern, black } = keyCard(key);
  return { key, pitches: pattern, black };
}

/** The finger that lies on the n-th key of a position from the bottom. */
export function fingerOn(hand: Hand, place: number): Finger {
  return (hand === 'right' ? place + 1 : 5 - place) as Finger;
}

/** What changes under a hand that goes from one position to another and keeps its shape. */
export interface Turning {
  readonly toBlack: readonly Finger[];
  readonly toWhite: readonly Finger[];
}

/** Which fingers find a black key where there was a white one, and the other way round.
 * @example turning(fiveFingers(C major), fiveFingers(D major), 'right') //=> { toBlack: [3], toWhite: [] } */
export function turning(from: FiveFingers, to: FiveFingers, hand: Hand): Turning {
  const isBlack = ({ pitches }: FiveFingers, finger: Finger): boolean =>
    isBlackKey(midiNumber(pitches[FINGERS.findIndex((_, place) => fingerOn(hand, place) === finger)] as Pitch));
  return {
    toBlack: FINGERS.filter((finger) => !isBlack(from, finger) && isBlack(to, finger)),
    toWhite: FINGERS.filter((finger) => isBlack(from, finger) && !isBlack(to, finger)),
  };
}
