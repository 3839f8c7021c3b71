import type { StudioDatabase } from '../database';
import type { Field, Held } from '../records/field';
import type { TableName } from '../records/tables';
import type { RecordPlace } from './history-records';

/** The studio as a command sees it: in the database, or in memory. */
export interface StudioView {
  get(place: RecordPlace): Promise<Held>;
  all(table: TableName): Promise<readonly Held[]>;
}

/** A field as a command wants it; `undefined` takes it out. */
export interface Wanted extends RecordPlace {
  readonly field: Field;
  readonly value: Held;
}

/** The studio as it is in the database. */
export function viewOf(database: StudioDatabase): StudioView {
  return { get: ({ table, id }) => database.table(table).get(id), all: (table) => database.table(table).toArray() };
}
