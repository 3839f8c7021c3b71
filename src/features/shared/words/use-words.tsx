'use client';

import { createContext, use, useMemo, type ReactNode } from 'react';
import { USUAL_WORDING, wordsOf, type Wording, type Words } from '@/core/explain';
import { useSettings, wordingOf } from '@/data';
import { useSame } from '../parts/use-same';

export type { Words };

const WordsContext = createContext<Words>(wordsOf(USUAL_WORDING));

/** Gives all screens the words of this teacher. Until the settings are read, and on pages as they are built, the usual ones are said. */
export function WordsProvider({ children }: { readonly children: ReactNode }) {
  const settings = useSettings();
  const wording = useSame(settings ? wordingOf(settings) : USUAL_WORDING);
  const words = useMemo(() => wordsOf(wording), [wording]);
  return <WordsContext value={words}>{children}</WordsContext>;
}

/** Calls the notes by the names that are used with a pupil; null for those of the teacher. */
export function WordsFor({
  names,
  children,
}: {
  readonly names: Wording['names'] | null;
  readonly children: ReactNode;
}) {
  const words = use(WordsContext);
  const own = useMemo(() => (names === null ? words : wordsOf({ ...words.wording, names })), [words, names]);
  return <WordsContext value={own}>{children}</WordsContext>;
}

/** The words of this teacher: what stands on the screens, and `says`, the sentences of the core. */
export function useWords(): Words {
  return use(WordsContext);
}
