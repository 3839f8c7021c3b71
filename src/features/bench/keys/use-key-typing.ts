'use client';

import { useCallback, useRef } from 'react';
import { typedAsLetters, type Wording } from '@/core/explain';
import { keyText, parseKey, type Mode } from '@/core/pitch';
import { useWords } from '@/features/shared/words/use-words';

/** Letters and signs of which names of keys are typed. Where B is called H, it is typed as a capital: the small one folds the panel away. */
export function keyLetters({ names }: Pick<Wording, 'names'>): readonly string[] {
  return names === 'letters-h' ? [...LETTERS, 'H'] : LETTERS;
}

const LETTERS = ['a', 'b', 'c', 'd', 'e', 'f', 'g', 'A', 'B', 'C', 'D', 'E', 'F', 'G', '#'] as const;

/** So soon after a letter a sign belongs to it. Unit: ms. */
const SIGN_WITHIN_MS = 1500;

/** Goes to the key whose name is typed: `e` is E, `e` and then `b` is E♭, `f` and then `#` is F♯. Where B is called H, `b` is B♭. Keys that cannot be written are passed over. */
export function useKeyTyping(mode: Mode, goToKey: (key: string) => void): (typed: string) => void {
  const { names } = useWords().wording;
  const last = useRef({ letter: '', atMs: 0 });
  return useCallback(
    (typed) => {
      const now = performance.now();
      const { letter, atMs } = last.current;
      const isSign = (typed === '#' || typed === 'b') && letter !== '' && now - atMs < SIGN_WITHIN_MS;
      if (!isSign && typed === '#') return;
      const name = isSign ? letter + typed : typed.toUpperCase();
      last.current = { letter: isSign ? '' : name, atMs: now };
      const key = parseKey(typedAsLetters(name, names), mode);
      if (key) goToKey(keyText(key));
    },
    [mode, names, goToKey],
  );
}
