import type { StudioDatabase } from '../database';
import { heldIn, type Field, type Held } from '../records/field';
import { TABLES, type TableName } from '../records/tables';
import type { TableOfPupils } from '../records/whose';
import type { RecordPlace } from './history-records';

/** The studio as a command sees it: in the database, or in memory. */
export interface StudioView {
  get(place: RecordPlace): Promise<Held>;
  all(table: TableName): Promise<readonly Held[]>;
  /** The records of a table that are one pupil's. */
  ofPupil(table: TableOfPupils, pupil: string): Promise<readonly Held[]>;
}

/** A field as a command wants it; `undefined` takes it out. */
export interface Wanted extends RecordPlace {
  readonly field: Field;
  readonly value: Held;
}

/** The studio as it is in the database. */
export function viewOf(database: StudioDatabase): StudioView {
  return {
    get: ({ table, id }) => database.table(table).get(id),
    all: (table) => database.table(table).toArray(),
    ofPupil: (table, pupil) => database.table(table).where('pupil').equals(pupil).toArray(),
  };
}

/** The studio as it is in the database, read at once: for what touches most of it. */
export async function loadedView(database: StudioDatabase): Promise<StudioView> {
  const lists: Partial<Record<TableName, readonly Held[]>> = {};
  for (const table of TABLES) lists[table] = await database.table(table).toArray();
  return viewOfLists(lists);
}

/** A studio of some records, in memory. */
export function viewOfLists(lists: Partial<Readonly<Record<TableName, readonly Held[]>>>): StudioView {
  const tables = new Map(
    TABLES.map((table) => {
      const records = lists[table] ?? [];
      return [table, new Map(records.map((record) => [String(heldIn(record, ['id'])), record]))] as const;
    }),
  );
  const all = (table: TableName): readonly Held[] => [...(tables.get(table)?.values() ?? [])];
  return {
    get: ({ table, id }) => Promise.resolve(tables.get(table)?.get(id)),
    all: (table) => Promise.resolve(all(table)),
    ofPupil: (table, pupil) => Promise.resolve(recordsOf(all(table), pupil)),
  };
}

/** Those of some records that are one pupil's. */
export function recordsOf(records: readonly Held[], pupil: string): readonly Held[] {
  return records.filter((record) => heldIn(record, ['pupil']) === pupil);
}
