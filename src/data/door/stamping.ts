import type { StudioDatabase } from '../database';
import { sameHeld } from '../records/field';
import { byRecord, isJoined, stampsAfter, type Stamp, type StampsTurned } from '../join/stamp';
import { recordName, type ChangedField, type UndoRedo } from './history-records';

/** What this browser is called among the devices that write into one studio. */
export async function deviceOf(database: StudioDatabase): Promise<string> {
  const known = await database.local.get('device');
  if (known) return known.name;
  const name = crypto.randomUUID();
  await database.local.put({ id: 'device', name });
  return name;
}

/** Notes that this device wrote fields. */
export async function stampEdit(database: StudioDatabase, changed: readonly ChangedField[]): Promise<void> {
  const own = changed.filter(({ table, field }) => isJoined(table, field));
  if (own.length === 0) return;
  const known = await knownStamps(database, [...new Set(own.map(recordName))]);
  // What is new, and was never here, is known to nobody else.
  const isOld = own.some((one) => known.has(recordName(one)) || one.field.length > 0 || one.before !== undefined);
  if (isOld) await putStamps(database, stampsAfter(own, known, await deviceOf(database)));
}

/** Notes that this device took an edit back, or did it again. What came in from another device goes as if it had never come, so that it can come again;
 * unless something was written into the same records since. */
export async function stampTurned(
  database: StudioDatabase,
  changed: readonly ChangedField[],
  turned: StampsTurned,
  undoRedo: UndoRedo,
): Promise<void> {
  const now = await knownStamps(
    database,
    turned.map(({ id }) => id),
  );
  const asLeft = turned.filter(({ id, before, after }) =>
    sameHeld(now.get(id) ?? null, undoRedo === 'undo' ? after : before),
  );
  const isTurned = new Set(asLeft.map(({ id }) => id));
  await stampEdit(
    database,
    changed.filter((one) => !isTurned.has(recordName(one))),
  );
  for (const { id, before, after } of asLeft) {
    const stamp = undoRedo === 'undo' ? before : after;
    if (stamp) await database.stamps.put(stamp);
    else await database.stamps.delete(id);
  }
}

/** What is known of some records, by their names. */
export async function knownStamps(
  database: StudioDatabase,
  ids: readonly string[],
): Promise<ReadonlyMap<string, Stamp>> {
  return byRecord((await database.stamps.bulkGet([...ids])).flatMap((stamp) => stamp ?? []));
}

export async function putStamps(database: StudioDatabase, stamps: readonly Stamp[]): Promise<void> {
  if (stamps.length > 0) await database.stamps.bulkPut([...stamps]);
}
