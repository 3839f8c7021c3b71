import Dexie, { type EntityTable, type Table } from 'dexie';
import type { FindRecord, FitPack, PendingRecord, PieceRecord, PlanEntry, PupilRecord, StepRecord } from './records';

/** A stored setting. The whole of `Settings` is one record; what a studio file carried and we do not know is another; how the desk was left a third. */
export interface KeptRecord {
  readonly id: 'settings' | 'carried' | 'desk';
  readonly value: unknown;
}

/** One edit that can be undone or done again: what each record was before. A record that was not there is null. */
export interface JournalEntry {
  readonly number: number;
  readonly label: string;
  readonly atMs: number;
  readonly state: 'done' | 'undone';
  readonly changes: readonly JournalChange[];
}

export type JournalChange =
  | { readonly table: 'pieces'; readonly id: string; readonly before: PieceRecord | null }
  | { readonly table: 'pupils'; readonly id: string; readonly before: PupilRecord | null }
  | { readonly table: 'plan'; readonly id: string; readonly before: PlanEntry | null }
  | { readonly table: 'kept'; readonly id: KeptRecord['id']; readonly before: KeptRecord | null };

export type StudioDatabase = Dexie & {
  readonly pieces: EntityTable<PieceRecord, 'id'>;
  readonly pupils: EntityTable<PupilRecord, 'id'>;
  readonly kept: EntityTable<KeptRecord, 'id'>;
  readonly journal: EntityTable<JournalEntry, 'number'>;
  /** What was done to each piece while entering it, in order. */
  readonly steps: Table<StepRecord, [string, number]>;
  /** What was entered last and is not yet in its piece: written at once with every key press. */
  readonly pending: EntityTable<PendingRecord, 'piece'>;
  /** What each pupil is to learn, and in which key. */
  readonly plan: EntityTable<PlanEntry, 'id'>;
  /** Answers of finding games, by a running number. */
  readonly finds: Table<FindRecord, number>;
  /** What was worked out about pieces for the whole shelf: can be thrown away at any time. */
  readonly fits: EntityTable<FitPack, 'number'>;
};

/** Opens the studio's database. Versions are only ever added here, never changed. */
export function openDatabase(name = 'new-thumb'): StudioDatabase {
  const database = new Dexie(name) as StudioDatabase;
  database.version(1).stores({ pieces: 'id, addedAt', kept: 'id', journal: '++number, state' });
  database.version(2).stores({ pupils: 'id, addedAt' });
  database.version(3).stores({ steps: '[piece+number], piece', pending: 'piece' });
  database.version(4).stores({ plan: 'id, pupil', finds: '++, pupil', fits: '++number, player' });
  return database;
}
