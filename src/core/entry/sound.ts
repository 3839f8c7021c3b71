import {
  TRIPLET,
  barCount,
  changeEntry,
  changeVoice,
  freshIds,
  insertEntry,
  isRest,
  voiceTicks,
  lengthOf,
  makeBarRest,
  makeEntry,
  overwriteEntries,
  staffOfHand,
  wantedTicks,
  withEntries,
  withNewBars,
  withNote,
  withTies,
  type EditLabel,
  type Entry,
  type EntryAt,
  type EntryPlace,
  type Length,
  type NewNote,
} from '../edit';
import { HIGHEST_KEY, LOWEST_KEY } from '../keyboard';
import { diatonicNumber, midiNumber, samePitch, spellKey, stepOfLetter, type Letter, type Pitch } from '../pitch';
import type { Finger, NoteItem, Part, Score } from '../score';
import { signatureLine } from '../notation';
import type { Ticks } from '../time';
import { scoreChanged, refused, type Outcome } from './outcome';
import { pitchAt } from './pitch-at';
import { letterUnder } from './seats';
import {
  barNumber,
  caretOnset,
  currentEntry,
  entryBefore,
  voiceOfCaret,
  NOTHING_SAID,
  partOf,
  type Session,
  type Typing,
} from './session';

/** Enters the note under a finger. */
export function enterFinger(session: Session, finger: Finger, printed: Ticks, atMs: number): Outcome {
  const { caret, seats, openings, next } = session.typing;
  const letter =
    letterUnder(caret.hand, seats[caret.hand], finger, openings[caret.hand]) + next.letters + 7 * next.octaves;
  return enterNotes(session, [{ pitch: pitchTiedFrom(session, letter), finger }], printed, atMs);
}

/** Enters a note by its letter: the nearest such key to the note before. */
export function enterLetter(session: Session, letter: Letter, atMs: number): Outcome {
  const { caret, seats, next } = session.typing;
  const before = entryBefore(session)?.entry.notes.find(({ pitch }) => pitch !== null)?.pitch;
  const from = before ? diatonicNumber(before) : seats[caret.hand] + 2;
  const up = (((stepOfLetter(letter) - from) % 7) + 7) % 7;
  const nearest = from + (up <= 3 ? up : up - 7) + 7 * next.octaves;
  return enterNotes(session, [{ pitch: pitchTiedFrom(session, nearest), finger: null }], session.typing.length, atMs);
}

/** Enters the keys struck together on a keyboard, spelled by the signature and by where they came from. */
export function enterKeys(session: Session, midis: readonly number[], atMs: number): Outcome {
  const before = entryBefore(session)?.entry.notes.find(({ pitch }) => pitch !== null)?.pitch;
  const notes = [...new Set(midis)]
    .sort((a, b) => a - b)
    .map((midi) => ({ pitch: spellAt(session, midi, before ? midiNumber(before) : null), finger: null }));
  return notes.length === 0
    ? refused(session, { code: 'nothing-to-change' })
    : enterNotes(session, notes, session.typing.length, atMs);
}

function spellAt(session: Session, midi: number, before: number | null): Pitch {
  const { bar, hand } = session.typing.caret;
  const part = partOf(session);
  const key = signatureLine(part).at(bar, caretOnset(session), staffOfHand(part, hand));
  return spellKey({ midi, next: null, before }, key.fifths, key.mode === 'minor' ? 'minor' : 'major');
}

/** The pitch of a letter; a tied note takes that of the note it is tied to. */
function pitchTiedFrom(session: Session, letter: number): Pitch {
  const { next } = session.typing;
  const held =
    next.joins === 'tie'
      ? entryBefore(session)?.entry.notes.find(({ pitch }) => pitch && diatonicNumber(pitch) === letter)
      : undefined;
  return held?.pitch ?? pitchAt(session, letter, next.alter);
}

