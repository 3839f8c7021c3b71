import { lengthOf, type Entry } from '../edit';
import { currentEntry, voiceOfCaret, partOf, type Session } from '../entry';
import { clefsAfter, staffPlace, type Finger, type NoteItem } from '../score';

/** What was entered last, told by its place on the staff: enough to be drawn before the engraver has it. */
export interface EnteredView {
  readonly bar: number;
  readonly staff: number;
  /** Each note by its id, its place above the bottom line (lines and spaces), and its finger. */
  readonly notes: readonly { readonly id: string; readonly place: number; readonly finger: Finger | null }[];
  readonly head: 'filled' | 'open' | 'whole';
  /** A note of another voice or hand at the same beat: the engraver sets both under each other. */
  readonly under: string | null;
  /** The note before it in the bar, and two neighbours in this voice that are as far apart as these will be. */
  readonly behind: string | null;
  readonly apart: readonly [string, string] | null;
}

/** The entry that was put in by the last key press; null where that was a rest. */
export function enteredView(session: Session): EnteredView | null {
  const found = currentEntry(session);
  const part = partOf(session);
  const { staff, entries } = voiceOfCaret(session, found?.bar);
  const sounding = found?.entry.notes.filter(({ pitch }) => pitch !== null) ?? [];
  if (!found || sounding.length === 0) return null;
  const clef = clefsAfter(part.measures.slice(0, found.bar + 1)).get(staff);
  const items = part.measures[found.bar]?.items ?? [];
  const own = new Set(found.entry.notes.map(({ id }) => id));
  const onset = items.find((item): item is NoteItem => item.kind === 'note' && own.has(item.id))?.onset ?? 0;
  const under = items.find(
    (item): item is NoteItem => item.kind === 'note' && !own.has(item.id) && item.onset === onset && !item.isGrace,
  );
  const before = entries[found.index - 1];
  const quarters = lengthOf(found.entry).printed / session.edited.score.ticksPerQuarter;
  return {
    bar: found.bar,
    staff,
    notes: sounding.map(({ id, pitch, fingers }) => ({
      id,
      place: staffPlace(pitch as NonNullable<typeof pitch>, clef) ?? 0,
      finger: fingers[0] ?? null,
    })),
    head: quarters >= 4 ? 'whole' : quarters >= 2 ? 'open' : 'filled',
    under: under?.id ?? null,
    behind: before?.notes[0]?.id ?? null,
    apart: before ? pairLike(session, found.bar, before) : null,
  };
}

/** Two neighbours of which the first is as long as this entry, looked for backwards. */
function pairLike(session: Session, from: number, like: Entry): readonly [string, string] | null {
  for (let bar = from; bar >= Math.max(0, from - 4); bar -= 1) {
    const { entries } = voiceOfCaret(session, bar);
    const at = entries.findLastIndex(
      (entry, i) => entry !== like && entry.duration === like.duration && entries[i + 1] !== undefined,
    );
    const [first, second] = [entries[at]?.notes[0], entries[at + 1]?.notes[0]];
    if (first && second && at >= 0) return [first.id, second.id];
  }
  return null;
}
