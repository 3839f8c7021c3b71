import {
  changeEntry,
  hasSign,
  isBarRest,
  lengthOf,
  removeEntry,
  toggleSign,
  toggleSlur,
  withDynamic,
  withFinger,
  withLength,
  withLyric,
  withPitch,
  withTies,
  withWords,
  withoutNote,
  type Dynamic,
  type EditLabel,
  type Entry,
} from '../edit';
import { HIGHEST_KEY, LOWEST_KEY } from '../keyboard';
import { diatonicNumber, midiNumber, signatureAlter, type Pitch, type Step } from '../pitch';
import type { Finger, NoteItem } from '../score';
import { signatureLine } from '../notation';
import { scoreChanged, refused, type Outcome } from './outcome';
import { entryAt, entryPlace, soundsOf } from './sound';
import { barNumber, currentEntry, entryBefore, voiceOfCaret, partOf, type Found, type Session } from './session';
import { HIGHEST_LETTER, LOWEST_LETTER } from './seats';
import { moveCaret } from './caret';

/** Changes the current entry, where there is one. */
function amend(
  session: Session,
  atMs: number,
  label: (found: Found, bar: string) => EditLabel,
  change: (entry: Entry) => Entry,
): Outcome {
  const found = currentEntry(session);
  if (!found) return refused(session, { code: 'nothing-to-change' });
  const changed = change(found.entry);
  if (changed === found.entry) return refused(session, { code: 'nothing-to-change' });
  const after = changeEntry(session.edited.score, entryAt(session, found.bar, found.index), change);
  return scoreChanged(session, after, {
    label: label(found, barNumber(session, found.bar)),
    atMs,
    change: {},
    sounds: soundsOf(changed),
  });
}

/** Adds a dot; a second one after that; then none. */
export function toggleDot(session: Session, atMs: number): Outcome {
  const { ticksPerQuarter } = session.edited.score;
  const outcome = amend(
    session,
    atMs,
    (_, bar) => ({ code: 'length', bar }),
    (entry) => {
      const { printed, tuplet } = lengthOf(entry);
      if (entry.notes.length === 0 || isBarRest(entry)) return entry;
      const [plain, dots] = withoutDots(printed, ticksPerQuarter);
      const next = [plain * 1.5, plain * 1.75, plain][dots] ?? plain;
      return Number.isInteger(next) ? withLength(entry, { printed: next, tuplet }, ticksPerQuarter) : entry;
    },
  );
  return outcome.notice ? outcome : { ...outcome, session: keepCaret(outcome.session) };
}

/** A length without its dots, and how many they are. */
function withoutDots(printed: number, ticksPerQuarter: number): readonly [number, 0 | 1 | 2] {
  const isPlain = (ticks: number): boolean => Number.isInteger(Math.log2(ticks / ticksPerQuarter));
  if (isPlain(printed / 1.5)) return [printed / 1.5, 1];
  return isPlain(printed / 1.75) ? [printed / 1.75, 2] : [printed, 0];
}

/** After a change of length the caret is still behind what was entered: in the next bar only where this one is full. */
function keepCaret(session: Session): Session {
  const { caret } = session.typing;
  const before = caret.fresh ? entryBefore(session) : null;
  if (!before) return session;
  const behind = { ...caret, bar: before.bar, index: before.index + 1 };
  const at = { ...session, typing: { ...session.typing, caret: behind } };
  if (voiceOfCaret(at).entries[behind.index]) return at;
  const { caret: next } = moveCaret(
    { ...at, typing: { ...at.typing, caret: { ...behind, index: before.index } } },
    1,
    'entry',
  ).session.typing;
  return { ...session, typing: { ...session.typing, caret: { ...next, fresh: true } } };
}

/** Another length for the current entry. */
export function setLength(session: Session, quarters: number, atMs: number): Outcome {
  const { ticksPerQuarter } = session.edited.score;
  const change = (entry: Entry): Entry =>
    entry.notes.length === 0
      ? entry
      : withLength(entry, { printed: quarters * ticksPerQuarter, tuplet: lengthOf(entry).tuplet }, ticksPerQuarter);
  const outcome = amend(session, atMs, (_, bar) => ({ code: 'length', bar }), change);
  return outcome.notice ? outcome : { ...outcome, session: keepCaret(outcome.session) };
}

/** Moves the current notes by letters; what the signature does there is done to them. */
export function moveByLetters(session: Session, letters: number, atMs: number): Outcome {
  const signatures = signatureLine(partOf(session));
  const bar = currentEntry(session)?.bar ?? 0;
  return changePitches(session, atMs, (note, pitch) => {
    const target = Math.min(HIGHEST_LETTER, Math.max(LOWEST_LETTER, diatonicNumber(pitch) + letters));
    const step = (target % 7) as Step;
    const alter =
      letters % 7 === 0 ? pitch.alter : signatureAlter(signatures.at(bar, note.onset, note.staff).fifths, step);
    return { step, alter, octave: Math.floor(target / 7) };
  });
}

/** Raises or lowers the current notes by half a step; they keep their letters. */
export function moveByHalfStep(session: Session, by: -1 | 1, atMs: number): Outcome {
  return changePitches(session, atMs, (_, pitch) => ({ ...pitch, alter: Math.min(2, Math.max(-2, pitch.alter + by)) }));
}

