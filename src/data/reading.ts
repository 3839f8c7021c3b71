import Dexie from 'dexie';
import { briefOf, type RunFact, type RunsBrief } from '@/core/teaching';
import type { StudioDatabase } from './database';
import { putDigest, runIn } from './door/digest-runs';
import { conflictsIn, type Conflict } from './join/join';
import { placeOf, registersOf } from './join/stamp';
import { briefIn, factOf, factsIn } from './records/digest';
import { isPlain, heldIn, type Field } from './records/field';
import { DESK, type Desk } from './records/desk';
import type { Week } from '@/core/calendar';
import { LESSON, type LessonRecord } from './records/lesson-record';
import { isPlainCard, isPlainLesson } from './records/plain-card';
import { PLAN_ENTRY, type PlanEntry } from './records/plan-record';
import { PUPIL, type PupilRecord } from './records/pupil-record';
import { FIND, PIECE, type FindRecord, type PieceRecord } from './records/records';
import type { RunRecord } from './records/run-record';
import { SETTINGS, type Settings } from './records/settings';
import { TABLES, understandIn, type AsideRecord, type Saved, type TableName } from './records/tables';
import { understoodKept, understoodRecord, type Shape } from './records/understand';

function readable<T>(
  shape: Shape<T>,
  records: readonly unknown[],
  isPlainOne: (record: unknown) => record is T = isNever,
): readonly T[] {
  return records.flatMap((record) => {
    if (isPlainOne(record)) return [record];
    const read = understoodRecord(shape, record);
    return read === null ? [] : [read];
  });
}

function isNever(_record: unknown): _record is never {
  return false;
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

/** Some pieces, in the order in which they are asked for; those that are not there are left out. */
export async function piecesOf(database: StudioDatabase, ids: readonly string[]): Promise<readonly PieceRecord[]> {
  return readable(
    PIECE,
    (await database.pieces.bulkGet([...ids])).filter((piece) => piece !== undefined),
  );
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
  return readable(PLAN_ENTRY, await database.plan.where('pupil').equals(pupil).toArray(), isPlainCard).toSorted(
    (a, b) => a.place - b.place,
  );
}

/** All answers of finding games, oldest first. */
export async function allFinds(database: StudioDatabase): Promise<readonly FindRecord[]> {
  return readable(FIND, await database.answers.toArray()).toSorted((a, b) => a.atMs - b.atMs);
}

/** What all pupils are to learn in some weeks, in order. */
export async function planOfWeeks(database: StudioDatabase, from: Week, to: Week): Promise<readonly PlanEntry[]> {
  const found = await database.plan.where('week').between(from, to, true, true).toArray();
  return readable(PLAN_ENTRY, found, isPlainCard).toSorted((a, b) => a.place - b.place);
}

/** The lessons of a pupil of which something was noted, the last first. */
export async function lessonsOf(database: StudioDatabase, pupil: string): Promise<readonly LessonRecord[]> {
  return readable(LESSON, await database.lessons.where('pupil').equals(pupil).toArray(), isPlainLesson).toSorted(
    (a, b) => (a.day < b.day ? 1 : -1),
  );
}

/** The runs of a pupil or of any hand (null), through one piece or all (null), the last first; no more than asked for. */
export async function runsOf(
  database: StudioDatabase,
  piece: string | null,
  pupil: string | null,
  most?: number,
): Promise<readonly RunRecord[]> {
  const all = runsFound(database, piece, pupil);
  const found = await (most === undefined ? all : all.limit(most)).toArray();
  return found.flatMap((run) => runIn(run) ?? []).toSorted((a, b) => b.atMs - a.atMs);
}

/** How many there are. */
export function countRuns(database: StudioDatabase, piece: string | null, pupil: string | null): Promise<number> {
  return runsFound(database, piece, pupil).count();
}

/** The last first. What belongs to no pupil stands in no index of pupils. */
function runsFound(database: StudioDatabase, piece: string | null, pupil: string | null) {
  const { runs } = database;
  const [least, greatest] = [Dexie.minKey, Dexie.maxKey];
  if (pupil === null)
    return runs
      .orderBy('atMs')
      .reverse()
      .filter((run) => run.pupil === null && (piece === null || run.piece === piece));
  return piece === null
    ? runs.where('[pupil+atMs]').between([pupil, least], [pupil, greatest]).reverse()
    : runs.where('[pupil+piece+atMs]').between([pupil, piece, least], [pupil, piece, greatest]).reverse();
}

/** The runs of a day, or of several, the last first. */
export async function runsBetween(
  database: StudioDatabase,
  pupil: string,
  fromMs: number,
  toMs: number,
): Promise<readonly RunRecord[]> {
  const found = await database.runs
    .where('[pupil+atMs]')
    .between([pupil, fromMs], [pupil, toMs], true, false)
    .reverse()
    .toArray();
  return found.flatMap((run) => runIn(run) ?? []);
}

/** The runs of pupils in short. `missing` are pupils whose digests were not there and had to be made: whoever reads has them kept. */
export interface Facts {
  readonly byPupil: ReadonlyMap<string, readonly RunFact[]>;
  readonly missing: readonly string[];
}

/** The runs of these pupils in short. */
export async function factsOf(database: StudioDatabase, pupils: readonly string[]): Promise<Facts> {
  const digests = await database.digests.bulkGet([...pupils]);
  const byPupil = new Map<string, readonly RunFact[]>();
  const missing: string[] = [];
  for (const [i, pupil] of pupils.entries()) {
    const kept = factsIn(digests[i]);
    if (!kept) missing.push(pupil);
    byPupil.set(pupil, kept ?? (await factsMade(database, pupil)));
  }
  return { byPupil, missing };
}

async function factsMade(database: StudioDatabase, pupil: string): Promise<readonly RunFact[]> {
  return (await runsOf(database, null, pupil)).map(factOf);
}

/** The runs of these pupils in a few lines each. */
export interface Briefs {
  readonly byPupil: ReadonlyMap<string, RunsBrief>;
  readonly missing: readonly string[];
}

export async function briefsOf(database: StudioDatabase, pupils: readonly string[]): Promise<Briefs> {
  const kept = await database.briefs.bulkGet([...pupils]);
  const byPupil = new Map<string, RunsBrief>();
  const missing: string[] = [];
  for (const [i, pupil] of pupils.entries()) {
    const brief = briefIn(kept[i]);
    if (!brief) missing.push(pupil);
    byPupil.set(pupil, brief ?? briefOf(await factsMade(database, pupil)));
  }
  return { byPupil, missing };
}

/** Makes the digests of pupils, and keeps them. Of nobody’s runs there is none. */
export async function keepDigests(database: StudioDatabase, pupils: readonly string[]): Promise<void> {
  for (const pupil of pupils)
    await database.transaction('rw', database.digests, database.briefs, database.runs, async () => {
      const facts = await factsMade(database, pupil);
      if (facts.length > 0) await putDigest(database, pupil, facts);
    });
}

/** Everything that devices wrote without knowing of each other, and that nobody has chosen between. */
export async function conflictsHere(database: StudioDatabase): Promise<readonly Conflict[]> {
  const stamps = (await database.stamps.toArray()).filter(({ fields }) =>
    Object.values(fields).some(({ others }) => others.length > 0),
  );
  const found = await Promise.all(
    stamps.map(async (stamp) => {
      const place = placeOf(stamp);
      const record: unknown = await database.table(place.table).get(place.id);
      return conflictsIn(place, registersOf(record, stamp));
    }),
  );
  return found.flat();
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
  return understoodKept(shape, await database.kept.get(id));
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
