import type { StudioDatabase } from './database';
import { makeEdit } from './journal';
import { planEntrySchema, type PlanEntry } from './records';

/** What a pupil is to learn, in order. A record that does not fit its schema is left in the database and not shown. */
export async function planOf(database: StudioDatabase, pupil: string): Promise<readonly PlanEntry[]> {
  const entries = await database.plan.where('pupil').equals(pupil).toArray();
  return entries.filter((entry) => planEntrySchema.isValidSync(entry)).toSorted((a, b) => a.place - b.place);
}

/** The plans of all pupils. */
export async function wholePlan(database: StudioDatabase): Promise<readonly PlanEntry[]> {
  const entries = await database.plan.toArray();
  return entries.filter((entry) => planEntrySchema.isValidSync(entry)).toSorted((a, b) => a.pupil.localeCompare(b.pupil) || a.place - b.place);
}

/** A run of keys of one piece for a pupil, in the order in which they are to be learnt. */
export interface KeyRun {
  readonly pupil: string;
  readonly piece: string;
  readonly keys: readonly string[];
}

/** Puts a run of keys behind what the pupil has to learn already, as one edit. Keys of the piece that are in the plan already are not put in twice.
 * Gives the keys that were added. */
export async function addToPlan(database: StudioDatabase, { pupil, piece, keys }: KeyRun, label: string): Promise<readonly string[]> {
  const there = await planOf(database, pupil);
  const added = keys.filter((key) => !there.some((entry) => entry.piece === piece && entry.key === key));
  const first = (there.at(-1)?.place ?? -1) + 1;
  const addedAt = Date.now();
  const entries = added.map((key, i): PlanEntry => ({ id: crypto.randomUUID(), origin: 'own', pupil, piece, key, place: first + i, addedAt }));
  if (entries.length > 0) await makeEdit(database, { label, plan: entries.map((after) => ({ id: after.id, after })) });
  return added;
}

/** Takes entries out of a plan. */
export async function takeFromPlan(database: StudioDatabase, ids: readonly string[], label: string): Promise<void> {
  await makeEdit(database, { label, plan: ids.map((id) => ({ id, after: null })) });
}
