import { groupBy } from '../base';
import type { OuterSchool, PlacedPosition } from '../fingering';
import { isBlackKey } from '../keyboard';
import { samePitch, type Pitch } from '../pitch';
import type { Finger, HandNote } from '../score';
import type { Flag } from './flag';
import { placeOf } from './place-of';

const KIND_OF_FINGER = { 1: 'thumb-on-black', 4: 'fourth-on-black', 5: 'fifth-on-black' } as const;

/** Fingers 1, 4 and 5 on black keys: one flag a finger and key within one position. */
export function blackFingerFlags(placed: PlacedPosition, school: OuterSchool): readonly Flag[] {
  return keysByFinger(placed).flatMap(({ finger, notes }): readonly Flag[] => {
    const key = notes[0] as HandNote;
    if (finger === 2 || finger === 3 || !isBlackKey(key.midi)) return [];
    const isAvoided = school === 'avoid' && finger !== 4 && placed.kind !== 'extended';
    return [
      {
        evidence: { kind: KIND_OF_FINGER[finger], finger, uses: [{ hand: key.hand, key: key.pitch }], school },
        severity: isAvoided ? 'should' : 'watch',
        byBlackKey: true,
        wasThere: false,
        costs: null,
        ...placeOf(notes),
      },
    ];
  });
}

/** One finger that serves two keys of one letter within one position: F and F♯ under 4.
 * `letterOf` gives a note's letter as the piece was written, so that a respelled note still counts with its finger. */
export function doubleDutyFlags(placed: PlacedPosition, letterOf: (note: HandNote) => number): readonly Flag[] {
  const groups = groupBy(
    placed.notes.filter((note) => placed.position.fingers.has(note.id)),
    (note) => `${placed.position.fingers.get(note.id)}/${letterOf(note)}`,
  );
  return [...groups.values()].flatMap((notes): readonly Flag[] => {
    const keys = distinctKeys(notes);
    if (new Set(keys.map((key) => key.midi)).size < 2) return [];
    const finger = placed.position.fingers.get((notes[0] as HandNote).id) as Finger;
    return [
      {
        evidence: { kind: 'double-duty', finger, keys: keys.map((key) => key.pitch) },
        severity: 'watch',
        byBlackKey: new Set(keys.map((key) => isBlackKey(key.midi))).size > 1,
        wasThere: false,
        costs: null,
        ...placeOf(notes),
      },
    ];
  });
}

function keysByFinger(
  placed: PlacedPosition,
): readonly { readonly finger: Finger; readonly notes: readonly HandNote[] }[] {
  const groups = groupBy(
    placed.notes.filter((note) => placed.position.fingers.has(note.id)),
    (note) => `${placed.position.fingers.get(note.id)}/${note.midi}`,
  );
  return [...groups.values()].map((notes) => ({
    finger: placed.position.fingers.get((notes[0] as HandNote).id) as Finger,
    notes,
  }));
}

function distinctKeys(notes: readonly HandNote[]): readonly { readonly midi: number; readonly pitch: Pitch }[] {
  const keys: { midi: number; pitch: Pitch }[] = [];
  for (const { midi, pitch } of notes) {
    if (!keys.some((key) => samePitch(key.pitch, pitch))) keys.push({ midi, pitch });
  }
  return keys;
}
