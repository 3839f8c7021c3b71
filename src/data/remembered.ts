import Dexie, { RangeSet, type ObservabilitySet } from 'dexie';
import type { StudioDatabase } from './database';
import type { Stamp } from './join/stamp';
import type { Held } from './records/field';
import { TABLES, type TableName } from './records/tables';

/** What is remembered of a studio: all of it, or (`isWhole` false) what was read before the browser took it away. */
export interface Remembered {
  readonly isWhole: boolean;
  readonly tables: Readonly<Record<TableName, readonly Held[]>>;
  readonly stamps: readonly Stamp[];
}

/** A studio that is kept in memory as well, since a browser may delete its store under an open page. */
export interface Memory {
  /** Resolves once all of the studio was read. */
  readonly read: Promise<void>;
  /** What is remembered now, once what changed last was read. */
  readonly recall: () => Promise<Remembered>;
  readonly end: () => void;
}

/** Everything that goes into the studio file. */
const REMEMBERED = [...TABLES, 'stamps'] as const;

/** So many records are read at once. */
const AT_ONCE = 500;

/** Remembers a studio, and follows what is changed in it, by whichever tab. Records are remembered as text, which takes a third of the room. */
export function rememberStudio(database: StudioDatabase): Memory {
  const texts = new Map(REMEMBERED.map((table) => [table, new Map<string, string>()]));
  let isWhole = false;
  let work: Promise<void> = Promise.resolve();

  const put = (table: (typeof REMEMBERED)[number], records: readonly { readonly id?: unknown }[]): void =>
    records.forEach((record) => texts.get(table)?.set(String(record.id), JSON.stringify(record)));
  const readAll = async (): Promise<void> => {
    for (const table of REMEMBERED) {
      for (let last: string | null = null, count = AT_ONCE; count === AT_ONCE;) {
        const from =
          last === null ? database.table(table).orderBy(':id') : database.table(table).where(':id').above(last);
        const records: readonly { readonly id?: unknown }[] = await from.limit(AT_ONCE).toArray();
        put(table, records);
        count = records.length;
        last = String(records.at(-1)?.id ?? '');
      }
    }
    isWhole = true;
  };
  const readAgain = async (table: (typeof REMEMBERED)[number], ranges: RangeSet): Promise<void> => {
    const known = texts.get(table);
    for (const { from, to } of ranges) {
      const records = await database.table(table).where(':id').between(from, to, true, true).toArray();
      for (const id of known?.keys() ?? []) if (isWithin(id, from, to)) known?.delete(id);
      put(table, records);
    }
  };
  const follow = (parts: ObservabilitySet): void => {
    const everything = parts['all'];
    for (const table of REMEMBERED) {
      const changed = everything ?? parts[`idb://${database.name}/${table}/`];
      if (changed) work = work.then(() => readAgain(table, RangeSet(changed))).catch(() => undefined);
    }
  };

  Dexie.on.storagemutated.subscribe(follow);
  const read = readAll();
  work = read.catch(() => undefined);
  return {
    read,
    recall: async () => {
      await work;
      const recordsOf = <T>(table: (typeof REMEMBERED)[number]): readonly T[] =>
        [...(texts.get(table) ?? [])].toSorted(([a], [b]) => (a < b ? -1 : 1)).map(([, text]) => JSON.parse(text) as T);
      const tables = Object.fromEntries(TABLES.map((table) => [table, recordsOf<Held>(table)]));
      return { isWhole, tables: tables as Remembered['tables'], stamps: recordsOf<Stamp>('stamps') };
    },
    end: () => Dexie.on.storagemutated.unsubscribe(follow),
  };
}

function isWithin(id: string, from: unknown, to: unknown): boolean {
  return Dexie.dependencies.indexedDB.cmp(id, from) >= 0 && Dexie.dependencies.indexedDB.cmp(id, to) <= 0;
}
