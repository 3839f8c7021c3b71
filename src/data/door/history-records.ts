import type { Field, Held } from '../records/field';
import type { TableName } from '../records/tables';

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

/** One edit in the order in which things were done, by its label. `records` and `fields` say what it touched; `tab` who did it or turned it last. */
export interface HistoryHead {
  readonly number: number;
  readonly tab: string;
  readonly state: 'done' | 'undone';
  readonly label: string;
  readonly atMs: number;
  readonly kind: 'fields' | 'entered';
  /** Names of the records, as `recordName` makes them. */
  readonly records: readonly string[];
  readonly fields: readonly (RecordPlace & { readonly field: Field })[];
  /** For what was entered: the piece, on which other change of its music the entering went on (0: on none) and what that music was called, and the
   * place in that stretch. */
  readonly piece?: string;
  readonly stretch?: number;
  readonly step?: number;
  readonly base?: string | null;
}

/** What an edit changed: fields with their values, or the change of a score as the core keeps it. */
export type HistoryChange =
  | { readonly number: number; readonly kind: 'fields'; readonly fields: readonly ChangedField[] }
  | { readonly number: number; readonly kind: 'entered'; readonly change: string };

export function recordName({ table, id }: RecordPlace): string {
  return `${table}/${id}`;
}

/** The fields of a piece that hold its music. */
export const MUSIC_FIELDS: readonly Field[] = [['musicXml'], ['edition']];
