import { ValidationError } from 'yup';
import { err, ok, type Result } from '@/core/result';
import type { StudioDatabase } from './database';
import { makeEdit } from './journal';
import { allFinds, restoreFinds } from './finds';
import { wholePlan } from './plan';
import { allPupils } from './pupils';
import { studioFileSchema, USUAL_SETTINGS, type PieceRecord, type PlanEntry, type PupilRecord, type StudioFile } from './records';
import { allPieces, currentSettings } from './studio';

/** The newest form of the studio file that this version understands. */
const FILE_VERSION = 1;

const KNOWN_FIELDS = ['newThumb', 'version', 'savedAt', 'pieces', 'pupils', 'plan', 'finds', 'settings'];

/** Why a studio file was refused. */
export interface StudioFileTrouble {
  readonly message: string;
  readonly hint: string;
}

/** Everything in the studio as the text of one file, with what an earlier file carried and we do not know. */
export async function studioFileText(database: StudioDatabase, savedAt: string): Promise<string> {
  const carried = (await database.kept.get('carried'))?.value;
  const pieces = await allPieces(database);
  const pupils = await allPupils(database);
  const plan = await wholePlan(database);
  const finds = await allFinds(database);
  const settings = await currentSettings(database);
  const file = { ...(typeof carried === 'object' ? carried : {}), newThumb: 'studio', version: FILE_VERSION, savedAt, pieces, pupils, plan, finds, settings };
  return `${JSON.stringify(file, null, 2)}\n`;
}

/** Checks the text of a studio file. Nothing is changed yet. */
export function readStudioFile(text: string): Result<StudioFile, StudioFileTrouble> {
  const hint = 'Choose a file that was saved with “Save the studio” here in Settings.';
  let value: unknown;
  try {
    value = JSON.parse(text);
  } catch {
    return err({ message: 'This file is no studio file, or it was cut off.', hint });
  }
  try {
    const file = studioFileSchema.validateSync(value, { strict: true, stripUnknown: false });
    if (file.version > FILE_VERSION) {
      return err({ message: `This studio file was saved by a newer New Thumb (form ${file.version}).`, hint: 'Update New Thumb, then restore it.' });
    }
    return ok(file);
  } catch (error) {
    if (!(error instanceof ValidationError)) throw error;
    return err({ message: `This studio file is not complete: ${error.errors[0] ?? 'something is missing'}.`, hint });
  }
}

/** Replaces the whole studio by a checked file, as one edit that can be undone. */
export async function restoreStudio(database: StudioDatabase, file: StudioFile): Promise<void> {
  const here = await database.pieces.toArray();
  const inFile = new Map(file.pieces.map((piece) => [piece.id, piece]));
  const removed = here.filter(({ id }) => !inFile.has(id)).map(({ id }) => ({ id, after: null }));
  const pupilsInFile = file.pupils ?? [];
  const pupilsGone = (await database.pupils.toArray()).filter(({ id }) => !pupilsInFile.some((pupil) => pupil.id === id)).map(({ id }) => ({ id, after: null }));
  const planInFile = file.plan ?? [];
  const planGone = (await database.plan.toArray()).filter(({ id }) => !planInFile.some((entry) => entry.id === id)).map(({ id }) => ({ id, after: null }));
  const put = file.pieces.map((piece) => ({ id: piece.id, after: piece as PieceRecord }));
  const carried = Object.fromEntries(Object.entries(file).filter(([name]) => !KNOWN_FIELDS.includes(name)));
  await makeEdit(
    database,
    {
      label: 'studio restored from a file',
      pieces: [...removed, ...put],
      pupils: [...pupilsGone, ...pupilsInFile.map((pupil) => ({ id: pupil.id, after: pupil as PupilRecord }))],
      plan: [...planGone, ...planInFile.map((entry) => ({ id: entry.id, after: entry as PlanEntry }))],
      kept: [
        // Settings that an older file lacks are the usual ones, those that a newer one has are kept.
        { id: 'settings', value: { ...USUAL_SETTINGS, ...file.settings } },
        { id: 'carried', value: carried },
      ],
    },
  );
  await restoreFinds(database, file.finds ?? []);
}
