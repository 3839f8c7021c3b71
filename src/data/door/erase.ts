import { ok, type Result } from '@/core/base';
import type { StudioDatabase } from '../database';
import { placeOf, type Stamp } from '../join/stamp';
import { DESK } from '../records/desk';
import { FORM } from '../records/form';
import { heldIn, isPlain, sameHeld } from '../records/field';
import { understoodRecord } from '../records/understand';
import { isFieldOf, isOf, withoutPupil } from '../records/whose';
import { applied } from './apply';
import type { StoreFault } from './commands';
import { inTransaction } from './door';
import { recordName, type ChangedField, type HistoryChange, type HistoryHead } from './history-records';
import { followRecordings } from './recordings';
import { putAll } from './writing';
import { viewOf } from './view';
import { everythingOf } from './wanted-pupil';

/** The records that were a pupil’s, by their names as `recordName` makes them. */
type Own = ReadonlySet<string>;

/**
 * Removes everything of a pupil for good: what the studio holds, the sound of the runs, what the history holds to take back, what is known of other devices,
 * and what was set aside. There is no way back. A pupil who was taken out before, and of whom only the history still knows, goes too. What is a pupil’s is
 * known by the fields that say so: edits, pieces and records of others stay, whatever letters stand in them. Gives the names of the records that went.
 */
export async function erasePupil(database: StudioDatabase, pupil: string): Promise<Result<Own, StoreFault>> {
  return inTransaction(database, async () => {
    const own = await ownRecords(database, pupil);
    const names = await namesOf(database, pupil);
    const view = viewOf(database);
    const wanted = await everythingOf(view, pupil);
    if (wanted.ok) {
      const change = await applied(view, wanted.value, 'as it is');
      if (!change.ok) return change;
      await putAll(database, change.value.records);
    }
    await eraseEdits(database, pupil, { own, names });
    await eraseStamps(database, pupil, own);
    await eraseAside(database, pupil);
    await database.digests.delete(pupil);
    await database.briefs.delete(pupil);
    await followRecordings(database);
    await forgetOnDesk(database, pupil);
    return ok(own);
  });
}

/** Everything that is or was the pupil’s: in the studio, in what can be taken back, and in what is known of records that went. */
async function ownRecords(database: StudioDatabase, pupil: string): Promise<Own> {
  const own = new Set([recordName({ table: 'pupils', id: pupil })]);
  for (const table of ['plan', 'lessons', 'runs', 'answers'] as const)
    for (const record of await database.table(table).where('pupil').equals(pupil).primaryKeys())
      own.add(recordName({ table, id: String(record) }));
  await database.changes.each((change) => {
    if (change.kind !== 'fields') return;
    for (const { table, id, field, before, after } of change.fields)
      if (field.length === 0 && [before, after].some((record) => isOf({ table, id }, record, pupil)))
        own.add(recordName({ table, id }));
  });
  await database.stamps.each((stamp) => {
    if (stamp.pupil === pupil) own.add(stamp.id);
  });
  return own;
}

/** What the pupil is and was called. */
async function namesOf(database: StudioDatabase, pupil: string): Promise<readonly string[]> {
  const found = new Set<unknown>([heldIn(await database.pupils.get(pupil), ['name'])]);
  await database.changes.each((change) => {
    if (change.kind !== 'fields') return;
    for (const { table, id, field, before, after } of change.fields.filter((one) => one.table === 'pupils')) {
      if (!isOf({ table, id }, undefined, pupil)) continue;
      const path = field.length === 0 ? ['name'] : [];
      if (field.length === 0 || field[0] === 'name') found.add(heldIn(before, path)).add(heldIn(after, path));
    }
  });
  return [...found].filter((name): name is string => typeof name === 'string' && name.trim() !== '');
}

