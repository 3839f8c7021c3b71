import { diatonicNumber, midiNumber, type Pitch, type PitchName, type Step } from '../pitch';
import type { Finger, HandNote } from '../score';
import { fingerAt, type HandPosition } from './hand-position';

/** A position in one key: its name and the keys under the fingers.
 * `keys` has one entry a finger, 1 to 5, null where a finger has no place of its own in an open hand. */
export interface PlacedPosition {
  readonly position: HandPosition;
  readonly notes: readonly HandNote[];
  readonly kind: 'closed' | 'extended' | 'crossed';
  readonly name: PitchName;
  /** The fingers that an open hand reaches beyond its five letters with, each with the key it reaches. */
  readonly reaches: readonly { readonly finger: Finger; readonly key: PitchName }[];
  readonly keys: readonly (Pitch | null)[];
  /** The same keys as MIDI numbers. */
  readonly keyUnderFinger: readonly (number | null)[];
}

const FINGERS: readonly Finger[] = [1, 2, 3, 4, 5];

/** Puts a position under the notes as they are in some key. `noteOf` finds a note of that key by its id; `alterOf` is
 * what the signature there does to a letter. The hand keeps its shape: it moves by as many letters as its notes did. */
export function placePosition(
  position: HandPosition,
  noteOf: (id: string) => HandNote | undefined,
  alterOf: (note: HandNote, step: Step) => number,
): PlacedPosition {
  const notes = position.notes.flatMap((note) => noteOf(note.id) ?? []);
  const first = notes[0] as HandNote;
  const shift = commonShift(position, noteOf);
  const played = notes.map((note) => ({ note, finger: position.fingers.get(note.id) }));
  const keyAt = (letter: number): Pitch => {
    const step = (((letter % 7) + 7) % 7) as Step;
    const plain: Pitch = { step, alter: alterOf(first, step), octave: Math.floor(letter / 7) };
    const heard = notes.filter((note) => diatonicNumber(note.pitch) === letter);
    if (heard.length === 0 || heard.some((note) => note.pitch.alter === plain.alter)) return plain;
    return (heard[0] as HandNote).pitch;
  };
  const lowest = position.lowest + shift;
  const kind = kindOf(position);
  const keys = FINGERS.map((finger): Pitch | null => {
    if (kind === 'closed') return keyAt(letterUnder(position, lowest, finger));
    const own = played.find((item) => item.finger === finger);
    return own ? own.note.pitch : null;
  });
  return {
    position,
    notes,
    kind,
    name: keyAt(position.home + shift),
    reaches: reachesOf(played, position.home + shift),
    keys,
    keyUnderFinger: keys.map((key) => key && midiNumber(key)),
  };
}

function reachesOf(
  played: readonly { readonly note: HandNote; readonly finger: Finger | undefined }[],
  home: number,
): PlacedPosition['reaches'] {
  const beyond = played.flatMap(({ note: { pitch }, finger }) => {
    const letter = diatonicNumber(pitch);
    const isBeyond = letter < home || letter >= home + FINGERS.length;
    return isBeyond && finger !== undefined ? [{ finger, key: { step: pitch.step, alter: pitch.alter } }] : [];
  });
  return [...new Map(beyond.map((reach) => [`${reach.finger}/${reach.key.step}/${reach.key.alter}`, reach])).values()];
}

function letterUnder(position: HandPosition, lowest: number, finger: Finger): number {
  const place = [0, 1, 2, 3, 4].find((offset) => fingerAt(position.hand, lowest, lowest + offset) === finger) ?? 0;
  return lowest + place;
}

/** By how many letters most notes of the position moved: a single note may have been respelled. */
function commonShift(position: HandPosition, noteOf: (id: string) => HandNote | undefined): number {
  const counts = new Map<number, number>();
  for (const note of position.notes) {
    const moved = noteOf(note.id);
    if (!moved) continue;
    const shift = diatonicNumber(moved.pitch) - diatonicNumber(note.pitch);
    counts.set(shift, (counts.get(shift) ?? 0) + 1);
  }
  return [...counts].sort((a, b) => b[1] - a[1])[0]?.[0] ?? 0;
}

/** A position that the hand comes to by a crossing has no fixed frame: only the fingers that play have their keys. */
function kindOf({ spread, arrival }: HandPosition): PlacedPosition['kind'] {
  if (spread > 0) return 'extended';
  return arrival?.transition === 'pass' ? 'crossed' : 'closed';
}
