import { viewOf } from '@/data/door/view';
import { runCommand } from '@/data/door/door';
import type { Command } from '@/data/door/commands';
import { openDatabase, type StudioDatabase } from '@/data/database';
import { createStudio, type Studio } from '@/data/door/studio';
import { nextToUndoOrRedo, undoOrRedoEdit, type How, type UndoRedo } from '@/data/door/undo-redo';
import { contentsOf, type StudioContents } from '@/data/file/contents';
import type { RunRecord } from '@/data/records/run-record';
import { USUAL_PUPIL, type PupilRecord } from '@/data/records/pupil-record';
import type { NewPiece } from '@/data/records/records';

/** Builders for tests of the studio: terse records, and a teacher at one or two tabs. */
export const newPiece = (id: string, more: Partial<NewPiece> = {}): NewPiece => ({
  id,
  origin: 'own',
  fileName: `${id}.musicxml`,
  musicXml: '<score-partwise/>',
  addedAt: 1,
  ...more,
});

export const newPupil = (id: string, more: Partial<PupilRecord> = {}): PupilRecord => ({
  ...(structuredClone(USUAL_PUPIL) as unknown as PupilRecord),
  id,
  form: 5,
  origin: 'own',
  name: id,
  addedAt: 1,
  level: '2',
  spanMm: 165,
  outer: 'allow',
  inner: 'interval',
  repeat: 'keep',
  keysKnown: ['C-major'],
  ...more,
});

let opened = 0;

/** A studio that nobody else has. */
export function emptyStudio(): StudioDatabase {
  opened += 1;
  return openDatabase(`studio-${process.pid}-${opened}`);
}

/** A tab of a studio. */
export function tabOf(database: StudioDatabase, tab = 'one'): Studio {
  let now = 0;
  return createStudio(database, tab, () => (now += 1));
}

/** Does something as one tab, and expects it to be done. Gives its number in the history. */
export async function does(
  database: StudioDatabase,
  command: Command,
  label: string = command.kind,
  tab = 'one',
): Promise<number | null> {
  const done = await runCommand(database, command, { tab, label, atMs: 1 });
  if (!done.ok) throw new Error(`refused: ${JSON.stringify(done.error)}`);
  return done.value.number;
}

/** Takes back or does again what is next in a tab. Gives its label; null where there is nothing; what stands in the way where something does. */
export async function turns(
  database: StudioDatabase,
  undoRedo: UndoRedo,
  tab = 'one',
  how: How = 'in order',
): Promise<string | null> {
  const next = await nextToUndoOrRedo(database, undoRedo, tab);
  if (!next) return null;
  const turned = await undoOrRedoEdit(database, next.number, { undoRedo, how, attribution: { tab, atMs: 2 } });
  if (!turned.ok) throw new Error(`refused: ${JSON.stringify(turned.error)}`);
  return turned.value.kind === 'turned' ? turned.value.label : turned.value.kind;
}

/** Everything in a studio but its history, as text: two studios are the same where these are. */
export async function written(database: StudioDatabase): Promise<string> {
  return JSON.stringify(await contentsOf(viewOf(database)));
}

export async function contents(database: StudioDatabase): Promise<StudioContents> {
  return contentsOf(viewOf(database), await database.stamps.toArray());
}

/** A run through a piece. */
export function aRun(id: string, piece: string, atMs: number): Omit<RunRecord, 'form'> {
  return {
    id,
    pupil: null,
    piece,
    title: 'a tune',
    edition: null,
    music: 'piece',
    key: 'D-major',
    stage: null,
    step: 'slow',
    hand: 'both',
    bars: null,
    way: 'along',
    tempo: 60,
    ear: 'usual',
    bpm: 72,
    countIn: 4,
    playedOn: 'screen',
    atMs,
    tookMs: 9000,
    outcome: 'unclean',
    written: 12,
    right: 11,
    faults: [{ kind: 'missing', bar: '2', beat: 1, notes: ['n3'] }],
    midi: 'TVRoZA==',
  };
}
