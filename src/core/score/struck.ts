import type { HandNote } from './hands';

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
