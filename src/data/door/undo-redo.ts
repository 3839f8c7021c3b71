import Dexie from 'dexie';
import { err, ok, type Result } from '@/core/base';
import type { StudioDatabase } from '../database';
import { heldIn, isPlain, overlap, sameHeld, type Held } from '../records/field';
import { applied } from './apply';
import type { StoreFault } from './commands';
import { editFields, inTransaction, type Attribution } from './door';
import { putAll } from './writing';
import {
  MANY,
  recordName,
  type ChangedField,
  type HistoryChange,
  type HistoryHead,
  type UndoRedo,
} from './history-records';
import { stampTurned } from './stamping';
import { type Wanted, viewOf } from './view';

export type { UndoRedo } from './history-records';

/** What is next to be taken back or done again. */
export interface Next {
  readonly number: number;
  readonly label: string;
  /** Whether it was done in this tab. */
  readonly isOwn: boolean;
}

const FROM: Readonly<Record<UndoRedo, HistoryHead['state']>> = { undo: 'done', redo: 'undone' };
const TO: Readonly<Record<UndoRedo, HistoryHead['state']>> = { undo: 'undone', redo: 'done' };

/** What this tab takes back next: the last it did; where there is nothing of its own, the last that anyone did. Doing again likewise, the first
 * that was taken back. Only labels are read. */
export async function nextToUndoOrRedo(
  database: StudioDatabase,
  undoRedo: UndoRedo,
  tab: string,
): Promise<Next | null> {
  const state = FROM[undoRedo];
  const own = database.history
    .where('[state+tab+number]')
    .between([state, tab, Dexie.minKey], [state, tab, Dexie.maxKey]);
  const any = database.history.where('[state+number]').between([state, Dexie.minKey], [state, Dexie.maxKey]);
  const head =
    undoRedo === 'undo' ? ((await own.last()) ?? (await any.last())) : ((await own.first()) ?? (await any.first()));
  return head ? { number: head.number, label: head.label, isOwn: head.tab === tab } : null;
}

/** What turning an edit came to. `entered`: its change belongs to a score, and the core must turn it. `later`: the same fields were changed since,
 * by these edits or past the history; nothing was done, and the teacher has the choice. */
export type UndoRedoResult =
  | { readonly kind: 'turned'; readonly label: string }
  | { readonly kind: 'entered'; readonly label: string; readonly piece: string; readonly step: number }
  | {
      readonly kind: 'later';
      readonly number: number;
      readonly label: string;
      readonly by: readonly HistoryHead[];
      readonly canForce: boolean;
    };

/** Whether an edit is turned only where nothing came after it, or its values are put in place whatever came after (as an edit of its own, which
 * can be taken back in turn). */
export type How = 'in order' | 'all the same';

/** Takes one edit back, or does it again. Never guesses: where its fields are no longer as it left them, `later` says so. */
export async function undoOrRedoEdit(
  database: StudioDatabase,
  number: number,
  {
    undoRedo,
    how,
    attribution,
  }: { readonly undoRedo: UndoRedo; readonly how: How; readonly attribution: Omit<Attribution, 'label'> },
): Promise<Result<UndoRedoResult, StoreFault>> {
  return inTransaction(database, async () => {
    const head = await database.history.get(number);
    if (!head || head.state !== FROM[undoRedo]) return ok({ kind: 'turned', label: head?.label ?? '' });
    const change = await database.changes.get(number);
    const by = await laterThan(database, head);
    if (head.kind === 'entered' || change?.kind !== 'fields') {
      if (by.length > 0) return ok({ kind: 'later', number, label: head.label, by, canForce: false });
      return ok({ kind: 'entered', label: head.label, piece: head.piece ?? '', step: head.step ?? 0 });
    }
    const isAsLeft = await holds(database, change.fields, undoRedo);
    if (by.length === 0 && isAsLeft)
      return undoOrRedoFields(database, head, { change, undoRedo, tab: attribution.tab });
    if (how === 'in order')
      return ok({ kind: 'later', number, label: head.label, by, canForce: await canForce(database, change.fields) });
    return force(database, head, { fields: change.fields, undoRedo, attribution });
  });
}

/** The edits after this one that are done and touched the same fields. */
async function laterThan(database: StudioDatabase, head: HistoryHead): Promise<readonly HistoryHead[]> {
  const others = head.records.includes(MANY)
    ? await database.history.where('number').above(head.number).toArray()
    : await database.history
        .where('records')
        .anyOf([...head.records, MANY])
        .distinct()
        .toArray();
  return others
    .filter((other) => other.number > head.number && other.state === 'done' && touchTheSame(head, other))
    .toSorted((a, b) => a.number - b.number);
}

/** Where one of two edits touched more than it names, it may have touched what the other did. */
function touchTheSame(head: HistoryHead, other: HistoryHead): boolean {
  if (head.records.includes(MANY) || other.records.includes(MANY)) return true;
  return other.fields.some((one) =>
    head.fields.some((own) => own.table === one.table && own.id === one.id && overlap(own.field, one.field)),
  );
}

