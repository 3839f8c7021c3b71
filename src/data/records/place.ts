import type { Field, Held } from './field';
import type { TableName } from './tables';

/** A record of the studio. */
export interface RecordPlace {
  readonly table: TableName;
  readonly id: string;
}

/** One field that an edit changed: what it held, and what it held afterwards. */
export interface ChangedField extends RecordPlace {
  readonly field: Field;
  readonly before: Held;
  readonly after: Held;
}

export function recordName({ table, id }: RecordPlace): string {
  return `${table}/${id}`;
}
