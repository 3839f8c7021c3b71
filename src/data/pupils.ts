import type { StudioDatabase } from './database';
import { makeEdit } from './journal';
import { deskSchema, pupilSchema, USUAL_DESK, type Desk, type PupilRecord } from './records';

/** All pupils, in the order in which they came. A record that does not fit its schema is left in the database and not shown. */
export async function allPupils(database: StudioDatabase): Promise<readonly PupilRecord[]> {
  const records = await database.pupils.orderBy('addedAt').toArray();
  return records.filter((record) => pupilSchema.isValidSync(record));
}

/** Adds a pupil, or changes one. */
export async function keepPupil(database: StudioDatabase, pupil: PupilRecord, label: string): Promise<void> {
  await makeEdit(database, { label, pupils: [{ id: pupil.id, after: pupil }] });
}

/** Takes a pupil out. What was decided for the pupil stays with the pieces, and counts again once the pupil is back. */
export async function removePupil(database: StudioDatabase, id: string, label: string): Promise<void> {
  await makeEdit(database, { label, pupils: [{ id, after: null }] });
}

/** How the desk was left; the usual where nothing is known or understood. */
export async function currentDesk(database: StudioDatabase): Promise<Desk> {
  const value = (await database.kept.get('desk'))?.value;
  const merged = { ...USUAL_DESK, ...(typeof value === 'object' ? value : {}) };
  return deskSchema.isValidSync(merged) ? merged : USUAL_DESK;
}

/** Notes how the desk is left. No edit: there is nothing to take back. */
export async function leaveDesk(database: StudioDatabase, change: Partial<Desk>): Promise<void> {
  await database.transaction('rw', database.kept, async () => {
    await database.kept.put({ id: 'desk', value: { ...(await currentDesk(database)), ...change } });
  });
}
