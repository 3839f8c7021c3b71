'use client';

import { liveQuery } from 'dexie';
import type { Result } from '@/core/base';
import { storeWorker } from './storing/store-client';
import type { EnterCommand, StoreFault } from './door/commands';
import { caretIn, noteCaret } from './door/carets';
import { enteredSteps, type Done, type EnteredSteps } from './door/door';
import type { StudioDatabase } from './database';
import { editionOf, pieceById } from './reading';
import type { PieceRecord } from './records/records';
import { studio, studioDatabase } from './studio-life';

/** A piece as it is opened for entering: with what was entered before, and where entering stood (null where nobody knows), all of one moment. */
export interface PieceToEnter extends EnteredSteps {
  readonly piece: PieceRecord;
  readonly typing: string | null;
}

/** Null where there is no such piece. Whoever keeps what is entered is started meanwhile. */
export async function pieceToEnter(id: string): Promise<PieceToEnter | null> {
  void storeWorker().ready();
  return readPieceToEnter(studioDatabase(), id);
}

/** The same out of any studio. */
export function readPieceToEnter(database: StudioDatabase, id: string): Promise<PieceToEnter | null> {
  const tables = [database.pieces, database.history, database.changes, database.carets];
  return database.transaction('r', tables, async () => {
    const piece = await pieceById(database, id);
    if (!piece) return null;
    return { piece, typing: await caretIn(database, id, piece.edition), ...(await enteredSteps(database, id)) };
  });
}

/** The store, as the entering of one piece needs it. */
export interface EntryStore {
  readonly open: () => Promise<PieceToEnter | null>;
  readonly enter: (command: EnterCommand) => Promise<Result<Done, StoreFault>>;
  /** What the store calls the music that it holds; undefined where it has no such piece. */
  readonly edition: () => Promise<string | null | undefined>;
  /** Notes where entering stands in this state of the music. */
  readonly noteCaret: (edition: string | null, typing: string) => Promise<void>;
  /** Whether something that was done in this tab waits for room on the device. */
  readonly isWaiting: () => boolean;
  /** Tells that the music may have changed, or that something is written that had to wait. Gives what ends it. */
  readonly watch: (tell: () => void) => () => void;
}

/** The store of this browser. */
export function entryStore(id: string): EntryStore {
  return {
    open: () => pieceToEnter(id),
    enter: (command) => studio().run(command),
    edition: () => editionOf(studioDatabase(), id),
    noteCaret: (edition, typing) => noteCaret(studioDatabase(), id, edition, typing),
    isWaiting: () => studio().waiting().count > 0,
    watch: (tell) => {
      const changes = liveQuery(() => editionOf(studioDatabase(), id)).subscribe({
        next: tell,
        // A store that is gone is told on every screen.
        error: () => undefined,
      });
      const leave = studio().listen(tell);
      return () => {
        changes.unsubscribe();
        leave();
      };
    },
  };
}
