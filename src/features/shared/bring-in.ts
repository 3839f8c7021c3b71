'use client';

import { addPieces, studioDatabase, type PieceRecord } from '@/data';
import { coreWorker } from '@/workers/client';
import type { Trouble } from '@/workers/protocol';

/** What became of the dropped files. */
export interface BroughtIn {
  readonly pieces: readonly PieceRecord[];
  readonly troubles: readonly { readonly fileName: string; readonly trouble: Trouble }[];
}

/** Reads dropped files and puts those that are pieces on the shelf, all in one edit. A file that is none changes nothing. */
export async function bringIn(files: readonly File[]): Promise<BroughtIn> {
  const pieces: PieceRecord[] = [];
  const troubles: { fileName: string; trouble: Trouble }[] = [];
  const atMs = Date.now();
  for (const file of files) {
    for (const answer of await coreWorker().bringIn(new Uint8Array(await file.arrayBuffer()))) {
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
        lastKey: null,
        ownKey: null,
        remarks: [...answer.value.remarks],
      });
    }
  }
  const label = pieces.length === 1 ? `“${pieces[0]?.fileName}” brought in` : `${pieces.length} pieces brought in`;
  if (pieces.length > 0) await addPieces(studioDatabase(), pieces, label);
  return { pieces, troubles };
}
