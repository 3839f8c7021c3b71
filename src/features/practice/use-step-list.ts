'use client';

import type { PracticeStep } from '@/core/homework';
import { change, type PieceRecord } from '@/data';
import type { ForWhom } from '@/features/shared/pupils/for-whom';
import { useWords } from '@/features/shared/words/use-words';
import { keptFor } from '@/features/shared/pieces/kept-steps';
import type { Steps } from './use-steps';

/** The list of steps that a teacher changes. */
export interface StepList {
  readonly steps: readonly PracticeStep[];
  /** Whether it is the teacher's, and holds for every key; a list that is only proposed holds for none. */
  readonly isOwn: boolean;
  readonly isForEveryKey: boolean;
  /** Puts other steps in the place of these; null for those that are proposed. */
  readonly put: (steps: readonly PracticeStep[] | null, words: string) => void;
  /** Has the list hold for every key, or for the one that is shown alone. */
  readonly holdFor: (reach: 'every-key' | 'this-key') => void;
}

export function useStepList(piece: PieceRecord, whom: ForWhom, { view, steps }: Steps): StepList {
  const w = useWords();
  const list = steps.map(({ step }) => step);
  const found = keptFor(piece, whom.pupil, view.keyText);
  const pupil = found ? found.pupil : (whom.pupil?.id ?? null);
  const key = found ? found.key : view.keyText;
  return {
    steps: list,
    isOwn: found !== null,
    isForEveryKey: key === null,
    put: (wanted, words) =>
      void change({ kind: 'piece.homework', id: piece.id, lists: [{ whose: { pupil, key }, steps: wanted }] }, words),
    holdFor: (reach) => {
      const other = reach === 'every-key' ? null : view.keyText;
      const lists = [
        { whose: { pupil, key }, steps: null },
        { whose: { pupil, key: other }, steps: list },
      ];
      void change(
        { kind: 'piece.homework', id: piece.id, lists },
        w.practice.stepsFor(other === null ? null : view.key),
      );
    },
  };
}
