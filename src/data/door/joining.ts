import { err, ok, type Result } from '@/core/base';
import type { StudioDatabase } from '../database';
import type { StudioContents } from '../file/contents';
import { harmIn } from '../file/coming';
import { joinContents } from '../file/join-in';
import { doingsOf } from '../file/rights';
import { heldIn } from '../records/field';
import { applied } from './apply';
import type { EditCommand, StoreFault } from './commands';
import { recordName, type Attribution } from './history-records';
import type { StampsTurned } from '../join/stamp';
import { knownStamps, putStamps, stampEdit } from './stamping';
import { viewOf, type StudioView, type Wanted } from './view';
import { forgetOldest, forgetUndone, noteFields, putAll, type Done } from './writing';

/** Joins what another device holds with what is here. What it brings is written as it was there: this device did not write it. */
export async function join(
  database: StudioDatabase,
  { contents, file, listed }: EditCommand & { readonly kind: 'studio.join' },
  attribution: Attribution,
): Promise<Result<Done, StoreFault>> {
  const view = viewOf(database);
  const { wanted, stamps } = await joinContents(view, (ids) => knownStamps(database, ids), contents, file);
  if (!(await isAsListed(view, wanted, listed))) return err({ code: 'store.not-as-looked-at' });
  const change = await applied(viewOf(database), wanted, 'as it is');
  if (!change.ok) return change;
  const before = await knownStamps(
    database,
    stamps.map(({ id }) => id),
  );
  await putAll(database, change.value.records);
  await putStamps(database, stamps);
  if (change.value.changed.length === 0) return ok({ number: null });
  await forgetUndone(database, attribution.tab);
  const turned: StampsTurned = stamps.map((after) => ({ id: after.id, before: before.get(after.id) ?? null, after }));
  const number = await noteFields(database, change.value.changed, attribution, turned);
  await forgetOldest(database);
  return ok({ number });
}

/** Whether some wishes change and take out no more than what was looked at. */
export async function isAsListed(
  view: StudioView,
  wanted: readonly Wanted[],
  listed: readonly string[] | undefined,
): Promise<boolean> {
  if (listed === undefined) return true;
  const known = new Set(listed);
  return harmIn(await doingsOf(view, wanted)).every((one) => known.has(one));
}

/** Chooses between values that devices wrote without knowing of each other: the choice is written, also where it is what stood here. */
export async function settle(
  database: StudioDatabase,
  { place, field, value }: EditCommand & { readonly kind: 'studio.settle' },
  attribution: Attribution,
): Promise<Result<Done, StoreFault>> {
  const before = heldIn(await database.table(place.table).get(place.id), field);
  const chosen = field.length > 0 ? value : value === true ? before : undefined;
  const change = await applied(viewOf(database), [{ ...place, field, value: chosen }], 'understood');
  if (!change.ok) return change;
  const changed = change.value.changed.length > 0 ? change.value.changed : [{ ...place, field, before, after: before }];
  const id = recordName(place);
  const known = (await knownStamps(database, [id])).get(id) ?? null;
  await putAll(database, change.value.records);
  await stampEdit(database, changed);
  await forgetUndone(database, attribution.tab);
  // Taken back, there is something to choose between again.
  const after = (await knownStamps(database, [id])).get(id);
  const turned = after ? [{ id, before: known, after }] : [];
  return ok({ number: await noteFields(database, changed, attribution, turned) });
}

/** The studio becomes what a file holds: so does what it knows of other devices. It goes on under a new name, since the file does not know what it
 * wrote meanwhile. */
export async function replaceStamps(database: StudioDatabase, { stamps }: StudioContents): Promise<void> {
  await database.stamps.clear();
  await putStamps(database, stamps);
  await database.local.delete('device');
}
