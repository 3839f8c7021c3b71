'use client';

import {
  editsAfter,
  pieceToEnter,
  storeFaultWords,
  studio,
  withPieceLock,
  type HistoryHead,
  type How,
  type UndoRedo,
} from '@/data';
import { entryWorker } from '@/workers/client';
import type { Words } from '../words/use-words';
import { entrySettled, liveEntry } from '../files/live-entry';

/** What taking something back, or doing it again, came to. `later`: others changed the same since, and the teacher has the choice. */
export type UndoOutcome =
  | { readonly kind: 'nothing' }
  | { readonly kind: 'turned'; readonly label: string }
  | { readonly kind: 'refused'; readonly message: string; readonly hint: string }
  | {
      readonly kind: 'later';
      readonly undoRedo: UndoRedo;
      readonly number: number;
      readonly label: string;
      readonly by: readonly HistoryHead[];
      readonly canForce: boolean;
    };

let last: Promise<unknown> = Promise.resolve();

/** One after the other, however fast they are asked for: each finds what the one before it left. */
function oneAfterAnother<T>(work: () => Promise<T>): Promise<T> {
  const mine = last.then(work);
  last = mine.catch(() => undefined);
  return mine;
}

/** Takes back what is next, or does it again: one history for everything, also for what was entered. */
export function undoOrRedoNext(w: Words, undoRedo: UndoRedo): Promise<UndoOutcome> {
  return oneAfterAnother(async () => {
    await entrySettled();
    const next = await studio().next(undoRedo);
    return next ? undoOrRedoOne(w, next.number, undoRedo, 'in order') : { kind: 'nothing' };
  });
}

/** Takes one edit back or does it again, as the teacher chose. */
export function undoOrRedoAllTheSame(w: Words, number: number, undoRedo: UndoRedo): Promise<UndoOutcome> {
  return oneAfterAnother(() => undoOrRedoOne(w, number, undoRedo, 'all the same'));
}

/** Takes an edit back together with the later ones that changed the same: the last first. */
export function undoWithLater(
  w: Words,
  { number, by, undoRedo: way }: UndoOutcome & { readonly kind: 'later' },
): Promise<UndoOutcome> {
  return oneAfterAnother(async () => {
    for (const later of by.toReversed()) {
      const outcome = await undoOrRedoOne(w, later.number, 'undo', 'in order');
      if (outcome.kind !== 'turned') return outcome;
    }
    return undoOrRedoOne(w, number, way, 'in order');
  });
}

/** Takes back everything after an edit, and, where `itself` says so, the edit too: the last first. Ends where something cannot be taken back. */
export function goBackTo(w: Words, number: number, itself: 'stays' | 'goes'): Promise<UndoOutcome> {
  return oneAfterAnother(async () => {
    await entrySettled();
    let outcome: UndoOutcome = { kind: 'nothing' };
    for (const each of [...(await editsAfter(number)), ...(itself === 'goes' ? [number] : [])]) {
      outcome = await undoOrRedoOne(w, each, 'undo', 'in order');
      if (outcome.kind !== 'turned') return outcome;
    }
    return outcome;
  });
}

async function undoOrRedoOne(w: Words, number: number, undoRedo: UndoRedo, how: How): Promise<UndoOutcome> {
  const result = await studio().undoOrRedo(number, undoRedo, how);
  if (!result.ok) return { kind: 'refused', ...storeFaultWords(w, result.error) };
  if (result.value.kind === 'later') return { ...result.value, undoRedo };
  if (result.value.kind === 'turned') return result.value;
  const { piece, label } = result.value;
  const live = liveEntry();
  if (live?.piece === piece) {
    await live.undoOrRedo(undoRedo);
    return { kind: 'turned', label };
  }
  return undoOrRedoEntered(w, piece, undoRedo, label);
}

/** Turns a step of entering of a piece that is not open in this tab; where another tab enters it, that one settles what it has first. */
async function undoOrRedoEntered(w: Words, id: string, undoRedo: UndoRedo, label: string): Promise<UndoOutcome> {
  const outcome = await withPieceLock(id, () => undoOrRedoLast(w, id, undoRedo, label));
  if (outcome !== 'held') return outcome;
  return { kind: 'refused', message: w.entry.otherTabCannotBeWritten, hint: w.entry.makeRoomInOtherTab };
}

/** The core reads the piece, turns its last step and writes it. */
async function undoOrRedoLast(w: Words, id: string, undoRedo: UndoRedo, label: string): Promise<UndoOutcome> {
  const found = await pieceToEnter(id);
  if (!found) return { kind: 'refused', ...storeFaultWords(w, { code: 'store.gone', place: { table: 'pieces', id } }) };
  const { piece, stretch, base, steps } = found;
  const answer = await entryWorker().undoOrRedoKept(
    { musicXml: piece.musicXml, part: piece.part },
    steps,
    undoRedo,
    w.wording,
  );
  if (!answer.ok) return { kind: 'refused', message: answer.trouble.message, hint: answer.trouble.hint };
  if (answer.value === null) return { kind: 'nothing' };
  const { musicXml, changed, count, state } = answer.value;
  const done = await studio().run({
    kind: 'piece.enter',
    id,
    from: piece.edition,
    base,
    stretch,
    state,
    musicXml,
    changed,
    count,
  });
  return done.ok ? { kind: 'turned', label } : { kind: 'refused', ...storeFaultWords(w, done.error) };
}
