import { voiceAt, voiceTicks, staffOfHand, voicesOf } from '../edit';
import { handOfStaff, type Hand, type NoteItem, type Part } from '../score';
import type { Ticks } from '../time';
import { typingChanged, refused, type Outcome } from './outcome';
import { seatFromFingers } from './pitch-at';
import { soundsOf } from './sound';
import {
  NOTHING_SAID,
  barsOf,
  caretOnset,
  currentEntry,
  isFull,
  voiceOfCaret,
  partOf,
  type Caret,
  type Session,
} from './session';

/** Moves the caret to a place and sets the hand where it sits there. What had been said of the next note is forgotten. */
export function caretTo(session: Session, caret: Caret, anchor: Session['typing']['anchor'] = null): Outcome {
  const moved = typingChanged(session, { caret, anchor, next: NOTHING_SAID, triplet: null, moving: null }).session;
  const seat = seatFromFingers(moved);
  const { hand } = caret;
  const isElsewhere = seat !== null && seat !== moved.typing.seats[hand];
  const seated = isElsewhere
    ? typingChanged(moved, {
        seats: { ...moved.typing.seats, [hand]: seat },
        openings: { ...moved.typing.openings, [hand]: null },
      }).session
    : moved;
  const here = voiceOfCaret(seated).entries[caret.index];
  return { session: seated, sounds: here ? soundsOf(here) : [], notice: null };
}

/** One entry, one bar, or all the way to the end of the piece. */
export function moveCaret(session: Session, by: -1 | 1, to: 'entry' | 'bar' | 'end'): Outcome {
  const { caret } = session.typing;
  if (to === 'entry') return caretTo(session, nextCaret(session, by));
  if (to === 'bar') {
    const bar = by < 0 && caret.index > 0 ? caret.bar : caret.bar + by;
    return caretTo(session, { ...caret, bar: Math.min(barsOf(session), Math.max(0, bar)), index: 0, fresh: false });
  }
  return caretTo(session, by < 0 ? { ...caret, bar: 0, index: 0, fresh: false } : firstRoom(session, caret));
}

/** The place one entry further on or back. The end of a bar that is not full is a place of its own. */
function nextCaret(session: Session, by: -1 | 1): Caret {
  const { caret } = session.typing;
  const count = voiceOfCaret(session).entries.length;
  if (by > 0) {
    const isLast = caret.index >= count || (caret.index === count - 1 && isFull(session, caret.bar));
    if (!isLast) return { ...caret, index: caret.index + 1, fresh: false };
    return caret.bar >= barsOf(session) ? caret : { ...caret, bar: caret.bar + 1, index: 0, fresh: false };
  }
  if (caret.index > 0) return { ...caret, index: caret.index - 1, fresh: false };
  if (caret.bar === 0) return { ...caret, fresh: false };
  const before = voiceOfCaret(session, caret.bar - 1).entries.length;
  const isEnd = isFull(session, caret.bar - 1) && before > 0;
  return { ...caret, bar: caret.bar - 1, index: isEnd ? before - 1 : before, fresh: false };
}

/** Where a hand goes on: behind what it last plays. */
function firstRoom(session: Session, caret: Caret): Caret {
  const at = { ...session, typing: { ...session.typing, caret } };
  for (let bar = barsOf(session) - 1; bar >= 0; bar -= 1) {
    const count = voiceOfCaret(at, bar).entries.length;
    if (count > 0)
      return isFull(at, bar)
        ? { ...caret, bar: bar + 1, index: 0, fresh: false }
        : { ...caret, bar, index: count, fresh: false };
  }
  return { ...caret, bar: 0, index: 0, fresh: false };
}

/** The other hand, at the same beat or where it goes on. */
export function toOther(session: Session, at: 'same-beat' | 'where-it-stops'): Outcome {
  const { caret } = session.typing;
  const part = partOf(session);
  if (part.staves < 2) return refused(session, { code: 'one-hand-only' });
  const hand: Hand = caret.hand === 'right' ? 'left' : 'right';
  const [voice] = voicesOf(part, staffOfHand(part, hand));
  const there = { hand, voice: voice ?? '1', bar: caret.bar, index: 0, fresh: false };
  if (at === 'where-it-stops') return caretTo(session, firstRoom(session, there));
  const onset = caretOnset(session);
  return caretTo(session, { ...there, index: indexAt(part, there, onset) });
}

