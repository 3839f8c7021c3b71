'use client';

import { useSyncExternalStore } from 'react';
import { useLiveQuery } from 'dexie-react-hooks';
import { askToPersist } from './device/browser-store';
import type { Command, StoreFault } from './door/commands';
import type { HistoryHead } from './door/history-records';
import type { RunHow, Waiting } from './door/studio';
import { doneAfter, historyList, nextToUndoOrRedo, type Next } from './door/undo-redo';
import {
  allPieces,
  currentDesk,
  currentSettings,
  lastSaved,
  pieceById,
  piecesOf,
  setAside,
  type SetAside,
} from './reading';
import type { Desk } from './records/desk';
import type { PieceRecord } from './records/records';
import type { Settings } from './records/settings';
import {
  lostStudio,
  onStudioState,
  studio,
  studioDatabase,
  studioState,
  type Lost,
  type StoreState,
} from './studio-life';

export function useStoreState(): StoreState {
  return useSyncExternalStore(onStudioState, studioState, () => 'open');
}

/** What this page still has of a studio that is gone; null where nothing is left. */
export function useLostStudio(): Lost | 'reading' | null {
  return useSyncExternalStore(onStudioState, lostStudio, () => null);
}

let hasAsked = false;

/** Whether nothing was ever kept in this browser. */
export async function isFirstVisit(): Promise<boolean> {
  const database = studioDatabase();
  return (await database.kept.get('settings')) === undefined && (await database.pieces.count()) === 0;
}

const refusalListeners = new Set<(fault: StoreFault) => void>();

/** Tells of every command that is refused, so that none is refused in silence. */
export function onRefusal(tell: (fault: StoreFault) => void): () => void {
  refusalListeners.add(tell);
  return () => refusalListeners.delete(tell);
}

/** Tells that something was refused. */
export function tellRefusal(fault: StoreFault): void {
  refusalListeners.forEach((tell) => tell(fault));
}

/** Does what a command asks; null where it is done, else why it was refused, which the screen tells by itself. The first piece of the teacher's own
 * makes the browser be asked to keep the studio. */
export async function change(command: Command, label = '', how: RunHow = {}): Promise<StoreFault | null> {
  const done = await studio().run(command, label, how);
  if (!done.ok) {
    tellRefusal(done.error);
    return done.error;
  }
  if (command.kind === 'piece.add' && !hasAsked) {
    hasAsked = true;
    void askToPersist().catch(() => undefined);
  }
  return null;
}

/** What this tab has that could not be written. */
export function useWaiting(): Waiting {
  return useSyncExternalStore(studioListen, studioWaiting, () => NOTHING_WAITS);
}

const NOTHING_WAITS: Waiting = { count: 0, refused: [] };
const studioListen = (tell: () => void): (() => void) => studio().listen(tell);
const studioWaiting = (): Waiting => studio().waiting();

/** The pieces on the shelf, kept up to date; undefined until they are read. */
export function usePieces(): readonly PieceRecord[] | undefined {
  return useLiveQuery(() => allPieces(studioDatabase()), []);
}

/** The photo that stands beside a piece while it is entered; null where there is none, undefined until it is read. */
export function usePhotoOf(piece: string): Blob | null | undefined {
  return useLiveQuery(async () => (await studioDatabase().photos.get(piece))?.photo ?? null, [piece]);
}

/** Keeps a photo beside a piece, or puts it away. False where there is no room for it on this device. */
export async function keepPhoto(piece: string, photo: Blob | null): Promise<boolean> {
  try {
    if (photo) await studioDatabase().photos.put({ piece, photo });
    else await studioDatabase().photos.delete(piece);
    return true;
  } catch {
    return false;
  }
}

/** How many pieces there are, kept up to date; undefined until it is known. */
export function usePieceCount(): number | undefined {
  return useLiveQuery(() => studioDatabase().pieces.count(), []);
}

/** One piece; null where there is none, undefined until it is read. */
export function usePiece(id: string | null): PieceRecord | null | undefined {
  return useLiveQuery(() => (id === null ? null : pieceById(studioDatabase(), id)), [id]);
}

export function useSettings(): Settings | undefined {
  return useLiveQuery(() => currentSettings(studioDatabase()), []);
}

/** How the desk was left. */
export function useDesk(): Desk | undefined {
  return useLiveQuery(() => currentDesk(studioDatabase()), []);
}

/** What this tab takes back and does again next; null where there is nothing. */
export interface NextUndoRedo {
  readonly undo: Next | null;
  readonly redo: Next | null;
}

const NO_TURNS: NextUndoRedo = { undo: null, redo: null };

/** What could be undone and done again next, kept up to date. */
export function useNextUndoRedo(): NextUndoRedo {
  return useLiveQuery(nextTurns, []) ?? NO_TURNS;
}

export async function nextTurns(): Promise<NextUndoRedo> {
  const { tab } = studio();
  return {
    undo: await nextToUndoOrRedo(studioDatabase(), 'undo', tab),
    redo: await nextToUndoOrRedo(studioDatabase(), 'redo', tab),
  };
}

/** Everything that was done, the last first; undefined until it is read. */
export function useHistoryList(): readonly HistoryHead[] | undefined {
  return useLiveQuery(() => historyList(studioDatabase()), []);
}

/** The edits that have to be taken back, the last first, to come to where this one had just been done. */
export function editsAfter(number: number): Promise<readonly number[]> {
  return doneAfter(studioDatabase(), number);
}

/** Everything that could not be understood, kept up to date; undefined until all is looked through. */
export function useSetAside(): readonly SetAside[] | undefined {
  return useLiveQuery(() => setAside(studioDatabase()), []);
}

/** Since when there has been a piece of the teacher's own, in ms since 1970; null where there is none. */
export async function ownSince(): Promise<number | null> {
  const first = await studioDatabase()
    .pieces.orderBy('addedAt')
    .filter(({ origin }) => origin === 'own')
    .first();
  return first?.addedAt ?? null;
}

/** When the last studio file was saved, in ms since 1970; null where none was; undefined until that is known. */
export function useLastSaved(): number | null | undefined {
  return useLiveQuery(() => lastSaved(studioDatabase()), []);
}

/** Some pieces, in the order in which they are asked for, kept up to date; undefined until they are read. `ids` must keep its identity while it says the same. */
export function usePiecesOf(ids: readonly string[]): readonly PieceRecord[] | undefined {
  return useLiveQuery(() => piecesOf(studioDatabase(), ids), [ids]);
}
