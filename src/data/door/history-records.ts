import type { StampsTurned } from '../join/stamp';
import type { Field } from '../records/field';
import type { ChangedField, RecordPlace } from '../records/place';

export { recordName } from '../records/place';
export type { ChangedField, RecordPlace } from '../records/place';

/** Taking back, or doing again. */
export type UndoRedo = 'undo' | 'redo';

/** Among the records of an edit: so many others that they are not named one by one. */
export const MANY = '*';

/** One edit in the order in which things were done, by its label. `records` and `fields` say what it touched; `tab` who did it or turned it last. */
export interface HistoryHead {
  readonly number: number;
  readonly tab: string;
  readonly state: 'done' | 'undone';
  readonly label: string;
  readonly atMs: number;
  readonly kind: 'fields' | 'entered';
  /** Names of the records, as `recordName` makes them; `MANY` where only those of pieces are named. */
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
  | {
      readonly number: number;
      readonly kind: 'fields';
      readonly fields: readonly ChangedField[];
      /** Where what another device wrote came in: what was known of its records before and after. */
      readonly stamps?: StampsTurned;
    }
  | { readonly number: number; readonly kind: 'entered'; readonly change: string };

/** The fields of a piece that hold its music. */
export const MUSIC_FIELDS: readonly Field[] = [['musicXml'], ['edition']];

/** Who does something, what it is in words, and when (ms since 1970). `isTyped`: words that are kept at each pause of typing are one edit as long as they are
 * gone on with. */
export interface Attribution {
  readonly tab: string;
  readonly label: string;
  readonly atMs: number;
  readonly isTyped?: boolean;
}
