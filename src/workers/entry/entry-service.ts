import {
  NO_HISTORY,
  historyOf,
  keptSince,
  newScore,
  readOpening,
  readyToEdit,
  undoOrRedo,
  type Clip,
  type Edited,
  type History,
  type KeptChange,
} from '@/core/edit';
import {
  beginSession,
  isCaret,
  press,
  resumed,
  typingText,
  type Caret,
  type Command,
  type Outcome,
  type Session,
} from '@/core/entry';
import { languageOf, typedAsLetters, USUAL_LANGUAGE, type Language } from '@/core/explain';
import { entryView, pressedView, type EntryPage } from '@/core/views';
import { parseKey } from '@/core/pitch';
import { readDraft, readPiece, readPlayed } from '@/core/read';
import { err, ok, type Fault, type Result } from '@/core/base';
import { pupilPart, type Part } from '@/core/score';
import { writeMusicXml } from '@/core/write';
import {
  ENTRY_CHECKS,
  type EntryPageAsked,
  type EntryService,
  type EntrySource,
  type EntryToKeep,
  type Pressed,
} from '@/contract/entry-questions';
import { guarded, type Asked } from '@/crossing/guarded';
import type { Answer, Trouble } from '@/contract/answer';
import { serviceTrouble, troubleOf } from '@/crossing/trouble';

/** The lines of an ABC tune that stand in front of what the teacher writes. */
const ABC_HEAD_LINES = 4;

/** The entering of one piece at a time, behind the worker's door. */
export function createEntryService(): Asked<EntryService> {
  return guarded<EntryService>(entryService(), ENTRY_CHECKS);
}

// eslint-disable-next-line max-lines-per-function -- a service: one short method a question, all of them over one session
function entryService(): EntryService {
  let session: Session | null = null;
  let page: EntryPage = { columns: 24, prefix: '' };
  let says: Language = USUAL_LANGUAGE;
  let kept: Edited<Caret> | null = null;
  /** What was copied; it goes along from piece to piece. */
  let clip: Clip | null = null;
  /** Where the writing of ABC began. */
  let beforeAbc: Session | null = null;

  const toKeep = (now: Session): EntryToKeep | null => {
    const { edited } = now;
    if (!kept || (kept.history === edited.history && kept.score === edited.score)) return null;
    const changes = changesToKeep(says, kept, edited);
    kept = edited;
    return changes;
  };
  const setOut = ({ wording, ...rest }: EntryPageAsked): void => {
    page = rest;
    says = languageOf(wording);
  };
  const shown = (now: Session): Pressed => ({
    ...pressedView(says, { session: now, sounds: [], notice: null }, page),
    keep: toKeep(now),
    typing: typingText(now),
  });
  const take = (outcome: Outcome): Pressed => {
    session = outcome.session;
    clip = outcome.clip ?? clip;
    const { session: now } = outcome;
    return { ...pressedView(says, outcome, page), keep: toKeep(now), typing: typingText(now) };
  };

  return {
    create: ({ title, opening, wording }) => {
      const read = readOpening(typedAsLetters(opening, wording.names));
      const key = read && parseKey(`${read.tonic}-${read.mode}`, 'major');
      if (!read || !key)
        return { ok: false, trouble: serviceTrouble(languageOf(wording), { code: 'entry.opening', opening }) };
      return {
        ok: true,
        value: writeMusicXml(newScore({ title, key, meter: read.meter, pickupBeats: read.pickupBeats })),
      };
    },
    open: (source, changes, wantedPage, resume) => {
      setOut(wantedPage);
      const opened = openKept(source, changes);
      if (!opened.ok) return refused(says, opened.error);
      const { edited, partId } = opened.value;
      const begun = beginSession(edited.score, partId, edited.history);
      session = resume ? resumed(begun, resume.typing, resume.how) : begun;
      kept = edited;
      beforeAbc = resume?.isAbc ? beforeLastAbc(session) : null;
      return { ok: true, value: { view: entryView(says, session, page), typing: typingText(session) } };
    },
    press: (command, atMs) => {
      if (!session) return closed(says);
      const full = command.kind === 'paste' ? { kind: 'paste' as const, clip } : command;
      return { ok: true, value: take(press(session, full as Command, atMs)) };
    },
    setOut: (wanted) => {
      setOut(wanted);
      return session ? { ok: true, value: entryView(says, session, page) } : closed(says);
    },
    abc: (text, atMs) => {
      if (!session) return closed(says);
      beforeAbc ??= session;
      if (text.trim() === '') {
        session = beforeAbc;
        return ok({ pressed: shown(session), trouble: null });
      }
      const { inForce: frame } = entryView(says, beforeAbc, page);
      const head = `X:1\nM:${frame.meter.beats}/${frame.meter.beatType}\nL:1/4\nK:${frame.abcKey}\n`;
      const reading = readPiece(new TextEncoder().encode(head + text), 'abc');
      if (!reading.ok) return ok({ pressed: shown(session), trouble: withoutHead(troubleOf(says, reading.error)) });
      const unclear = reading.value.remarks.find((remark) => remark.code === 'abc-unclear');
      const outcome = press(beforeAbc, { kind: 'take-in', from: 'abc', music: reading.value.score }, atMs);
      const pressed = take(outcome);
      if (!unclear) return ok({ pressed, trouble: null });
      const own = { ...unclear, line: unclear.line - ABC_HEAD_LINES };
      return ok({ pressed, trouble: serviceTrouble(says, { code: 'entry.abc', unclear: own }) });
    },
    abcDone: () => {
      beforeAbc = null;
      return ok(null);
    },
    undoOrRedoKept: (source, changes, undoRedo, wording) => {
      const told = languageOf(wording);
      const opened = openKept(source, changes);
      if (!opened.ok) return refused(told, opened.error);
      const { edited } = opened.value;
      const last = undoRedo === 'undo' ? edited.history.done.at(-1) : edited.history.undone.at(-1);
      const result = last ? undoOrRedo(edited, undoRedo, last.caret) : null;
      return ok(result ? changesToKeep(told, edited, result) : null);
    },
    played: (keys, msPerQuarter, grid, atMs) => {
      if (!session) return closed(says);
      const { inForce: frame } = entryView(says, session, page);
      const reading = readPlayed(keys, {
        msPerQuarter,
        grid,
        meter: frame.meter,
        fifths: frame.fifths,
        mode: frame.mode === 'minor' ? 'minor' : 'major',
      });
      if (!reading.ok)
        return {
          ok: false,
          trouble: { ...serviceTrouble(says, { code: 'entry.nothing-heard' }), code: reading.error.code },
        };
      return {
        ok: true,
        value: take(press(session, { kind: 'take-in', from: 'played', music: reading.value.score }, atMs)),
      };
    },
  };
}

