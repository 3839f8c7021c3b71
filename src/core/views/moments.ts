import { isBlackKey } from '../keyboard';
import { type Pitch } from '../pitch';
import { otherSpelling } from '../transpose';
import { struckNotes, type Finger, type Hand, type HandNote } from '../score';
import type { PlacedPosition } from '../fingering';
import type { Version } from '../piece';
import type { Language } from '../explain';

/** A key that is down at a moment. `finger` is the printed one, or the one that the closed hand implies. */
export interface KeyDown {
  readonly noteId: string;
  readonly hand: Hand;
  readonly midi: number;
  readonly finger: Finger | null;
  readonly isBlack: boolean;
  readonly isStruck: boolean;
  /** Its name as it is spelled, and under the other letter; null where there is none. */
  readonly name: string;
  readonly otherName: string | null;
}

/** A moment at which at least one key is struck: its place, the keys down, and where the hands sit. */
export interface Moment {
  readonly barIndex: number;
  readonly bar: string;
  readonly beat: number;
  readonly keys: readonly KeyDown[];
  /** The keys under fingers 1 to 5 of each hand, as MIDI numbers; null where nothing is known. */
  readonly keysUnderFingers: Readonly<Record<Hand, readonly (number | null)[] | null>>;
}

/** The moments of a version in order of time, one for each time at which a note is struck. Moments of one piece in
 * two keys agree one to one. */
export function momentsOf(language: Language, version: Version): readonly Moment[] {
  const says = language.inKey(version.key);
  const struck = struckNotes(version.notes).filter((note) => !note.isGrace);
  const fingers = new Map(version.positions.flatMap(({ position }) => [...position.fingers]));
  const onsets = [...new Set(struck.map((note) => note.onset))];
  return onsets.map((onset) => {
    const sounding = struck.filter((note) => note.onset <= onset && note.onset + note.duration > onset);
    const first = sounding.find((note) => note.onset === onset) as HandNote;
    return {
      barIndex: first.barIndex,
      bar: first.bar,
      beat: first.beat,
      keys: sounding.map((note) => ({
        noteId: note.id,
        hand: note.hand,
        midi: note.midi,
        finger: fingers.get(note.id) ?? note.finger,
        isBlack: isBlackKey(note.midi),
        isStruck: note.onset === onset,
        name: says.pitch(note.pitch),
        otherName: otherName(says, note.pitch),
      })),
      keysUnderFingers: {
        right: keysUnderFingersAt(version.positions, 'right', onset),
        left: keysUnderFingersAt(version.positions, 'left', onset),
      },
    };
  });
}

function otherName(says: Language, pitch: Pitch): string | null {
  const other = otherSpelling(pitch);
  return other && says.pitch(other);
}

/** Where a hand sits at a moment: in the position of the note it plays now or played last, else in the one it will need. */
function keysUnderFingersAt(
  positions: readonly PlacedPosition[],
  hand: Hand,
  onset: number,
): readonly (number | null)[] | null {
  const own = positions.filter(({ position }) => position.hand === hand);
  const current = own.findLast(({ notes }) => (notes[0]?.onset ?? Infinity) <= onset) ?? own[0];
  return current ? current.keyUnderFinger : null;
}
