import { groupBy } from '../base';
import { isBlackKey } from '../keyboard';
import { diatonicNumber, nameText, pitchText, type Pitch, type PitchName } from '../pitch';
import type { Finger, HandNote, NoteId } from '../score';

/** Notes of a piece that have something in common: a letter, a pitch, a finger, the interval by which they are reached, a black key, or being a
 * guide note. `value` is that something; `letters` for an interval. */
export type NotesOfKind =
  | { readonly by: 'letter'; readonly value: PitchName; readonly notes: readonly NoteId[] }
  | { readonly by: 'pitch'; readonly value: Pitch; readonly notes: readonly NoteId[] }
  | { readonly by: 'finger'; readonly value: Finger; readonly notes: readonly NoteId[] }
  | { readonly by: 'interval'; readonly value: number; readonly notes: readonly NoteId[] }
  | { readonly by: 'black' | 'guide'; readonly notes: readonly NoteId[] };

/** The notes by which a beginner finds the others: bass F, middle C, treble G, as MIDI numbers. Source: common practice, from memory. */
const GUIDE_NOTES: readonly number[] = [53, 60, 67];

/** Everything that can be looked for in a piece, with the notes that have it. `notes` are struck, in order of time. */
export function notesByKind(
  notes: readonly HandNote[],
  fingerOf: (note: HandNote) => Finger | null,
): readonly NotesOfKind[] {
  const ids = (group: readonly HandNote[]): readonly NoteId[] => group.map(({ id }) => id);
  const low = (a: HandNote, b: HandNote): number => a.midi - b.midi;
  const letters = groupBy(
    notes.toSorted((a, b) => a.pitch.step - b.pitch.step || a.pitch.alter - b.pitch.alter),
    ({ pitch }) => nameText(pitch),
  );
  const pitches = groupBy(notes.toSorted(low), ({ pitch }) => pitchText(pitch));
  const fingers = groupBy(notes, (note) => fingerOf(note));
  const black = notes.filter(({ midi }) => isBlackKey(midi));
  const guides = notes.filter(({ midi }) => GUIDE_NOTES.includes(midi));
  return [
    ...[...letters.values()].map((group): NotesOfKind => ({ by: 'letter', value: pitchOf(group), notes: ids(group) })),
    ...[...pitches.values()].map((group): NotesOfKind => ({ by: 'pitch', value: pitchOf(group), notes: ids(group) })),
    ...([1, 2, 3, 4, 5] as const).flatMap((value): readonly NotesOfKind[] => {
      const group = fingers.get(value);
      return group ? [{ by: 'finger', value, notes: ids(group) }] : [];
    }),
    ...intervalFinds(notes),
    ...(black.length > 0 ? [{ by: 'black', notes: ids(black) } as const] : []),
    ...(guides.length > 0 ? [{ by: 'guide', notes: ids(guides) } as const] : []),
  ];
}

function pitchOf(group: readonly HandNote[]): Pitch {
  return (group[0] as HandNote).pitch;
}

/** Notes by the interval from the one before in their hand, larger ones last; repeated notes are left out. */
function intervalFinds(notes: readonly HandNote[]): readonly NotesOfKind[] {
  const reached = [...groupBy(notes, ({ hand }) => hand).values()].flatMap((own) =>
    own.flatMap((note, i) => {
      const before = own[i - 1];
      const letters =
        before && before.onset < note.onset ? Math.abs(diatonicNumber(note.pitch) - diatonicNumber(before.pitch)) : 0;
      return letters === 0 ? [] : [{ id: note.id, letters }];
    }),
  );
  return [...groupBy(reached, ({ letters }) => letters)]
    .sort(([a], [b]) => a - b)
    .map(([value, group]): NotesOfKind => ({ by: 'interval', value, notes: group.map(({ id }) => id) }));
}
