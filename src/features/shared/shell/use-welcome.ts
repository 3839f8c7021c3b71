'use client';

import { useEffect } from 'react';
import { change, hasStudio, isFirstVisit, studioState } from '@/data';
import { loadDemoStudio } from '../demo/demo-studio';
import { useMessages } from './messages';
import { useWords } from '@/features/shared/words/use-words';

/** Puts the demo studio on the shelf of someone who is here for the first time. */
export function useWelcome(): void {
  const w = useWords();
  const { say } = useMessages();
  useEffect(() => {
    const tell = (): void =>
      say({
        kind: 'trouble',
        text: w.shared.demoStudioCouldNotBe,
        hint: w.shared.reloadPageYourOwnPieces,
      });
    const welcome = async (): Promise<void> => {
      // Where there is no studio yet the demo comes in while one is made.
      const early = (await hasStudio()) ? null : loadDemoStudio();
      early?.catch(() => undefined);
      if (await isFirstVisit()) await change({ kind: 'note.first-visit', ...(await (early ?? loadDemoStudio())) });
    };
    // A store that does not open is told in place of the screens.
    welcome().catch(() => (studioState() === 'open' ? tell() : undefined));
  }, [w, say]);
}
