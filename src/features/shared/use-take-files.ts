'use client';

import { useRouter } from 'next/navigation';
import { useCallback } from 'react';
import { studio } from '@/data';
import { bringIn } from './bring-in';
import { useMessages } from './messages';
import { useWords } from '@/features/shared/words/use-words';

/** Brings files in and tells what became of them: one piece is opened on the Bench at once. */
export function useTakeFiles(): (files: readonly File[]) => void {
  const w = useWords();
  const router = useRouter();
  const { say } = useMessages();
  return useCallback(
    (files) => {
      const take = async (): Promise<void> => {
        const { pieces, troubles } = await bringIn(w, files);
        for (const { fileName, trouble } of troubles)
          say({ kind: 'trouble', text: `${fileName}: ${trouble.message}`, hint: trouble.hint });
        const only = pieces.length === 1 ? pieces[0] : undefined;
        // What could not be written yet has no screen of its own.
        if (studio().waiting().count > 0) return;
        if (only) router.push(`/bench?piece=${encodeURIComponent(only.id)}`);
        if (pieces.length > 1) {
          say({ kind: 'done', text: w.shared.piecesAreOnShelf(pieces.length) });
          router.push('/');
        }
      };
      void take();
    },
    [w, say, router],
  );
}