/** Whether the fields hold what the edit left, or for doing again what it found. What is only noted is no edit. */
async function holds(database: StudioDatabase, fields: readonly ChangedField[], undoRedo: UndoRedo): Promise<boolean> {
  // Of a field that an edit changed twice the last counts when it is taken back, the first when it is done again.
  const seen = new Map(fields.map((one) => [JSON.stringify([one.table, one.id, one.field]), one]));
  for (const { table, id, field, before, after } of seen.values()) {
    if (NOTED.some((name) => name === field[0])) continue;
    const here = heldIn(await database.table(table).get(id), field);
    if (!sameHeld(withoutNoted(here), withoutNoted(undoRedo === 'undo' ? after : before))) return false;
  }
  return true;
}

/** Fields of a piece that are noted without being an edit: the key that was looked at last, and when the piece was opened last. */
const NOTED = ['lastKey', 'usedAt'] as const;

function withoutNoted(held: Held): Held {
  if (!isPlain(held)) return held;
  const noted = NOTED.filter((name) => name in held).map((name) => [name, null] as const);
  return noted.length === 0 ? held : { ...held, ...Object.fromEntries(noted) };
}

async function undoOrRedoFields(
  database: StudioDatabase,
  head: HistoryHead,
  {
    change: { fields, stamps },
    undoRedo,
    tab,
  }: {
    readonly change: HistoryChange & { readonly kind: 'fields' };
    readonly undoRedo: UndoRedo;
    readonly tab: string;
  },
): Promise<Result<UndoRedoResult, StoreFault>> {
  const records = new Map<string, Held>();
  for (const { table, id } of fields) records.set(recordName({ table, id }), await database.table(table).get(id));
  const change = await applied(viewOf(database), fieldsAfter(fields, undoRedo), 'as it is');
  if (!change.ok) return change;
  await putAll(database, change.value.records);
  await stampTurned(database, change.value.changed, stamps ?? [], undoRedo);
  // A record that goes now may hold what was noted since: with it, it comes back.
  const left = undoRedo === 'undo' ? 'after' : 'before';
  const kept = fields.map((one) =>
    one.field.length > 0 || one[left] === undefined ? one : { ...one, [left]: records.get(recordName(one)) },
  );
  await database.history.put({ ...head, tab, state: TO[undoRedo] });
  await database.changes.put({ number: head.number, kind: 'fields', fields: kept, ...(stamps ? { stamps } : {}) });
  return ok({ kind: 'turned', label: head.label });
}

/** The values that fields held before an edit, or held after it, in the order in which they are put in place. */
function fieldsAfter(fields: readonly ChangedField[], undoRedo: UndoRedo): readonly Wanted[] {
  if (undoRedo === 'undo')
    return fields.toReversed().map(({ table, id, field, before }) => ({ table, id, field, value: before }));
  return fields.map(({ table, id, field, after }) => ({ table, id, field, value: after }));
}

/** Whether the values could be put in place at all: their records are there, or come whole. */
async function canForce(database: StudioDatabase, fields: readonly ChangedField[]): Promise<boolean> {
  for (const { table, id, field } of fields)
    if (field.length > 0 && (await database.table(table).get(id)) === undefined) return false;
  return true;
}

async function force(
  database: StudioDatabase,
  head: HistoryHead,
  {
    fields,
    undoRedo,
    attribution,
  }: {
    readonly fields: readonly ChangedField[];
    readonly undoRedo: UndoRedo;
    readonly attribution: Omit<Attribution, 'label'>;
  },
): Promise<Result<UndoRedoResult, StoreFault>> {
  if (!(await canForce(database, fields)))
    return err({ code: 'store.gone', place: fields[0] ?? { table: 'pieces', id: '' } });
  const label =
    undoRedo === 'undo'
      ? `${head.label}: taken back, over what came later`
      : `${head.label}: done again, over what came later`;
  const done = await editFields(
    database,
    fieldsAfter(fields, undoRedo),
    { ...attribution, label },
    {
      strictness: 'as it is',
      by: 'us',
    },
  );
  return done.ok ? ok({ kind: 'turned', label: head.label }) : done;
}

/** So much of the history is listed at once: the last. */
export const LISTED = 200;

/** The history by its labels, the last first. */
export async function historyList(database: StudioDatabase): Promise<readonly HistoryHead[]> {
  return database.history.orderBy('number').reverse().limit(LISTED).toArray();
}

/** All edits after one that are done, the last first: what has to be taken back to come to where it had just been done. */
export async function doneAfter(database: StudioDatabase, number: number): Promise<readonly number[]> {
  const numbers = await database.history
    .where('[state+number]')
    .between(['done', number], ['done', Dexie.maxKey], false, true)
    .primaryKeys();
  return numbers.toReversed();
}
