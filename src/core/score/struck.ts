import type { HandNote } from './hands';
import type { NoteId } from './score';

/** Notes as they are struck: a tied note is not struck again, its length is added to the one before. */
export function struckNotes(notes: readonly HandNote[]): readonly HandNote[] {
  const struck: HandNote[] = [];
  const open = new Map<string, number>();
  for (const note of notes) {
    const place = `${note.hand}/${note.midi}`;
    const at = open.get(place);
    const begun = at === undefined ? undefined : struck[at];
    const continues = note.tieStop && begun !== undefined && begun.onset + begun.duration === note.onset;
    if (continues && at !== undefined) {
      struck[at] = { ...begun, duration: begun.duration + note.duration };
    } else {
      struck.push(note);
    }
    if (note.tieStart) open.set(place, continues && at !== undefined ? at : struck.length - 1);
    else open.delete(place);
  }
  return struck;
}

/** The first note of each tie, by the notes that continue it. */
export function tiedFrom(notes: readonly HandNote[]): ReadonlyMap<NoteId, NoteId> {
  const first = new Map<NoteId, NoteId>();
  const open = new Map<string, HandNote>();
  for (const note of notes) {
    const place = `${note.hand}/${note.midi}`;
    const before = open.get(place);
    if (note.tieStop && before && before.onset + before.duration === note.onset)
      first.set(note.id, first.get(before.id) ?? before.id);
    if (note.tieStart) open.set(place, note);
    else open.delete(place);
  }
  return first;
}
