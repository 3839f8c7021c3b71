import Dexie from 'dexie';
import type { StudioDatabase } from '../database';
import { TABLES } from '../records/tables';
import { withHeld } from '../records/field';
import type { Becoming } from './apply';
import { followRuns } from './digest-runs';
import { MANY, recordName, type Attribution, type ChangedField, type HistoryHead } from './history-records';
import type { StampsTurned } from '../join/stamp';

/** What a command came to: its number in the history; null where nothing had to be changed, where it is no edit, or where it waits for room. */
export interface Done {
  readonly number: number | null;
  /** Of what was entered: what the store calls the music that it holds now. It is not said of what only waits. */
  readonly edition?: string | null;
}

/** How many edits of fields can be taken back. What was entered can be taken back without limit. */
const KEPT_EDITS = 300;

/** Is told how much of a long edit is written, from 0 to 1. */
export type OnPart = (part: number) => void;
export const toNobody: OnPart = () => undefined;

/** So many records are written at once. Unit: records. */
const AT_ONCE = 1000;

/** Puts records in their places, those of a table together. */
export async function putAll(
  database: StudioDatabase,
  records: readonly Becoming[],
  onPart: OnPart = toNobody,
): Promise<void> {
  let done = 0;
  for (const table of TABLES) {
    const own = records.filter((record) => record.table === table);
    const [there, gone] = [
      own.filter(({ record }) => record !== undefined),
      own.filter(({ record }) => record === undefined),
    ];
    for (let from = 0; from < there.length; from += AT_ONCE) {
      const some = there.slice(from, from + AT_ONCE);
      await database.table(table).bulkPut(some.map(({ record }) => record));
      done += some.length;
      onPart(done / records.length);
    }
    if (table === 'runs') await followRuns(database, there, gone);
    if (gone.length > 0) await database.table(table).bulkDelete(gone.map(({ id }) => id));
  }
}

/** An edit that changes more fields than that, as taking in a whole studio does, names its pieces alone: the history is to be read quickly. */
const MOST_NAMED = 2000;

/** What an edit touched. Pieces are always named: what was entered goes on from the edit that made their music. */
function touchedBy(changed: readonly ChangedField[]): Pick<HistoryHead, 'records' | 'fields'> {
  const isMany = changed.length > MOST_NAMED;
  const named = isMany ? changed.filter(({ table }) => table === 'pieces') : changed;
  return {
    records: [...new Set(named.map(recordName)), ...(isMany ? [MANY] : [])],
    fields: named.map(({ table, id, field }) => ({ table, id, field })),
  };
}

/** Notes an edit in the history. */
export async function noteFields(
  database: StudioDatabase,
  changed: readonly ChangedField[],
  { tab, label, atMs }: Attribution,
  stamps?: StampsTurned,
): Promise<number> {
  const head: Omit<HistoryHead, 'number'> = {
    tab,
    label,
    atMs,
    state: 'done',
    kind: 'fields',
    ...touchedBy(changed),
  };
  const number = await database.history.add(head as HistoryHead);
  await database.changes.put({ number, kind: 'fields', fields: changed, ...(stamps ? { stamps } : {}) });
  return number;
}

/** Words that are typed go on with the edit before them where that is of the same field and not long ago. Unit: ms. */
const TYPED_ON_MS = 5000;

/** Joins what was typed to the last edit, where that was typed in the same tab into the same field just now. Gives its number; null where it is an edit of its own. */
export async function goneOnWith(
  database: StudioDatabase,
  changed: readonly ChangedField[],
  { tab, label, atMs, isTyped = false }: Attribution,
): Promise<number | null> {
  const [one, ...others] = changed;
  const last = isTyped && one && others.length === 0 ? await database.history.orderBy(':id').last() : undefined;
  const isGoneOn =
    last?.state === 'done' && last.tab === tab && last.label === label && atMs - last.atMs <= TYPED_ON_MS;
  const change = isGoneOn ? await database.changes.get(last.number) : undefined;
  const [before, ...more] = change?.kind === 'fields' && !change.stamps ? change.fields : [];
  if (!last || !one || !before || more.length > 0 || recordName(before) !== recordName(one)) return null;
  // The first words may have made the record: what comes later is typed into its field.
  const isSame = before.field.join('/') === one.field.join('/');
  const after = isSame
    ? { record: one.after }
    : before.field.length === 0
      ? withHeld(before.after, one.field, one.after)
      : null;
  if (!after) return null;
  await database.history.put({ ...last, atMs });
  await database.changes.put({ number: last.number, kind: 'fields', fields: [{ ...before, after: after.record }] });
  return last.number;
}

/** What a tab took back before can no longer be done again once it does something else. What others took back is theirs. */
export async function forgetUndone(database: StudioDatabase, tab: string): Promise<void> {
  await forget(database, await undoneBy(database, tab));
}

export function undoneBy(database: StudioDatabase, tab: string): Promise<readonly number[]> {
  return database.history
    .where('[state+tab+number]')
    .between(['undone', tab, Dexie.minKey], ['undone', tab, Dexie.maxKey])
    .primaryKeys();
}

export async function forget(database: StudioDatabase, numbers: readonly number[]): Promise<void> {
  if (numbers.length === 0) return;
  await database.history.bulkDelete([...numbers]);
  await database.changes.bulkDelete([...numbers]);
}

/** The oldest edits of fields go where there are too many; what was entered stays. It is looked for only now and then. */
export async function forgetOldest(database: StudioDatabase): Promise<void> {
  const count = await database.changes.count();
  if (count <= KEPT_EDITS || count % 20 !== 0) return;
  const fields = await database.history
    .where('[state+number]')
    .between(['done', Dexie.minKey], ['done', Dexie.maxKey])
    .filter(({ kind }) => kind === 'fields')
    .primaryKeys();
  await forget(database, fields.slice(0, Math.max(0, fields.length - KEPT_EDITS)));
}
