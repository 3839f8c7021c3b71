import Dexie from 'dexie';
import { err, ok, type Result } from '@/core/base';
import type { StudioDatabase } from '../database';
import { editionAfter } from '../records/edition';
import { heldIn } from '../records/field';
import { TABLES } from '../records/tables';
import { applied, type Strictness } from './apply';
import type { Command, EditCommand, EnterCommand, NoteCommand, StoreFault } from './commands';
import { MUSIC_FIELDS, recordName, type Attribution, type HistoryHead, type RecordPlace } from './history-records';
import { isAsListed, join, replaceStamps, settle } from './joining';
import { stampEdit } from './stamping';
import { loadedView, viewOf, type StudioView, type Wanted } from './view';
import { wantedBy } from './wanted';
import {
  forget,
  forgetOldest,
  forgetUndone,
  goneOnWith,
  noteFields,
  putAll,
  toNobody,
  undoneBy,
  type Done,
  type OnPart,
} from './writing';

export type { Attribution } from './history-records';
export type { Done } from './writing';

/** Does what a command asks, in one transaction: read, changed, checked and noted in the history, or nothing of it. Whatever tab asks, and whatever
 * its screen still shows, a command meets the studio as it is. */
export async function runCommand(
  database: StudioDatabase,
  command: Command,
  attribution: Attribution,
  onPart: OnPart = toNobody,
): Promise<Result<Done, StoreFault>> {
  return inTransaction(database, async () => {
    switch (command.kind) {
      case 'piece.enter':
        return enter(database, command, attribution);
      case 'note.key':
      case 'note.used':
      case 'note.desk':
      case 'note.find':
      case 'note.run':
      case 'note.saved':
      case 'note.first-visit':
        return note(database, command);
      default:
        return edit(database, command, attribution, onPart);
    }
  });
}

/** Thrown inside a transaction to end it with nothing done; never leaves this file. */
class Refusal extends Error {
  constructor(readonly fault: StoreFault) {
    super(fault.code);
  }
}

/** Everything or nothing: a refusal takes back what was written before it. Errors of the browser's store are told as faults. */
export async function inTransaction<T>(
  database: StudioDatabase,
  work: () => Promise<Result<T, StoreFault>>,
): Promise<Result<T, StoreFault>> {
  try {
    return await database.transaction(
      'rw',
      [
        ...TABLES.map((table) => database.table(table)),
        ...[database.history, database.changes, database.stamps, database.digests, database.briefs, database.local],
        ...[database.carets, database.recordings],
      ],
      async () => {
        const result = await work();
        if (!result.ok) throw new Refusal(result.error);
        return result;
      },
    );
  } catch (error) {
    if (error instanceof Refusal) return err(error.fault);
    return err(storeFault(error));
  }
}

/** What is wrong with the browser's store. A mistake of ours is thrown on. */
export function storeFault(error: unknown): StoreFault {
  const { name, inner } = (error ?? {}) as { readonly name?: string; readonly inner?: { readonly name?: string } };
  if (name === 'QuotaExceededError' || inner?.name === 'QuotaExceededError') return { code: 'store.full' };
  if (error instanceof Dexie.DexieError || error instanceof DOMException)
    return { code: 'store.unreachable', detail: name ?? '' };
  throw error;
}

async function edit(
  database: StudioDatabase,
  command: EditCommand,
  attribution: Attribution,
  onPart: OnPart,
): Promise<Result<Done, StoreFault>> {
  if (command.kind === 'studio.join') return join(database, command, attribution);
  if (command.kind === 'studio.settle') return settle(database, command, attribution);
  if (command.kind === 'studio.take-in') return takeIn(database, command, attribution, onPart);
  const view = viewOf(database);
  const wanted = await wantedBy(view, command);
  if (!wanted.ok) return wanted;
  const strictness: Strictness = command.kind === 'aside.delete' ? 'as it is' : 'understood';
  return editFields(database, wanted.value, attribution, { ...USUAL_HOW, view, strictness });
}

/** A file may hold most of a studio: everything is read at once. Where the studio becomes what the file holds, so does what it knows of other devices:
 * this one wrote nothing. */
async function takeIn(
  database: StudioDatabase,
  command: EditCommand & { readonly kind: 'studio.take-in' },
  attribution: Attribution,
  onPart: OnPart,
): Promise<Result<Done, StoreFault>> {
  const view = await loadedView(database);
  const wanted = await wantedBy(view, command);
  if (!wanted.ok) return wanted;
  if (!(await isAsListed(view, wanted.value, command.listed))) return err({ code: 'store.not-as-looked-at' });
  const isReplaced = command.how === 'replace' && command.file === 'studio';
  if (isReplaced) await replaceStamps(database, command.contents);
  const how = { strictness: 'as it is', by: isReplaced ? 'others' : 'us', view, onPart } as const;
  return editFields(database, wanted.value, attribution, how);
}

/** Whether a record may hold what is not understood, and who wrote what is changed: this device, or whoever the stamps name. */
interface EditHow {
  readonly strictness: Strictness;
  readonly by: 'us' | 'others';
  /** The studio as the edit meets it; as it is in the database where nothing is said. */
  readonly view?: StudioView;
  readonly onPart?: OnPart;
}

const USUAL_HOW: EditHow = { strictness: 'understood', by: 'us' };

