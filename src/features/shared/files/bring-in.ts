'use client';

import type { Grid } from '@/core/read';
import { object, string } from 'yup';
import { change, decidedSchema, homeworkSchema, stagesBesideSchema, type NewPiece, type PieceRecord } from '@/data';
import { coreWorker } from '@/workers/client';
import type { Beside } from '@/contract/core-questions';
import type { Trouble } from '@/contract/answer';
import { fromBase64, toBase64 } from './base64';
import type { Words } from '@/features/shared/words/use-words';

/** What became of the dropped files. */
export interface BroughtIn {
  readonly pieces: readonly NewPiece[];
  readonly troubles: readonly { readonly fileName: string; readonly trouble: Trouble }[];
}

const besideSchema = object({ part: string().nullable(), decided: decidedSchema.default(undefined).optional() });

/** What a piece file says of the teacher's decisions; everything beside the music is carried on. What was made of the stages, and of the steps, is looked at by itself: if it is
 * not understood, the decisions are all the same. */
function decisionsIn(beside: Beside): Partial<NewPiece> {
  if (Object.keys(beside).length === 0) return {};
  const { stages, homework } = beside;
  const ownStages = stagesBesideSchema.isValidSync(stages, { strict: true }) ? stages : null;
  const steps = homeworkSchema.isValidSync(homework, { strict: true }) ? homework : null;
  const made = { ...ownStages, ...(steps ? { homework: steps } : {}) };
  const isUnderstood = (name: string): boolean =>
    (name === 'stages' && ownStages !== null) || (name === 'homework' && steps !== null);
  const carried = Object.fromEntries(Object.entries(beside).filter(([name]) => !isUnderstood(name)));
  if (!besideSchema.isValidSync(beside)) return { beside: carried, ...made };
  const { part, decided } = beside;
  return { part: part ?? null, beside: carried, ...(decided ? { decided } : {}), ...made };
}

/** Reads a piece's MIDI file again with its rhythm set to another grid (0 finds one). The notes that were read before
 * are replaced, in one edit that can be undone, unless they were changed meanwhile. */
export async function changeGrid(w: Words, piece: PieceRecord, grid: Grid | 0, words: string): Promise<Trouble | null> {
  if (!piece.midi) return null;
  const bytes = fromBase64(piece.midi.file);
  const answer = await coreWorker().regrid(bytes, grid === 0 ? null : grid, w.wording);
  if (!answer.ok) return answer.trouble;
  const { musicXml, remarks } = answer.value;
  await change(
    {
      kind: 'piece.grid',
      id: piece.id,
      edition: piece.edition,
      next: crypto.randomUUID(),
      grid,
      musicXml,
      remarks: [...remarks],
    },
    w.shared.rhythmSetTo(words),
  );
  return null;
}

/** Reads dropped files and puts those that are pieces on the shelf, all in one edit. A file that is none changes nothing. */
export async function bringIn(w: Words, files: readonly File[]): Promise<BroughtIn> {
  const pieces: NewPiece[] = [];
  const troubles: { fileName: string; trouble: Trouble }[] = [];
  const atMs = Date.now();
  for (const file of files) {
    const bytes = new Uint8Array(await file.arrayBuffer());
    const read = await coreWorker().bringIn(bytes, w.wording);
    for (const answer of read.ok ? read.value : [read]) {
      if (!answer.ok) {
        troubles.push({ fileName: file.name, trouble: answer.trouble });
        continue;
      }
      pieces.push({
        id: crypto.randomUUID(),
        origin: 'own',
        fileName: file.name,
        musicXml: answer.value.musicXml,
        addedAt: atMs + pieces.length,
        remarks: [...answer.value.remarks],
        ...decisionsIn(answer.value.beside),
        ...(answer.value.format === 'midi' ? { midi: { file: toBase64(bytes), grid: 0 } } : {}),
      });
    }
  }
  const label =
    pieces.length === 1 ? w.shared.broughtIn(pieces[0]?.fileName ?? '') : w.shared.piecesBroughtIn(pieces.length);
  const fault = pieces.length > 0 ? await change({ kind: 'piece.add', pieces }, label) : null;
  return { pieces: fault ? [] : pieces, troubles };
}