/** The entry that sounds at a time of a bar; behind the last where none does. */
function indexAt(part: Part, { hand, voice, bar }: Caret, onset: Ticks): number {
  const { entries } = voiceAt(part, { bar, staff: staffOfHand(part, hand), voice });
  const found = entries.findIndex(
    (_, i) => voiceTicks({ staff: 0, voice, after: [], entries: entries.slice(0, i + 1) }) > onset,
  );
  return found < 0 ? entries.length : found;
}

/** The entry of a note. */
export function toNote(session: Session, noteId: string): Outcome {
  const part = partOf(session);
  const note = part.measures
    .flatMap(({ items }) => items)
    .find((item): item is NoteItem => item.kind === 'note' && item.id === noteId);
  const bar = part.measures.findIndex(({ items }) => items.includes(note as NoteItem));
  if (!note || bar < 0) return refused(session, { code: 'nothing-to-change' });
  const { entries } = voiceAt(part, { bar, staff: note.staff, voice: note.voice });
  const index = entries.findIndex(({ notes }) => notes.some(({ id }) => id === noteId));
  // A grace note stands in front of an entry: the caret goes to that one.
  const at = index >= 0 ? index : entries.findIndex(({ ahead }) => ahead.includes(note));
  return caretTo(session, {
    hand: handOfStaff(part, note.staff),
    voice: note.voice,
    bar,
    index: Math.max(0, at),
    fresh: false,
  });
}

/** The end of what a hand has in a bar, or its beginning where it is full. */
export function toBar(session: Session, bar: number, hand: Hand): Outcome {
  const part = partOf(session);
  const [voice] = voicesOf(part, staffOfHand(part, hand));
  const caret: Caret = { hand, voice: voice ?? '1', bar: Math.min(bar, barsOf(session)), index: 0, fresh: false };
  const at = { ...session, typing: { ...session.typing, caret } };
  return caretTo(session, isFull(at, caret.bar) ? caret : { ...caret, index: voiceOfCaret(at).entries.length });
}

/** Makes the selection longer or shorter by one entry. */
export function extendSelection(session: Session, by: -1 | 1): Outcome {
  const { caret, anchor } = session.typing;
  const found = currentEntry(session);
  if (!found) return refused(session, { code: 'nothing-to-change' });
  if (anchor === null)
    return typingChanged(
      session,
      {
        anchor: { bar: found.bar, index: found.index },
        caret: { ...caret, bar: found.bar, index: found.index, fresh: false },
      },
      soundsOf(found.entry),
    );
  const next = nextCaret(session, by);
  const there = { ...session, typing: { ...session.typing, caret: next } };
  // The empty place at the end of a bar is no part of a selection: it is stepped over.
  const over = voiceOfCaret(there).entries[next.index] ? next : nextCaret(there, by);
  const last = { ...session, typing: { ...session.typing, caret: over } };
  const entry = voiceOfCaret(last).entries[over.index];
  return entry ? typingChanged(session, { caret: over }, soundsOf(entry)) : typingChanged(session, {});
}

/** What is selected, from its first to its last entry: the current entry where nothing else is. */
export function selection(
  session: Session,
): { readonly bar: number; readonly index: number; readonly toBar: number; readonly toIndex: number } | null {
  const { caret, anchor } = session.typing;
  if (anchor === null) {
    const found = currentEntry(session);
    return found && { bar: found.bar, index: found.index, toBar: found.bar, toIndex: found.index };
  }
  const isForward = anchor.bar < caret.bar || (anchor.bar === caret.bar && anchor.index <= caret.index);
  const [from, to] = isForward ? [anchor, caret] : [caret, anchor];
  return { bar: from.bar, index: from.index, toBar: to.bar, toIndex: to.index };
}

/** Selects what the hand plays in the caret's bar, or in the whole piece. */
export function select(session: Session, what: 'bar' | 'all' | 'none'): Outcome {
  const { caret } = session.typing;
  if (what === 'none') return typingChanged(session, { anchor: null, moving: null, next: NOTHING_SAID, triplet: null });
  const bars =
    what === 'bar'
      ? [currentEntry(session)?.bar ?? caret.bar]
      : Array.from({ length: barsOf(session) }, (_, bar) => bar);
  const played = bars.filter((bar) => voiceOfCaret(session, bar).entries.length > 0);
  const [first, last] = [played[0], played.at(-1)];
  if (first === undefined || last === undefined) return refused(session, { code: 'nothing-to-change' });
  return typingChanged(session, {
    anchor: { bar: first, index: 0 },
    caret: { ...caret, bar: last, index: voiceOfCaret(session, last).entries.length - 1, fresh: false },
  });
}
