'use client';

import { useRouter } from 'next/navigation';
import { useCallback } from 'react';
import { readStudioFile, studio, takeInHandOver, type PlanEntry, type ReadFile } from '@/data';
import { addressOf } from './address-of';
import { bringIn } from './bring-in';
import { useMessages } from './messages';
import { useWords, type Words } from '@/features/shared/words/use-words';

/** Brings files in and tells what became of them: one piece is opened on the Bench at once. */
export function useTakeFiles(): (files: readonly File[]) => void {
  const w = useWords();
  const router = useRouter();
  const { say } = useMessages();
  return useCallback(
    (files) => {
      const take = async (): Promise<void> => {
        const [handed, others] = await handOvers(w, files);
        for (const { name, contents } of handed) {
          const taken = await takeInHandOver(contents, w.shared.handOverTakenIn(name));
          const first = taken?.plan[0];
          if (first) router.push(addressOf('/practice', firstStep(first)));
        }
        if (others.length === 0) return;
        const { pieces, troubles } = await bringIn(w, others);
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

interface Handed {
  readonly name: string;
  readonly contents: ReadFile['contents'];
}

/** The files that were handed over for a pupil, and all others. */
async function handOvers(w: Words, files: readonly File[]): Promise<readonly [readonly Handed[], readonly File[]]> {
  const handed: Handed[] = [];
  const others: File[] = [];
  for (const file of files) {
    const read = file.name.endsWith('.json') ? readStudioFile(w.store, await file.text()) : null;
    if (read?.ok && read.value.kind === 'hand-over') handed.push({ name: file.name, contents: read.value.contents });
    else others.push(file);
  }
  return [handed, others];
}

/** Where the first thing that was planned is practised. */
function firstStep({ piece, key, stage, pupil }: PlanEntry): Readonly<Record<string, string | null>> {
  return { piece, key, stage, pupil, step: 'next' };
}
