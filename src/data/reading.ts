import type { StudioDatabase } from './database';
import { isPlain, heldIn, type Field } from './records/field';
import { DESK, type Desk } from './records/desk';
import {
  FIND,
  PIECE,
  PLAN_ENTRY,
  PUPIL,
  type FindRecord,
  type PieceRecord,
  type PlanEntry,
  type PupilRecord,
} from './records/records';
import { RUN, type RunRecord } from './records/run-record';
import { SETTINGS, type Settings } from './records/settings';
import { TABLES, understandIn, type AsideRecord, type Saved, type TableName } from './records/tables';
import { understoodRecord, type Shape } from './records/understand';

function readable<T>(shape: Shape<T>, records: readonly unknown[]): readonly T[] {
  return records.flatMap((record) => {
    const read = understoodRecord(shape, record);
    return read === null ? [] : [read];
  });
}

/** The pieces on the shelf, newest first among the teacher's own, the demo's in their order after them. Records that are none are on the page of
 * what is set aside. */
export async function allPieces(database: StudioDatabase): Promise<readonly PieceRecord[]> {
  const pieces = readable(PIECE, await database.pieces.toArray());
  const own = pieces.filter(({ origin }) => origin === 'own').toSorted((a, b) => b.addedAt - a.addedAt);
  const demo = pieces.filter(({ origin }) => origin === 'demo').toSorted((a, b) => a.addedAt - b.addedAt);
  return [...own, ...demo];
}

export async function pieceById(database: StudioDatabase, id: string): Promise<PieceRecord | null> {
  return understoodRecord(PIECE, await database.pieces.get(id));
}

/** Which state of the music a piece holds; undefined where there is no piece. */
export async function editionOf(database: StudioDatabase, id: string): Promise<string | null | undefined> {
  const record: unknown = await database.pieces.get(id);
  return record === undefined ? undefined : ((heldIn(record, ['edition']) as string | undefined) ?? null);
}

/** All pupils, in the order in which they came. */
export async function allPupils(database: StudioDatabase): Promise<readonly PupilRecord[]> {
  return readable(PUPIL, await database.pupils.toArray()).toSorted((a, b) => a.addedAt - b.addedAt);
}

/** What a pupil is to learn, in order. */
export async function planOf(database: StudioDatabase, pupil: string): Promise<readonly PlanEntry[]> {
  return readable(PLAN_ENTRY, await database.plan.where('pupil').equals(pupil).toArray()).toSorted(
    (a, b) => a.place - b.place,
  );
}

/** All answers of finding games, oldest first. */
export async function allFinds(database: StudioDatabase): Promise<readonly FindRecord[]> {
  return readable(FIND, await database.answers.toArray()).toSorted((a, b) => a.atMs - b.atMs);
}

/** The runs of a pupil or of any hand (null), through one piece or all (null), the last first. */
export async function runsOf(
  database: StudioDatabase,
  piece: string | null,
  pupil: string | null,
): Promise<readonly RunRecord[]> {
  const { runs } = database;
  const found =
    piece !== null
      ? await runs.where('piece').equals(piece).toArray()
      : pupil !== null
        ? await runs.where('pupil').equals(pupil).toArray()
        : await runs.toArray();
  return readable(RUN, found)
    .filter((run) => run.pupil === pupil)
    .toSorted((a, b) => b.atMs - a.atMs);
}

/** The settings: what was chosen, and what is usual for each that was not, or that cannot be understood. Each by itself. */
export async function currentSettings(database: StudioDatabase): Promise<Settings> {
  return ofKept(database, 'settings', SETTINGS);
}

/** How the desk was left. */
export async function currentDesk(database: StudioDatabase): Promise<Desk> {
  return ofKept(database, 'desk', DESK);
}

async function ofKept<T>(database: StudioDatabase, id: 'settings' | 'desk', shape: Shape<T>): Promise<T> {
  const value = (await database.kept.get(id))?.value;
  return understoodRecord(shape, isPlain(value) ? value : {}) ?? (shape.usual as T);
}

/** When the last studio file was saved, in ms since 1970; null where none was. */
export async function lastSaved(database: StudioDatabase): Promise<number | null> {
  const value = (await database.kept.get('saved'))?.value as Saved | undefined;
  return typeof value?.atMs === 'number' ? value.atMs : null;
}

/** Something that could not be understood: a whole record, or what stands in one of its fields. */
export interface SetAside {
  readonly table: TableName;
  readonly id: string;
  readonly field: Field;
  readonly value: unknown;
  readonly why: string;
  /** Where it came from, where that is known. */
  readonly from: string;
}

/** Everything in the studio that could not be understood, in no need of being complete to be listed. */
export async function setAside(database: StudioDatabase): Promise<readonly SetAside[]> {
  const found: SetAside[] = [];
  for (const table of TABLES) {
    await database.table(table).each((record: unknown, { primaryKey }) => {
      const place = { table, id: String(primaryKey), from: '' };
      if (table === 'aside' && isPlain(record)) {
        const { from, why, value, table: belongs } = record as unknown as AsideRecord;
        found.push({ ...place, field: [], value, why, from: `${belongs}, from ${from}` });
        return;
      }
      const read = understandIn(table, record);
      if (read.kind === 'unreadable') found.push({ ...place, field: [], value: record, why: read.why });
      else for (const { field, value, why } of read.unclear) found.push({ ...place, field, value, why });
    });
  }
  return found;
}
