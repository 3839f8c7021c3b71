import type { Pitch } from '../pitch';
import type { Hand } from '../score';
import type { PlacedPosition } from './place-position';

/** Keys over which both hands lie at one time, and the bar in which that begins. */
export interface SharedKeys {
  readonly keys: readonly Pitch[];
  readonly bar: string;
}

/** Where positions of both hands lie over the same keys at the same time. */
export function sharedKeys(positions: readonly PlacedPosition[]): readonly SharedKeys[] {
  const ofHand = (hand: Hand): readonly PlacedPosition[] => positions.filter(({ position }) => position.hand === hand);
  return ofHand('right').flatMap((right) => ofHand('left').flatMap((left) => sharedBy(right, left)));
}

function sharedBy(right: PlacedPosition, left: PlacedPosition): readonly SharedKeys[] {
  if (Math.max(start(right), start(left)) >= Math.min(end(right), end(left))) return [];
  const keys = right.keys.flatMap((key, i) =>
    key && left.keyUnderFinger.includes(right.keyUnderFinger[i] ?? null) ? [key] : [],
  );
  const later = start(right) >= start(left) ? right : left;
  return keys.length === 0 ? [] : [{ keys, bar: later.notes[0]?.bar ?? '' }];
}

function start({ notes }: PlacedPosition): number {
  return notes[0]?.onset ?? 0;
}

function end({ notes }: PlacedPosition): number {
  return Math.max(...notes.map(({ onset, duration }) => onset + duration));
}
