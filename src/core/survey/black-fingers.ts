import type { PlacedPosition } from '../fingering';
import { isBlackKey } from '../keyboard';
import type { Finger, Hand } from '../score';

/** Which fingers strike black keys, one list a hand, in order of the fingers. */
export type BlackFingers = Readonly<Record<Hand, readonly Finger[]>>;

/** The fingers that strike a black key anywhere in the piece. */
export function blackFingers(positions: readonly PlacedPosition[]): BlackFingers {
  const ofHand = (hand: Hand): readonly Finger[] => {
    const found = positions
      .filter(({ position }) => position.hand === hand)
      .flatMap(({ notes, position }) =>
        notes.filter(({ midi }) => isBlackKey(midi)).flatMap(({ id }) => position.fingers.get(id) ?? []),
      );
    return [...new Set(found)].sort((a, b) => a - b);
  };
  return { right: ofHand('right'), left: ofHand('left') };
}