/** A piece with the history that led to its music. A history that is damaged is left out: the piece begins a new one. */
function openKept(
  { musicXml, part }: EntrySource,
  changes: readonly KeptChange[],
): Result<{ readonly edited: Edited<Caret>; readonly partId: string }, Fault> {
  const reading = readDraft(musicXml);
  if (!reading.ok) return err(reading.error);
  const score = readyToEdit(reading.value.score);
  const pupils = pupilPart(score, part) ?? (score.parts[0] as Part);
  const history = historyOf(changes, isCaret) ?? NO_HISTORY;
  return ok({ edited: { score, history }, partId: pupils.id });
}

/** The piece before what was last read of ABC; null where something else was done last. */
function beforeLastAbc({ edited, typing }: Session): Session | null {
  const last = edited.history.done.at(-1);
  const before = last?.label.code === 'abc' ? undoOrRedo(edited, 'undo', typing.caret) : null;
  return before && { edited: before, typing: { ...typing, caret: before.change.caret } };
}

/** What has to be kept after a history went on from another. */
function changesToKeep(says: Language, before: Edited<Caret>, { score, history }: Edited<Caret>): EntryToKeep {
  const { changed, count } = keptSince(before.history, history);
  const inOrder = [...history.done, ...history.undone.toReversed()];
  const withWords = changed.map((one) => {
    const label = inOrder[one.number]?.label;
    return { ...one, words: label ? says.editWords(label) : '' };
  });
  return { musicXml: writeMusicXml(score), changed: withWords, count, state: stateOf(history) };
}

function closed(says: Language): Answer<never> {
  return { ok: false, trouble: serviceTrouble(says, { code: 'entry.closed' }) };
}

function refused(says: Language, error: Fault): { readonly ok: false; readonly trouble: Trouble } {
  return { ok: false, trouble: troubleOf(says, error) };
}

/** Lines as the teacher counts them: the head is ours. */
function withoutHead(trouble: Trouble): Trouble {
  return trouble.line === null ? trouble : { ...trouble, line: Math.max(1, trouble.line - ABC_HEAD_LINES) };
}

/** Tells one state of a history from others: how much is done, and when the last of it was; null where nothing is. */
function stateOf({ done }: History<unknown>): string | null {
  const last = done.at(-1);
  return last ? `${done.length}/${last.atMs}` : null;
}
