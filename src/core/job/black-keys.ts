import { isBlackKey } from '../keyboard';
import { nameText, type PitchName } from '../pitch';
import { struckNotes, type Finger, type Hand } from '../score';
import type { Version } from './open-piece';

/** A black key that a hand plays, under one finger. */
export interface BlackKeyUse {
  readonly hand: Hand;
  readonly key: PitchName;
  readonly finger: Finger | null;
}

/** Which black keys each hand plays and under which fingers, each pair once, in order of their first notes. */
export function blackKeyUses(version: Version): readonly BlackKeyUse[] {
  const fingers = new Map(version.positions.flatMap(({ position }) => [...position.fingers]));
  const uses = new Map<string, BlackKeyUse>();
  for (const note of struckNotes(version.notes)) {
    if (!isBlackKey(note.midi)) continue;
    const finger = fingers.get(note.id) ?? note.finger;
    const name = `${note.hand}/${nameText(note.pitch)}/${finger}`;
    if (!uses.has(name)) uses.set(name, { hand: note.hand, key: { step: note.pitch.step, alter: note.pitch.alter }, finger });
  }
  return [...uses.values()];
}