/** Changes fields as an edit of its own. */
export async function editFields(
  database: StudioDatabase,
  wanted: Parameters<typeof applied>[1],
  attribution: Attribution,
  { strictness, by, view = viewOf(database), onPart = toNobody }: EditHow = USUAL_HOW,
): Promise<Result<Done, StoreFault>> {
  const change = await applied(view, wanted, strictness);
  if (!change.ok) return change;
  const { records, changed } = change.value;
  if (changed.length === 0) return ok({ number: null });
  await putAll(database, records, onPart);
  if (by === 'us') await stampEdit(database, changed);
  await forgetUndone(database, attribution.tab);
  const number =
    (await goneOnWith(database, changed, attribution)) ?? (await noteFields(database, changed, attribution));
  await forgetOldest(database);
  return ok({ number });
}

async function note(database: StudioDatabase, command: NoteCommand): Promise<Result<Done, StoreFault>> {
  const wanted = await wantedBy(viewOf(database), command);
  if (!wanted.ok) return wanted;
  const change = await applied(viewOf(database), wanted.value, 'understood');
  if (!change.ok) return change;
  await putAll(database, change.value.records);
  return ok({ number: null });
}

/** Keeps what was entered: the music, and the changes of its history in their places. What has to be read is asked for at once, and
 * what is written goes out together: the fewer answers are waited for, the less is lost where the tab is closed the very next moment. */
async function enter(
  database: StudioDatabase,
  command: EnterCommand,
  { tab, atMs }: Attribution,
): Promise<Result<Done, StoreFault>> {
  const { id, from, base, stretch, changed, count } = command;
  const place: RecordPlace = { table: 'pieces', id };
  const first = Math.min(count, ...changed.map(({ number }) => number));
  const [before, there, undone] = await Promise.all([
    database.pieces.get(id),
    database.history.where('[piece+stretch+step]').between([id, stretch, first], [id, stretch, Infinity]).toArray(),
    undoneBy(database, tab),
  ]);
  if (before === undefined) return err({ code: 'store.gone', place });
  if ((heldIn(before, ['edition']) ?? null) !== from) return err({ code: 'store.music-changed', id });
  const change = await applied(
    { get: () => Promise.resolve(before), all: () => Promise.resolve([]), ofPupil: () => Promise.resolve([]) },
    musicOf(command),
    'understood',
  );
  if (!change.ok) return change;
  const known = new Map(there.map((head) => [head.step, head]));
  const isNew = changed.some(({ number, state }) => state === 'done' && !known.has(number));
  const gone = [
    ...there.filter(({ step }) => (step ?? 0) >= count).map(({ number }) => number),
    ...(isNew ? undone : []),
  ];
  const written: Promise<unknown>[] = [
    putAll(database, change.value.records),
    stampEdit(database, change.value.changed),
    forget(database, gone),
  ];
  const fields = MUSIC_FIELDS.map((field) => ({ ...place, field }));
  for (const one of changed) {
    const old = known.get(one.number);
    const head = {
      tab,
      state: one.state,
      label: one.words,
      atMs: old?.atMs ?? atMs,
      kind: 'entered' as const,
      records: [recordName(place)],
      fields,
      piece: id,
      stretch,
      base,
      step: one.number,
    };
    const number = old
      ? database.history.put({ ...head, number: old.number })
      : database.history.add(head as unknown as HistoryHead);
    written.push(number.then((kept) => database.changes.put({ number: kept, kind: 'entered', change: one.change })));
  }
  const edition = editionAfter(base, command.state);
  if (typeof command.typing === 'string')
    written.push(database.carets.put({ piece: id, edition, typing: command.typing }));
  await Promise.all(written);
  return ok({ number: null, edition });
}

/** The fields that what was entered changes. */
export function musicOf({ id, base, state, musicXml }: EnterCommand): readonly Wanted[] {
  const place = { table: 'pieces', id } as const;
  return [
    { ...place, field: ['musicXml'], value: musicXml },
    { ...place, field: ['edition'], value: editionAfter(base, state) },
  ];
}

/** What was entered into a piece since its music was changed in another way, in order, and what the next command must name. */
export interface EnteredSteps {
  readonly stretch: number;
  readonly base: string | null;
  readonly steps: readonly { readonly number: number; readonly state: 'done' | 'undone'; readonly change: string }[];
}

export async function enteredSteps(database: StudioDatabase, id: string): Promise<EnteredSteps> {
  const heads = await database.history
    .where('records')
    .equals(recordName({ table: 'pieces', id }))
    .sortBy('number');
  const stretch = stretchOf(heads, id);
  const own = heads
    .filter((head) => head.kind === 'entered' && head.stretch === stretch)
    .toSorted((a, b) => (a.step ?? 0) - (b.step ?? 0));
  const changes = await database.changes.bulkGet(own.map(({ number }) => number));
  // A step whose change is missing ends the history there.
  const whole = changes.findIndex((change, i) => change?.kind !== 'entered' || own[i]?.step !== i);
  const steps = (whole < 0 ? own : own.slice(0, whole)).map(({ step, state }, i) => {
    const change = changes[i];
    return { number: step ?? i, state, change: change?.kind === 'entered' ? change.change : '' };
  });
  const base = own[0]
    ? (own[0].base ?? null)
    : ((heldIn(await database.pieces.get(id), ['edition']) as string | null | undefined) ?? null);
  return { stretch, base, steps };
}

/** The last thing that made the music what it is: a change of the field, or the entering that goes on from one. */
function stretchOf(heads: readonly HistoryHead[], id: string): number {
  const isMusic = ({ fields }: HistoryHead): boolean =>
    fields.some(
      (one) => one.table === 'pieces' && one.id === id && (one.field.length === 0 || one.field[0] === 'musicXml'),
    );
  const last =
    heads.findLast((head) => head.state === 'done' && isMusic(head)) ?? heads.find(({ kind }) => kind === 'entered');
  if (!last) return 0;
  return last.kind === 'entered' ? (last.stretch ?? 0) : last.number;
}
