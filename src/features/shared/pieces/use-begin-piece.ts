'use client';

import { useRouter } from 'next/navigation';
import { useCallback } from 'react';
import { change } from '@/data';
import { entryWorker } from '@/workers/client';
import type { Trouble } from '@/contract/answer';
import { useWords } from '@/features/shared/words/use-words';

/** What a new piece begins with. `opening` is its key, time and pick-up in a few letters, as `G 3/4 1`. */
export interface Beginning {
  readonly title: string;
  readonly opening: string;
}

/** Puts a new piece on the shelf and opens it where notes are entered. Tells what was wrong with the beginning; null where it is begun, or where the store
 * has said by itself why not. */
export function useBeginPiece(): (beginning: Beginning) => Promise<Trouble | null> {
  const w = useWords();
  const router = useRouter();
  return useCallback(
    async ({ title, opening }) => {
      const answer = await entryWorker().create({ title: title.trim(), opening, wording: w.wording });
      if (!answer.ok) return answer.trouble;
      const id = crypto.randomUUID();
      const label = title.trim() === '' ? w.shared.newPiece : w.shared.newPieceNamed(title.trim());
      const piece = {
        id,
        origin: 'own' as const,
        fileName: w.shared.newPieceName,
        musicXml: answer.value,
        addedAt: Date.now(),
      };
      if (await change({ kind: 'piece.add', pieces: [piece] }, label)) return null;
      router.push(`/enter?piece=${encodeURIComponent(id)}`);
      return null;
    },
    [router, w],
  );
}
