'use client';

import { createContext, use, useMemo, type ReactNode } from 'react';
import { USUAL_WORDING, wordsOf, type Words } from '@/core/explain';
import { useSettings, wordingOf } from '@/data';
import { useSame } from '../use-same';

export type { Words };

const WordsContext = createContext<Words>(wordsOf(USUAL_WORDING));

/** Gives all screens the words of this teacher. Until the settings are read, and on pages as they are built, the usual ones are said. */
export function WordsProvider({ children }: { readonly children: ReactNode }) {
  const settings = useSettings();
  const wording = useSame(settings ? wordingOf(settings) : USUAL_WORDING);
  const words = useMemo(() => wordsOf(wording), [wording]);
  return <WordsContext value={words}>{children}</WordsContext>;
}

/** The words of this teacher: what stands on the screens, and `says`, the sentences of the core. */
export function useWords(): Words {
  return use(WordsContext);
}
