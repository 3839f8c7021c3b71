import type { PlacedPosition } from '../fingering';
import { isBlackKey } from '../keyboard';
import type { Finger, Hand } from '../score';

/** Which fingers strike black keys, one list a hand, in order of the fingers. */
export type BlackFingers = Readonly<Record<Hand, readonly Finger[]>>;

const LONG_FINGERS: readonly Finger[] = [2, 3, 4];

/** Those of them that a hand has to mind: one that plays nothing but black keys, under its long fingers, lies on them as on white ones. Our own choice. */
export function fingersToMind(positions: readonly PlacedPosition[]): BlackFingers {
  const found = blackFingers(positions);
  const ofHand = (hand: Hand): readonly Finger[] => {
    const own = positions.filter(({ position }) => position.hand === hand);
    const isOnBlackAlone = own.every(({ notes }) => notes.every(({ midi }) => isBlackKey(midi)));
    return isOnBlackAlone && found[hand].every((finger) => LONG_FINGERS.includes(finger)) ? [] : found[hand];
  };
  return { right: ofHand('right'), left: ofHand('left') };
}

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
