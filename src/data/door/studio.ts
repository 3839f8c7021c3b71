import { err, ok, type Result } from '@/core/base';
import type { StudioDatabase } from '../database';
import { contentsOf, type StudioContents } from '../file/contents';
import type { Held } from '../records/field';
import type { TableName } from '../records/tables';
import { applied } from './apply';
import type { Command, StoreFault } from './commands';
import { erasePupil } from './erase';
import { musicOf, runCommand, type Attribution, type Done } from './door';
import { nextToUndoOrRedo, undoOrRedoEdit, type How, type Next, type UndoRedoResult, type UndoRedo } from './undo-redo';
import type { Stamp } from '../join/stamp';
import { recordsOf, type StudioView, viewOf } from './view';
import { wantedBy } from './wanted';
import type { OnPart } from './writing';

/** What was done but could not be written, since there is no room on the device. It is written as soon as there is. */
export interface Waiting {
  readonly count: number;
  /** A command that was refused when there was room again: the studio had changed meanwhile. */
  readonly refused: readonly { readonly label: string; readonly fault: StoreFault }[];
}

/** One tab's door to the studio: everything that screens change goes through it, in the order in which it was asked. */
export interface Studio {
  readonly tab: string;
  /** Does what a command asks. `label` names the edit in the history; notes need none. Where there is no room it is kept in memory, and waits.
   */
  readonly run: (command: Command, label?: string, how?: RunHow) => Promise<Result<Done, StoreFault>>;
  /** What this tab takes back or does again next, once everything that was asked before is done. */
  readonly next: (undoRedo: UndoRedo) => Promise<Next | null>;
  readonly undoOrRedo: (number: number, undoRedo: UndoRedo, how: How) => Promise<Result<UndoRedoResult, StoreFault>>;
  /** Everything in the studio, with what is waiting. */
  readonly contents: () => Promise<StudioContents>;
  /** Removes everything of a pupil for good. Gives the names of the records that went. */
  readonly erase: (pupil: string) => Promise<Result<ReadonlySet<string>, StoreFault>>;
  readonly waiting: () => Waiting;
  /** Tries to write what is waiting. */
  readonly retry: () => Promise<void>;
  /** Tells of every change of what is waiting. */
  readonly listen: (tell: () => void) => () => void;
  /** Tells of every edit of this tab that was written, turned ones too. */
  readonly onEdit: (tell: () => void) => () => void;
}

/** `onPart` is told how far a long edit is; `isTyped`: words on the way, which go on with the edit before them. */
export interface RunHow {
  readonly onPart?: OnPart;
  readonly isTyped?: boolean;
}

interface Asked {
  readonly command: Command;
  readonly label: string;
  readonly atMs: number;
  readonly isTyped: boolean;
}

const NOTHING_WAITS: Waiting = { count: 0, refused: [] };

/** Where the studio is read from as a whole, with which device wrote what. */
export type StudioSource = () => Promise<{ readonly view: StudioView; readonly stamps: readonly Stamp[] }>;

/** How a command is written: in this thread, or, what is entered, where the page does not stand in its way. */
export type Write = (command: Command, attribution: Attribution, onPart?: OnPart) => Promise<Result<Done, StoreFault>>;