/** Edits about the pupil go; of those that are about others as well the pupil’s part goes. */
async function eraseEdits(
  database: StudioDatabase,
  pupil: string,
  { own, names }: { readonly own: Own; readonly names: readonly string[] },
): Promise<void> {
  for (const change of await database.changes.toArray()) {
    if (change.kind !== 'fields') continue;
    const fields = change.fields.flatMap((one) => withoutOwn(one, pupil, own));
    const stamps = change.stamps
      ?.filter(({ id }) => !own.has(id))
      .map((turned) => ({
        ...turned,
        before: turned.before && stampWithout(turned.before, pupil),
        after: stampWithout(turned.after, pupil),
      }));
    if (sameHeld(fields, change.fields) && sameHeld(stamps, change.stamps)) continue;
    const { number } = change;
    if (fields.length === 0) {
      await database.changes.delete(number);
      await database.history.delete(number);
      continue;
    }
    await database.changes.put({ number, kind: 'fields', fields, ...(stamps ? { stamps } : {}) } as HistoryChange);
    const head = await database.history.get(number);
    if (head) await database.history.put(headWithout(head, pupil, { own, names }));
  }
}

function headWithout(
  head: HistoryHead,
  pupil: string,
  { own, names }: { readonly own: Own; readonly names: readonly string[] },
): HistoryHead {
  return {
    ...head,
    label: names.reduce((label, name) => label.replaceAll(name, '…'), head.label),
    records: head.records.filter((name) => !own.has(name)),
    fields: head.fields.filter((one) => !own.has(recordName(one)) && !isFieldOf(one, pupil)),
  };
}

/** A change of a field without what it says of the pupil; nothing where that is all it says. */
function withoutOwn(one: ChangedField, pupil: string, own: Own): readonly ChangedField[] {
  const { table, id, field, before, after } = one;
  if (own.has(recordName(one)) || isOf({ table, id }, undefined, pupil) || isFieldOf(one, pupil)) return [];
  if (table === 'aside') return [before, after].some((record) => isAsideOf(record, pupil)) ? [] : [one];
  if (table !== 'pieces') return [one];
  const [was, is] = [withoutPupil(before, field, pupil), withoutPupil(after, field, pupil)];
  if (sameHeld(was, before) && sameHeld(is, after)) return [one];
  return sameHeld(was, is) ? [] : [{ ...one, before: was, after: is }];
}

function stampWithout(stamp: Stamp, pupil: string): Stamp {
  const { table, id } = placeOf(stamp);
  const fields = Object.entries(stamp.fields).filter(
    ([name]) => !isFieldOf({ table, id, field: JSON.parse(name) as string[] }, pupil),
  );
  return { ...stamp, fields: Object.fromEntries(fields) };
}

async function eraseStamps(database: StudioDatabase, pupil: string, own: Own): Promise<void> {
  for (const stamp of await database.stamps.toArray()) {
    const left = stampWithout(stamp, pupil);
    if (own.has(stamp.id) || Object.keys(left.fields).length === 0) await database.stamps.delete(stamp.id);
    else if (!sameHeld(left, stamp)) await database.stamps.put(left);
  }
}

async function eraseAside(database: StudioDatabase, pupil: string): Promise<void> {
  for (const one of await database.aside.toArray()) {
    if (isAsideOf(one, pupil)) await database.aside.delete(one.id);
    else if (one.table === 'pieces') {
      const value = withoutPupil(one.value, [], pupil) as typeof one.value;
      if (!sameHeld(value, one.value)) await database.aside.put({ ...one, value });
    }
  }
}

/** Whether something that was set aside is, as far as can be told, a record of the pupil’s. */
function isAsideOf(record: unknown, pupil: string): boolean {
  const [table, value] = [heldIn(record, ['table']), heldIn(record, ['value'])];
  return isOf({ table: table as ChangedField['table'], id: String(heldIn(value, ['id'])) }, value, pupil);
}

async function forgetOnDesk(database: StudioDatabase, pupil: string): Promise<void> {
  const desk = await database.kept.get('desk');
  if (heldIn(desk, ['value', 'pupil']) !== pupil || !isPlain(desk?.value)) return;
  const value = { ...desk.value, pupil: null };
  if (understoodRecord(DESK, value)) await database.kept.put({ id: 'desk', form: FORM, value });
}
