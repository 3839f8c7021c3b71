import { diatonicNumber, type PitchName } from '../pitch';
import type { HandNote, NoteId } from '../score';

/** Something to draw at a note for the pupil. What it says follows the key: a reminder names the note as it is there. */
export const MARK_KINDS = ['ring', 'guide', 'reminder', 'interval', 'words'] as const;
export type MarkKind = (typeof MARK_KINDS)[number];

export interface Mark {
  readonly kind: MarkKind;
  readonly note: NoteId;
  /** The teacher's own words; empty for all other kinds. */
  readonly text: string;
}

/** What marks say over their notes: `name` is a reminder of the note, `letters` the distance to the next one in its hand, `text` the
 * teacher's own words. Rings and guide notes say nothing. */
export type MarkWords =
  | { readonly kind: 'name'; readonly name: PitchName }
  | { readonly kind: 'interval'; readonly letters: number }
  | { readonly kind: 'text'; readonly text: string };

/** What the marks of a piece say, by note. `notes` are struck, in order of time. */
export function markWords(
  marks: readonly Mark[],
  notes: readonly HandNote[],
): ReadonlyMap<NoteId, readonly MarkWords[]> {
  const byId = new Map(notes.map((note) => [note.id, note]));
  const said = new Map<NoteId, MarkWords[]>();
  for (const mark of marks) {
    const note = byId.get(mark.note);
    const words = note && wordsOf(mark, note, notes);
    if (words) said.set(mark.note, [...(said.get(mark.note) ?? []), words]);
  }
  return said;
}

function wordsOf({ kind, text }: Mark, note: HandNote, notes: readonly HandNote[]): MarkWords | null {
  if (kind === 'words') return { kind: 'text', text };
  if (kind === 'reminder') return { kind: 'name', name: note.pitch };
  if (kind !== 'interval') return null;
  const next = notes.find((other) => other.hand === note.hand && other.onset > note.onset);
  return next ? { kind: 'interval', letters: diatonicNumber(next.pitch) - diatonicNumber(note.pitch) } : null;
}