/** Enters notes that sound together: as a new entry, over the one at the caret, or into the chord that was entered last. */
export function enterNotes(session: Session, notes: readonly NewNote[], printed: Ticks, atMs: number): Outcome {
  if (notes.some(({ pitch }) => midiNumber(pitch) < LOWEST_KEY || midiNumber(pitch) > HIGHEST_KEY))
    return refused(session, { code: 'off-keyboard' });
  if (session.typing.next.joins === 'chord') return joinChord(session, notes, atMs);
  if (session.typing.next.joins === 'tie' && !tiesOn(entryBefore(session)?.entry, notes))
    return refused(withNothingSaid(session), { code: 'nothing-to-tie' });
  const { caret } = session.typing;
  const label: EditLabel = {
    code: 'entered',
    bar: barNumber(session, caret.bar),
    hand: caret.hand,
    pitches: notes.map(({ pitch }) => pitch),
    finger: notes[0]?.finger ?? null,
  };
  return enterEntry(session, notes, { printed, label, atMs });
}

function withNothingSaid(session: Session): Session {
  return { ...session, typing: { ...session.typing, next: NOTHING_SAID } };
}

function tiesOn(before: Entry | undefined, notes: readonly NewNote[]): boolean {
  return (before?.notes ?? []).some(
    ({ pitch }) => pitch !== null && notes.some((note) => samePitch(note.pitch, pitch)),
  );
}

function joinChord(session: Session, notes: readonly NewNote[], atMs: number): Outcome {
  const found = currentEntry(session);
  if (!found) return refused(withNothingSaid(session), { code: 'nothing-to-change' });
  const {
    edited: { score },
  } = session;
  const ids = freshIds(score, notes.length);
  const place = entryPlace(session);
  const joined = changeEntry(score, entryAt(session, found.bar, found.index), (entry) =>
    notes.reduce((chord, note, i) => withNote(chord, note, ids[i] as string, place), entry),
  );
  const sounds = [...soundsOf(found.entry), ...notes.map(({ pitch }) => midiNumber(pitch))];
  const label: EditLabel = { code: 'joined', bar: barNumber(session, found.bar), pitch: (notes[0] as NewNote).pitch };
  return scoreChanged(session, joined, { label, atMs, change: { next: NOTHING_SAID }, sounds });
}

/** Enters a rest of a length. */
export function enterRest(session: Session, printed: Ticks, atMs: number): Outcome {
  const { caret } = session.typing;
  return enterEntry(session, [], {
    printed,
    label: { code: 'rest', bar: barNumber(session, caret.bar), hand: caret.hand },
    atMs,
  });
}

/** A rest for the whole bar, in place of what the hand has there. */
export function enterBarRest(session: Session, atMs: number): Outcome {
  const { caret } = session.typing;
  const score = withRoom(session.edited.score, caret.bar);
  const part = score.parts.find(({ id }) => id === session.typing.partId) as Part;
  const measure = part.measures[caret.bar] as Part['measures'][number];
  const place = entryPlace(session);
  const rest = makeBarRest(freshIds(score, 1)[0] as string, wantedTicks(measure, score.ticksPerQuarter), place);
  const after = changeVoice(score, entryAt(session, caret.bar, 0), (voice) => withEntries(voice, [rest]));
  const label: EditLabel = { code: 'rest', bar: barNumber(session, caret.bar), hand: caret.hand };
  return scoreChanged(session, after, {
    label,
    atMs,
    change: {
      caret: { ...caret, bar: caret.bar + 1, index: 0, fresh: true },
      next: NOTHING_SAID,
    },
  });
}

/** The same notes and the same length once more. */
export function enterAgain(session: Session, atMs: number): Outcome {
  const before = entryBefore(session);
  if (!before || before.entry.notes.length === 0) return refused(session, { code: 'nothing-to-change' });
  const { printed } = lengthOf(before.entry);
  if (isRest(before.entry)) return enterRest(session, printed, atMs);
  const notes = before.entry.notes.flatMap(({ pitch, fingers }) =>
    pitch ? [{ pitch, finger: fingers[0] ?? null }] : [],
  );
  return enterNotes(session, notes, printed, atMs);
}

