'use client';

import { useRouter } from 'next/navigation';
import { useCallback } from 'react';
import { handedOf, readStudioFile, studio, type StudioFileTrouble } from '@/data';
import { bringIn } from './bring-in';
import { useMessages } from '../shell/messages';
import { putHanded, type NamedHanded } from '../teaching/handed';
import { useWords, type Words } from '@/features/shared/words/use-words';

/** Brings files in and tells what became of them: one piece is opened on the Bench at once. */
export function useTakeFiles(): (files: readonly File[]) => void {
  const w = useWords();
  const router = useRouter();
  const { say } = useMessages();
  return useCallback(
    (files) => {
      const take = async (): Promise<void> => {
        const { handed, refused, others } = await handOvers(w, files);
        for (const { name, trouble } of refused)
          say({ kind: 'trouble', text: `${name}: ${trouble.message}`, hint: trouble.hint });
        // It is looked at before anything of it comes in; of several the last one.
        const last = handed.at(-1);
        if (last) {
          putHanded(last);
          router.push('/take-in');
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

/** Files of ours among those that were dropped: what was handed over, and what was refused; and all others. */
interface Sorted {
  readonly handed: readonly NamedHanded[];
  readonly refused: readonly { readonly name: string; readonly trouble: StudioFileTrouble }[];
  readonly others: readonly File[];
}

async function handOvers(w: Words, files: readonly File[]): Promise<Sorted> {
  const sorted: Sorted = { handed: [], refused: [], others: [] };
  const withFile = async ({ handed, refused, others }: Sorted, file: File): Promise<Sorted> => {
    const text = file.name.endsWith('.json') ? await file.text() : '';
    if (!text.includes('"newThumb"')) return { handed, refused, others: [...others, file] };
    const read = readStudioFile(w.store, text);
    const { name } = file;
    if (!read.ok) return { handed, refused: [...refused, { name, trouble: read.error }], others };
    const { remarks } = read.value;
    const own = handedOf(read.value);
    if (remarks.length > 0 && own) {
      const trouble = { message: remarks.join(' '), hint: w.shared.handOverAgain };
      return { handed, refused: [...refused, { name, trouble }], others };
    }
    return own
      ? { handed: [...handed, { ...own, name }], refused, others }
      : { handed, refused: [...refused, { name, trouble: w.shared.wholeStudio }], others };
  };
  return files.reduce(async (before, file) => withFile(await before, file), Promise.resolve(sorted));
}
