import type { StudioDatabase } from './database';
import { findRecordSchema, type FindRecord } from './records';

/** All answers of finding games, oldest first. */
export async function allFinds(database: StudioDatabase): Promise<readonly FindRecord[]> {
  const records = await database.finds.toArray();
  return records.filter((record) => findRecordSchema.isValidSync(record));
}

/** Keeps an answer at once. No edit: what was answered is not taken back. */
export async function noteFind(database: StudioDatabase, find: FindRecord): Promise<void> {
  await database.finds.add(find);
}

/** Puts answers of a studio file beside those that are here; the same answer is not kept twice. */
export async function restoreFinds(database: StudioDatabase, finds: readonly FindRecord[]): Promise<void> {
  await database.transaction('rw', database.finds, async () => {
    const here = new Set((await allFinds(database)).map(nameOf));
    await database.finds.bulkAdd(finds.filter((find) => !here.has(nameOf(find))));
  });
}

function nameOf({ pupil, kind, atMs, asked }: FindRecord): string {
  return `${pupil}/${kind}/${atMs}/${asked}`;
}
