import type { HandNote } from '../score';
import type { Ticks } from '../time';
import type { Flag } from './flag';
import { placeOf } from './place-of';

/** Keys that both hands want within one beat: one of them has to make room. `should` where the other hand still holds
 * the key, `watch` where it has just left it. `beat` is the length of a beat at a note. Notes are struck, in order of time. */
export function sharedKeyFlags(notes: readonly HandNote[], beat: (note: HandNote) => Ticks): readonly Flag[] {
  const flags: Flag[] = [];
  const recent = new Map<number, HandNote>();
  for (const note of notes) {
    const before = recent.get(note.midi);
    if (before && before.hand !== note.hand) {
      const gap = note.onset - (before.onset + before.duration);
      if (gap < beat(note)) flags.push(sharedKeyFlag(before, note, gap < 0 || before.onset === note.onset));
    }
    recent.set(note.midi, note);
  }
  return flags;
}

function sharedKeyFlag(before: HandNote, note: HandNote, isHeld: boolean): Flag {
  return {
    evidence: { kind: 'shared-key', key: note.pitch, isHeld },
    severity: isHeld ? 'should' : 'watch',
    byBlackKey: false,
    wasThere: false,
    costs: null,
    ...placeOf([before, note]),
    hand: note.hand,
  };
}