// eslint-disable-next-line max-lines-per-function -- small functions that share one tab's queue
export function createStudio(
  database: StudioDatabase,
  tab: string,
  nowMs: () => number,
  parts: { readonly write?: Write; readonly source?: StudioSource } = {},
): Studio {
  const {
    write: writeCommand = (command, attribution, onPart) => runCommand(database, command, attribution, onPart),
    source = async () => ({ view: viewOf(database), stamps: await database.stamps.toArray() }),
  } = parts;
  let last: Promise<unknown> = Promise.resolve();
  let asked: readonly Asked[] = [];
  let waiting = NOTHING_WAITS;
  /** Why what waits could not be written. */
  let waitsFor: StoreFault = { code: 'store.full' };
  const listeners = new Set<() => void>();
  const editListeners = new Set<() => void>();
  const edited = <T extends Result<unknown, StoreFault>>(result: T, command?: Command): T => {
    if (result.ok && !command?.kind.startsWith('note.')) editListeners.forEach((listener) => listener());
    return result;
  };
  const tell = (change: Partial<Waiting>): void => {
    waiting = { ...waiting, ...change };
    listeners.forEach((listener) => listener());
  };
  const oneAfterAnother = <T>(work: () => Promise<T>): Promise<T> => {
    const mine = last.then(work);
    last = mine.catch(() => undefined);
    return mine;
  };
  const write = async ({ command, ...asked }: Asked, onPart?: OnPart): Promise<Result<Done, StoreFault>> =>
    edited(await writeCommand(command, { tab, ...asked }, onPart), command);

  /** Writes what waits, in its order; says whether nothing waits any more. */
  const writeWaiting = async (): Promise<boolean> => {
    while (asked.length > 0) {
      const [first, ...rest] = asked as readonly [Asked, ...Asked[]];
      const done = await write(first);
      if (!done.ok && isToWait(done.error)) {
        waitsFor = done.error;
        return false;
      }
      asked = rest;
      tell({
        count: rest.length,
        ...(done.ok ? {} : { refused: [...waiting.refused, { label: first.label, fault: done.error }] }),
      });
    }
    return true;
  };

  const run: Studio['run'] = (command, label = '', { onPart, isTyped = false } = {}) =>
    oneAfterAnother(async () => {
      const one: Asked = { command, label, atMs: nowMs(), isTyped };
      if (await writeWaiting()) {
        const done = await write(one, onPart);
        if (done.ok || !isToWait(done.error)) return done;
        waitsFor = done.error;
        if (isPassing(command)) return waitsFor.code === 'store.lost' ? ok({ number: null }) : done;
      } else if (waitsFor.code === 'store.lost' && isPassing(command)) return ok({ number: null });
      asked = [...asked, one];
      tell({ count: asked.length });
      return ok({ number: null });
    });

  return {
    tab,
    run,
    next: (undoRedo) => oneAfterAnother(() => nextToUndoOrRedo(database, undoRedo, tab)),
    undoOrRedo: (number, undoRedo, how) =>
      oneAfterAnother(async () =>
        (await writeWaiting())
          ? edited(await undoOrRedoEdit(database, number, { undoRedo, how, attribution: { tab, atMs: nowMs() } }))
          : err(waitsFor),
      ),
    contents: () =>
      oneAfterAnother(async () => {
        const { view, stamps } = await source();
        return contentsOf(await withWaiting(view, asked), stamps);
      }),
    erase: (pupil) => oneAfterAnother(async () => edited(await erasePupil(database, pupil))),
    waiting: () => waiting,
    retry: () => oneAfterAnother(async () => void (await writeWaiting())),
    listen: (listener) => {
      listeners.add(listener);
      return () => listeners.delete(listener);
    },
    onEdit: (listener) => {
      editListeners.add(listener);
      return () => editListeners.delete(listener);
    },
  };
}

/** Whether what was refused is kept in memory: it may be written later. */
function isToWait({ code }: StoreFault): boolean {
  return code === 'store.full' || code === 'store.lost';
}

/** What nobody would miss: it is not kept in memory. What was practised is. */
function isPassing({ kind }: Command): boolean {
  return kind.startsWith('note.') && kind !== 'note.run' && kind !== 'note.find';
}

/** The studio as it would be with what waits, in memory. */
async function withWaiting(view: StudioView, asked: readonly Asked[]): Promise<StudioView> {
  let seen = view;
  for (const { command } of asked) {
    const wanted = command.kind === 'piece.enter' ? ok(musicOf(command)) : await wantedBy(seen, command);
    const change = wanted.ok ? await applied(seen, wanted.value, 'as it is') : null;
    if (change?.ok) seen = over(seen, change.value.records);
  }
  return seen;
}

/** A view with some records in front of others. */
function over(
  below: StudioView,
  records: readonly { readonly table: TableName; readonly id: string; readonly record: Held }[],
): StudioView {
  const nameOf = (table: string, id: unknown): string => `${table}/${String(id)}`;
  const there = new Map(records.map(({ table, id, record }) => [nameOf(table, id), record]));
  const all: StudioView['all'] = async (table) => {
    const under = (await below.all(table)).filter(
      (record) => !there.has(nameOf(table, (record as { readonly id?: unknown }).id)),
    );
    return [
      ...under,
      ...records.filter((one) => one.table === table && one.record !== undefined).map(({ record }) => record),
    ];
  };
  return {
    all,
    ofPupil: async (table, pupil) => recordsOf(await all(table), pupil),
    get: ({ table, id }) =>
      there.has(nameOf(table, id)) ? Promise.resolve(there.get(nameOf(table, id))) : below.get({ table, id }),
  };
}
