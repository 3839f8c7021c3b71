import type { StudioDatabase } from './database';
import { makeEdit, type Edit } from './journal';
import { pieceRecordSchema, settingsSchema, USUAL_SETTINGS, type PieceRecord, type PupilRecord, type Settings } from './records';

/** The pieces on the shelf, newest first among the teacher's own, the demo's in their order after them.
 * A record that does not fit its schema is left in the database untouched and not shown. */
export async function allPieces(database: StudioDatabase): Promise<readonly PieceRecord[]> {
  const records = await database.pieces.toArray();
  const valid = records.filter((record) => pieceRecordSchema.isValidSync(record));
  const own = valid.filter(({ origin }) => origin === 'own').sort((a, b) => b.addedAt - a.addedAt);
  const demo = valid.filter(({ origin }) => origin === 'demo').sort((a, b) => a.addedAt - b.addedAt);
  return [...own, ...demo];
}

export async function pieceById(database: StudioDatabase, id: string): Promise<PieceRecord | null> {
  const record = await database.pieces.get(id);
  return pieceRecordSchema.isValidSync(record) ? record : null;
}

/** The settings, with the usual choice for each that is missing or unknown. */
export async function currentSettings(database: StudioDatabase): Promise<Settings> {
  const value = (await database.kept.get('settings'))?.value;
  const merged = { ...USUAL_SETTINGS, ...(typeof value === 'object' ? value : {}) };
  return settingsSchema.isValidSync(merged) ? merged : USUAL_SETTINGS;
}

export async function changeSettings(database: StudioDatabase, change: Partial<Settings>, label: string): Promise<void> {
  const value = { ...(await currentSettings(database)), ...change };
  await makeEdit(database, { label, kept: [{ id: 'settings', value }] });
}

export async function addPieces(database: StudioDatabase, pieces: readonly PieceRecord[], label: string): Promise<void> {
  await makeEdit(database, { label, pieces: pieces.map((after) => ({ id: after.id, after })) });
}

export async function removePiece(database: StudioDatabase, id: string, label: string): Promise<void> {
  await makeEdit(database, { label, pieces: [{ id, after: null }] });
}

/** Notes the key that was last looked at. No edit of the piece: the browser's back button takes it back. */
export async function noteKey(database: StudioDatabase, id: string, lastKey: string): Promise<void> {
  await database.pieces.update(id, { lastKey });
}

/** Says which part of a piece is the pupil's. */
export async function choosePart(database: StudioDatabase, piece: PieceRecord, part: string, label: string): Promise<void> {
  await makeEdit(database, { label, pieces: [{ id: piece.id, after: { ...piece, part } }] });
}

/** Puts a note of a piece under the other letter in one key, or back. */
export async function respellNote(database: StudioDatabase, piece: PieceRecord, entry: string, label: string): Promise<void> {
  const before = piece.respelled ?? [];
  const respelled = before.includes(entry) ? before.filter((other) => other !== entry) : [...before, entry];
  await makeEdit(database, { label, pieces: [{ id: piece.id, after: { ...piece, respelled } }] });
}

export async function overruleKey(database: StudioDatabase, piece: PieceRecord, ownKey: string | null, label: string): Promise<void> {
  await makeEdit(database, { label, pieces: [{ id: piece.id, after: { ...piece, ownKey, lastKey: null } }] });
}

/** The demo studio: its pieces and its pupils. */
export interface DemoStudio {
  readonly pieces: readonly PieceRecord[];
  readonly pupils: readonly PupilRecord[];
}

/** Brings the demo studio in, or takes it away. Both can be undone. */
export async function setDemo(database: StudioDatabase, { pieces, pupils }: DemoStudio): Promise<void> {
  const settings = { ...(await currentSettings(database)), demoPutAway: false };
  await makeEdit(database, {
    label: 'demo studio brought back',
    pieces: pieces.map((after) => ({ id: after.id, after })),
    pupils: pupils.map((after) => ({ id: after.id, after })),
    kept: [{ id: 'settings', value: settings }],
  });
}

export async function putDemoAway(database: StudioDatabase): Promise<void> {
  const isDemo = ({ origin }: { readonly origin: string }): boolean => origin === 'demo';
  const pieces = (await database.pieces.toArray()).filter(isDemo);
  const pupils = (await database.pupils.toArray()).filter(isDemo);
  const settings = { ...(await currentSettings(database)), demoPutAway: true };
  const edit: Edit = {
    label: 'demo studio put away',
    pieces: pieces.map(({ id }) => ({ id, after: null })),
    pupils: pupils.map(({ id }) => ({ id, after: null })),
    kept: [{ id: 'settings', value: settings }],
  };
  await makeEdit(database, edit);
}

/** On a first visit, and only then, brings in the demo studio. That is no edit: there is nothing before it to go back to. */
export async function seedOnFirstVisit(database: StudioDatabase, load: () => Promise<DemoStudio>): Promise<void> {
  const isFirst = (await database.kept.get('settings')) === undefined && (await database.pieces.count()) === 0;
  if (!isFirst) return;
  const { pieces, pupils } = await load();
  await database.transaction('rw', database.pieces, database.pupils, database.kept, async () => {
    // Another tab may have been faster.
    if ((await database.pieces.count()) > 0) return;
    await database.pieces.bulkPut([...pieces]);
    await database.pupils.bulkPut([...pupils]);
    await database.kept.put({ id: 'settings', value: USUAL_SETTINGS });
  });
}
