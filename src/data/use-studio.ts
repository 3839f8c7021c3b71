'use client';

import { useRef } from 'react';
import { useLiveQuery } from 'dexie-react-hooks';
import { openDatabase, type JournalEntry, type StudioDatabase } from './database';
import { allFinds } from './finds';
import { planOf } from './plan';
import { allPupils, currentDesk } from './pupils';
import type { Desk, FindRecord, PieceRecord, PlanEntry, PupilRecord, Settings } from './records';
import { allPieces, currentSettings, pieceById } from './studio';

let opened: StudioDatabase | null = null;

/** The studio's database in this browser. */
export function studioDatabase(): StudioDatabase {
  opened ??= openDatabase();
  return opened;
}

/** The pieces on the shelf, kept up to date; undefined until they are read. */
export function usePieces(): readonly PieceRecord[] | undefined {
  return useLiveQuery(() => allPieces(studioDatabase()), []);
}

/** How many pieces there are, kept up to date; undefined until it is known. */
export function usePieceCount(): number | undefined {
  return useLiveQuery(() => studioDatabase().pieces.count(), []);
}

/** One piece; null where there is none, undefined until it is read. */
export function usePiece(id: string | null): PieceRecord | null | undefined {
  return useLiveQuery(() => (id === null ? null : pieceById(studioDatabase(), id)), [id]);
}

/** One piece as it is found first: what is changed of it later is not told, so that whoever changes it is not told of every change.
 * Null as long as there is none, undefined until that is known. */
export function usePieceOnce(id: string | null): PieceRecord | null | undefined {
  const found = useRef<PieceRecord | null>(null);
  return useLiveQuery(async () => {
    if (id === null) return null;
    if (found.current?.id !== id) found.current = await pieceById(studioDatabase(), id);
    return found.current;
  }, [id]);
}

export function useSettings(): Settings | undefined {
  return useLiveQuery(() => currentSettings(studioDatabase()), []);
}

/** All pupils, kept up to date; undefined until they are read. */
export function usePupils(): readonly PupilRecord[] | undefined {
  return useLiveQuery(() => allPupils(studioDatabase()), []);
}

/** What a pupil is to learn, in order; empty for any hand, undefined until it is read. */
export function usePlan(pupil: string | null): readonly PlanEntry[] | undefined {
  return useLiveQuery(() => (pupil === null ? [] : planOf(studioDatabase(), pupil)), [pupil]);
}

/** What a pupil answered in finding games, the last first; undefined until it is read. */
export function useFinds(pupil: string | null): readonly FindRecord[] | undefined {
  return useLiveQuery(async () => (await allFinds(studioDatabase())).filter((find) => find.pupil === pupil).toReversed(), [pupil]);
}

/** How the desk was left. */
export function useDesk(): Desk | undefined {
  return useLiveQuery(() => currentDesk(studioDatabase()), []);
}

/** What could be undone and done again next, by their labels. */
export function useHistory(): { readonly undo: string | null; readonly redo: string | null } {
  const entries = useLiveQuery(() => studioDatabase().journal.orderBy('number').toArray(), []) ?? [];
  const lastDone = entries.findLast((entry: JournalEntry) => entry.state === 'done');
  const firstUndone = entries.find((entry: JournalEntry) => entry.state === 'undone');
  return { undo: lastDone?.label ?? null, redo: firstUndone?.label ?? null };
}