function changePitches(session: Session, atMs: number, change: (note: NoteItem, pitch: Pitch) => Pitch): Outcome {
  const to = (note: NoteItem): NoteItem => {
    const pitch = note.pitch && change(note, note.pitch);
    return pitch && midiNumber(pitch) >= LOWEST_KEY && midiNumber(pitch) <= HIGHEST_KEY ? withPitch(note, pitch) : note;
  };
  const first = currentEntry(session)?.entry.notes.find(({ pitch }) => pitch !== null);
  if (!first?.pitch) return refused(session, { code: 'nothing-to-change' });
  const from = first.pitch;
  const label = { code: 'pitch', from, to: to(first).pitch ?? from } as const;
  return amend(
    session,
    atMs,
    (_, bar) => ({ ...label, bar }),
    (entry) => ({ ...entry, notes: entry.notes.map(to) }),
  );
}

/** Another finger for the first note of the current entry, or none. */
export function setFinger(session: Session, finger: Finger | null, atMs: number): Outcome {
  return amend(
    session,
    atMs,
    (_, bar) => ({ code: 'finger', bar, finger }),
    (entry) => {
      const first = entry.notes.find(({ pitch }) => pitch !== null);
      return first ? withFinger(entry, first.id, finger) : entry;
    },
  );
}

/** Takes the ties of the current entry away. */
export function removeTies(session: Session, atMs: number): Outcome {
  return amend(
    session,
    atMs,
    (_, bar) => ({ code: 'tie', bar, is: 'off' }),
    (entry) => {
      const notes = entry.notes.map((note) => withTies(note, false, false));
      return notes.every((note, i) => note === entry.notes[i]) ? entry : { ...entry, notes };
    },
  );
}

export function toggleSignHere(session: Session, sign: string, atMs: number): Outcome {
  return amend(
    session,
    atMs,
    ({ entry }, bar) => ({
      code: 'sign',
      bar,
      sign,
      is: entry.notes[0] && hasSign(entry.notes[0], sign) ? 'off' : 'on',
    }),
    (entry) => toggleSign(entry, sign),
  );
}

export function toggleSlurHere(session: Session, atMs: number): Outcome {
  const found = currentEntry(session);
  if (!found || found.entry.notes.every(({ pitch }) => pitch === null))
    return refused(session, { code: 'nothing-to-change' });
  const { score, is } = toggleSlur(session.edited.score, partOf(session), entryAt(session, found.bar, found.index));
  return scoreChanged(session, score, { label: { code: 'slur', bar: barNumber(session, found.bar), is }, atMs });
}

export function setDynamic(session: Session, dynamic: Dynamic | null, atMs: number): Outcome {
  const { staff } = entryPlace(session);
  return amend(
    session,
    atMs,
    (_, bar) => ({ code: 'words', bar, kind: 'dynamic', text: dynamic ?? '' }),
    (entry) => withDynamic(entry, dynamic, staff),
  );
}

/** Words over the current entry, or a syllable under it. */
export function setLyricOrDirection(session: Session, place: 'over' | 'under', text: string, atMs: number): Outcome {
  const { staff } = entryPlace(session);
  const words = text.trim();
  return amend(
    session,
    atMs,
    (_, bar) => ({ code: 'words', bar, kind: place === 'over' ? 'words' : 'lyric', text: words }),
    (entry) => {
      if (place === 'over') return withWords(entry, words, staff);
      const first = entry.notes[0];
      return first?.pitch ? { ...entry, notes: entry.notes.with(0, withLyric(first, words)) } : entry;
    },
  );
}

/** Takes the entry before the caret out; the caret takes its place. */
export function removeBefore(session: Session, atMs: number): Outcome {
  const found = entryBefore(session);
  if (!found) return refused(session, { code: 'nothing-to-change' });
  return removeFound(session, found, atMs);
}

/** Takes the entry at the caret out. */
export function removeHere(session: Session, atMs: number): Outcome {
  const { bar, index } = session.typing.caret;
  const entry = voiceOfCaret(session).entries[index];
  return entry ? removeFound(session, { bar, index, entry }, atMs) : refused(session, { code: 'nothing-to-change' });
}

function removeFound(session: Session, found: Found, atMs: number): Outcome {
  const { caret } = session.typing;
  const sounding = found.entry.notes.filter(({ pitch }) => pitch !== null).length;
  const label: EditLabel = {
    code: 'removed',
    bar: barNumber(session, found.bar),
    what: sounding === 0 ? 'rest' : sounding === 1 ? 'note' : 'chord',
  };
  const after = removeEntry(session.edited.score, entryAt(session, found.bar, found.index));
  return scoreChanged(session, after, {
    label,
    atMs,
    change: {
      caret: {
        ...caret,
        bar: found.bar,
        index: found.index,
        fresh: found.index > 0 && !voiceOfCaret(session, found.bar).entries[found.index + 1],
      },
      anchor: null,
    },
  });
}

/** Takes one note out of a chord. */
export function removeNote(session: Session, noteId: string, atMs: number): Outcome {
  return amend(
    session,
    atMs,
    (_, bar) => ({ code: 'removed', bar, what: 'note' }),
    (entry) => withoutNote(entry, noteId, entryPlace(session)),
  );
}
