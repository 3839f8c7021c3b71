import { isBlackKey } from '../keyboard';
import { diatonicNumber, type PitchName } from '../pitch';
import type { Finger, HandNote } from '../score';
import type { PlacedPosition } from './place-position';

/** A finger that lands on a black key. */
export interface BlackLanding {
  readonly finger: Finger;
  readonly key: PitchName;
}

/** How a hand goes from one position to the next. `letters` counts upwards; `was` is the finger whose key `finger` takes ("put 1 where 4 was"; handbook,
 * positions and moves). */
export type PositionMove =
  | { readonly kind: 'crossing'; readonly finger: Finger | null; readonly landing: BlackLanding | null }
  | { readonly kind: 'opens' | 'closes' }
  | { readonly kind: 'octave'; readonly direction: 'up' | 'down' }
  | { readonly kind: 'letters'; readonly letters: number; readonly landing: BlackLanding | null }
  | {
      readonly kind: 'finger-for-finger';
      readonly finger: 1 | 5;
      readonly was: number;
      readonly landing: BlackLanding | null;
    };

/** Letters from the lowest to the highest finger of a closed hand, and of an octave. */
const CLOSED_LETTERS = 4;
const OCTAVE_LETTERS = 7;

/** Tells the move from a position to the one after it. */
export function positionMove(before: PlacedPosition, placed: PlacedPosition): PositionMove {
  const letters = placed.position.home - before.position.home;
  const landing = landingOf(placed);
  if (placed.position.arrival?.transition === 'pass')
    return { kind: 'crossing', finger: landingFinger(placed), landing };
  if (letters === 0) return { kind: before.position.spread > placed.position.spread ? 'closes' : 'opens' };
  if (Math.abs(letters) === OCTAVE_LETTERS) return { kind: 'octave', direction: letters > 0 ? 'up' : 'down' };
  const isOpen = placed.position.spread > 0 || before.position.spread > 0;
  if (isOpen || Math.abs(letters) > CLOSED_LETTERS) return { kind: 'letters', letters, landing };
  // The finger that leads the way is the one at the side that the hand came from.
  const finger = letters > 0 === (placed.position.hand === 'right') ? 1 : 5;
  return {
    kind: 'finger-for-finger',
    finger,
    was: finger === 1 ? 1 + Math.abs(letters) : 5 - Math.abs(letters),
    landing,
  };
}

function landingFinger({ position, notes }: PlacedPosition): Finger | null {
  return position.fingers.get((notes[0] as HandNote).id) ?? null;
}

function landingOf(placed: PlacedPosition): BlackLanding | null {
  const { midi, pitch } = placed.notes[0] as HandNote;
  const finger = landingFinger(placed);
  return finger !== null && isBlackKey(midi) ? { finger, key: { step: pitch.step, alter: pitch.alter } } : null;
}

/** When there is time for a move: the limits are those of the planner's bonds. `gap`: after a long or a detached note. */
export type MoveTime = 'repeated-key' | 'rest' | 'phrase-end' | 'gap' | 'none';

/** When a hand has time to come to a position; null where it begins there. */
export function moveTime({ position: { arrival } }: PlacedPosition): MoveTime | null {
  if (!arrival) return null;
  if (arrival.transition === 'change') return 'repeated-key';
  if (arrival.bond <= 0.2) return 'rest';
  if (arrival.bond <= 0.4) return 'phrase-end';
  return arrival.bond < 1 ? 'gap' : 'none';
}

/** Why a hand sits where it does from its first note on, where that is decided by a note of a later bar: a closed hand is tied to its place by its
 * outermost letters. Null where the first bar decides. */
export function decidedAhead({
  position,
  notes,
}: PlacedPosition): { readonly first: HandNote; readonly by: HandNote } | null {
  if (position.spread > 0 || notes.length === 0) return null;
  const letters = notes.map(({ pitch }) => diatonicNumber(pitch));
  const reach = (to: number): number => Math.max(...letters.slice(0, to)) - Math.min(...letters.slice(0, to));
  if (reach(letters.length) !== CLOSED_LETTERS) return null;
  const decides = notes.findIndex((_, i) => reach(i + 1) === CLOSED_LETTERS);
  const [first, by] = [notes[0] as HandNote, notes[decides] as HandNote];
  const isThereAtOnce = letters[0] === Math.min(...letters) || letters[0] === Math.max(...letters);
  return by.barIndex === first.barIndex || isThereAtOnce ? null : { first, by };
}
