import Dexie from 'dexie';
import type { StudioDatabase } from './database';
import { pendingSchema, stepRecordSchema, type PendingRecord, type StepRecord } from './records';

/** What a key press asks to be kept: the piece as it is now, the steps that are new or were turned, and how many steps there are. */
export interface Entered extends Omit<PendingRecord, 'piece'> {
  readonly changed: readonly Omit<StepRecord, 'piece'>[];
}

/** Notes at once what was entered: its steps, and the piece as it is now. The write needs no answer before it is final, so that it is kept even
 * where the tab is closed the very next moment. */
export async function noteEntered(database: StudioDatabase, piece: string, { changed, musicXml, edition, count }: Entered): Promise<void> {
  await database.transaction('rw', database.steps, database.pending, () => {
    const steps = database.steps.bulkPut(changed.map((step) => ({ ...step, piece })));
    const noted = database.pending.put({ piece, musicXml, edition, count });
    Dexie.currentTransaction.idbtrans.commit();
    return Promise.all([steps, noted]);
  });
}

/** Puts what was noted into the pieces, in one transaction a piece, and takes the notes away. A note that does not fit its schema is left where it is. */
export async function settleEntered(database: StudioDatabase): Promise<void> {
  for (const piece of await database.pending.toCollection().primaryKeys()) {
    await database.transaction('rw', database.pieces, database.steps, database.pending, async () => {
      const noted = await database.pending.get(piece);
      if (!pendingSchema.isValidSync(noted)) return;
      const { musicXml, edition, count } = noted;
      await database.pieces.update(piece, { musicXml, edition });
      await database.steps.where('[piece+number]').between([piece, count], [piece, Infinity]).delete();
      await database.pending.delete(piece);
    });
  }
}

/** The steps of a piece, in order. A record that does not fit its schema ends the history there; it stays in the database. */
export async function stepsOf(database: StudioDatabase, piece: string): Promise<readonly StepRecord[]> {
  const steps = await database.steps.where('piece').equals(piece).sortBy('number');
  const damaged = steps.findIndex((step) => !stepRecordSchema.isValidSync(step));
  return damaged < 0 ? steps : steps.slice(0, damaged);
}