function enterEntry(
  session: Session,
  notes: readonly NewNote[],
  { printed, label, atMs }: { readonly printed: Ticks; readonly label: EditLabel; readonly atMs: number },
): Outcome {
  const { caret, triplet, mode, next } = session.typing;
  const score = withRoom(session.edited.score, caret.bar);
  const length: Length = { printed, tuplet: triplet === null ? null : TRIPLET };
  const ids = freshIds(score, Math.max(1, notes.length));
  const place = entryPlace(session);
  const existing = voiceOfCaret(session).entries[caret.index];
  const at = entryAt(session, caret.bar, caret.index);
  const put =
    existing && mode === 'over'
      ? changeEntry(score, at, (entry) => overwriteEntries(entry, notes, ids, { length, place }))
      : insertEntry(score, at, makeEntry(ids, notes, length, place));
  const after = next.joins === 'tie' ? tieBack(put, session, at, notes) : put;
  const moved = { ...session, edited: { ...session.edited, score: after } };
  return scoreChanged(session, after, {
    label,
    atMs,
    change: { caret: caretAfter(moved), next: NOTHING_SAID, triplet: tripletAfter(session.typing, printed) },
    sounds: notes.map(({ pitch }) => midiNumber(pitch)),
  });
}

/** Ties the entry at a place to the one before it, key by key. */
function tieBack(score: Score, session: Session, at: EntryAt, entered: readonly NewNote[]): Score {
  const before = entryBefore(session);
  if (!before) return score;
  const pitches = before.entry.notes.flatMap(({ pitch }) => (pitch ? [pitch] : []));
  const isHeld = ({ pitch }: NoteItem, held: readonly Pitch[]): boolean =>
    pitch !== null && held.some((other) => samePitch(other, pitch));
  const stopped = entered.map(({ pitch }) => pitch);
  const ended = changeEntry(score, at, (entry) => ({
    ...entry,
    notes: entry.notes.map((note) => (isHeld(note, pitches) ? withTies(note, true, note.tieStart) : note)),
  }));
  return changeEntry(ended, entryAt(session, before.bar, before.index), (entry) => ({
    ...entry,
    notes: entry.notes.map((note) => (isHeld(note, stopped) ? withTies(note, note.tieStop, true) : note)),
  }));
}

function tripletAfter({ triplet }: Typing, printed: Ticks): Ticks | null {
  if (triplet === null) return null;
  const left = (triplet === 0 ? 3 * printed : triplet) - printed;
  return left <= 0 ? null : left;
}

/** One place on: in the same bar, or at the beginning of the next where this one is full. */
function caretAfter(session: Session): Typing['caret'] {
  const { caret } = session.typing;
  const voice = voiceOfCaret(session);
  const index = caret.index + 1;
  const measure = partOf(session).measures[caret.bar];
  const isFull =
    measure !== undefined && voiceTicks(voice) >= wantedTicks(measure, session.edited.score.ticksPerQuarter);
  if (index >= voice.entries.length && isFull) return { ...caret, bar: caret.bar + 1, index: 0, fresh: true };
  return { ...caret, index, fresh: true };
}

/** A bar behind the last is there once something is entered into it. */
function withRoom(score: Score, bar: number): Score {
  const missing = bar + 1 - barCount(score);
  return missing > 0 ? withNewBars(score, barCount(score), missing) : score;
}

export function entryAt(session: Session, bar: number, index: number): EntryAt {
  const { caret, partId } = session.typing;
  return { partId, bar, index, staff: staffOfHand(partOf(session), caret.hand), voice: caret.voice };
}

export function entryPlace(session: Session): EntryPlace {
  const { staff, voice } = entryAt(session, 0, 0);
  return { staff, voice, ticksPerQuarter: session.edited.score.ticksPerQuarter };
}

export function soundsOf(entry: Entry): readonly number[] {
  return entry.notes.flatMap(({ pitch }) => (pitch ? [midiNumber(pitch)] : []));
}
