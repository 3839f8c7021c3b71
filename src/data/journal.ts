import type { JournalChange, JournalEntry, KeptRecord, StudioDatabase } from './database';
import type { PieceRecord, PlanEntry, PupilRecord } from './records';

/** How many edits can be taken back. */
const KEPT_EDITS = 100;

/** What an edit wants: records put in place, or taken out (null). */
export interface Edit {
  readonly label: string;
  readonly pieces?: readonly { readonly id: string; readonly after: PieceRecord | null }[];
  readonly pupils?: readonly { readonly id: string; readonly after: PupilRecord | null }[];
  readonly plan?: readonly { readonly id: string; readonly after: PlanEntry | null }[];
  readonly kept?: readonly KeptRecord[];
}

/** Makes an edit and notes how to take it back, both in one transaction: a closed tab leaves all or nothing of it. */
export async function makeEdit(database: StudioDatabase, edit: Edit): Promise<void> {
  const atMs = Date.now();
  await database.transaction('rw', database.pieces, database.pupils, database.plan, database.kept, database.journal, async () => {
    const changes: JournalChange[] = [];
    for (const { id, after } of edit.pieces ?? []) {
      changes.push({ table: 'pieces', id, before: (await database.pieces.get(id)) ?? null });
      await putPiece(database, id, after);
    }
    for (const { id, after } of edit.pupils ?? []) {
      changes.push({ table: 'pupils', id, before: (await database.pupils.get(id)) ?? null });
      await putPupil(database, id, after);
    }
    for (const { id, after } of edit.plan ?? []) {
      changes.push({ table: 'plan', id, before: (await database.plan.get(id)) ?? null });
      await putPlan(database, id, after);
    }
    for (const record of edit.kept ?? []) {
      changes.push({ table: 'kept', id: record.id, before: (await database.kept.get(record.id)) ?? null });
      await database.kept.put(record);
    }
    await database.journal.where('state').equals('undone').delete();
    await database.journal.add({ label: edit.label, atMs, state: 'done', changes });
    const surplus = (await database.journal.count()) - KEPT_EDITS;
    if (surplus > 0) await database.journal.orderBy('number').limit(surplus).delete();
  });
}

/** Takes back the last edit. Gives its label, or null where there is none. */
export async function undoEdit(database: StudioDatabase): Promise<string | null> {
  return turn(database, 'done');
}

/** Does the last undone edit again. */
export async function redoEdit(database: StudioDatabase): Promise<string | null> {
  return turn(database, 'undone');
}

async function turn(database: StudioDatabase, from: JournalEntry['state']): Promise<string | null> {
  return database.transaction('rw', database.pieces, database.pupils, database.plan, database.kept, database.journal, async () => {
    const entries = await database.journal.where('state').equals(from).sortBy('number');
    const entry = from === 'done' ? entries.at(-1) : entries[0];
    if (!entry) return null;
    const now: JournalChange[] = [];
    for (const change of entry.changes) now.push(await turnChange(database, change));
    await database.journal.put({ ...entry, state: from === 'done' ? 'undone' : 'done', changes: now });
    return entry.label;
  });
}

/** Puts a record back as it was, and gives the change that would turn it again. */
async function turnChange(database: StudioDatabase, change: JournalChange): Promise<JournalChange> {
  if (change.table === 'pieces') {
    const now = (await database.pieces.get(change.id)) ?? null;
    await putPiece(database, change.id, withMusicOf(change.before, now));
    return { ...change, before: now };
  }
  if (change.table === 'pupils') {
    const now = (await database.pupils.get(change.id)) ?? null;
    await putPupil(database, change.id, change.before);
    return { ...change, before: now };
  }
  if (change.table === 'plan') {
    const now = (await database.plan.get(change.id)) ?? null;
    await putPlan(database, change.id, change.before);
    return { ...change, before: now };
  }
  const now = (await database.kept.get(change.id)) ?? null;
  if (change.before) await database.kept.put(change.before);
  else await database.kept.delete(change.id);
  return { ...change, before: now };
}

/** What was entered has a history of its own: an edit beside it that is taken back leaves the music as it is now. */
function withMusicOf(before: PieceRecord | null, now: PieceRecord | null): PieceRecord | null {
  if (!before || !now || before.edition === now.edition) return before;
  return { ...before, musicXml: now.musicXml, edition: now.edition };
}

async function putPiece(database: StudioDatabase, id: string, piece: PieceRecord | null): Promise<void> {
  if (piece) await database.pieces.put(piece);
  else await database.pieces.delete(id);
}

async function putPupil(database: StudioDatabase, id: string, pupil: PupilRecord | null): Promise<void> {
  if (pupil) await database.pupils.put(pupil);
  else await database.pupils.delete(id);
}

async function putPlan(database: StudioDatabase, id: string, entry: PlanEntry | null): Promise<void> {
  if (entry) await database.plan.put(entry);
  else await database.plan.delete(id);
}
