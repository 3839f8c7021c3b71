'use client';

import { useCallback } from 'react';
import type { UndoRedo } from '@/data';
import { goBackTo, undoOrRedoAllTheSame, undoOrRedoNext, undoWithLater, type UndoOutcome } from './history';
import { useMessages, type Message } from '../shell/messages';
import { useWords, type Words } from '@/features/shared/words/use-words';

/** Taking back and doing again, with what there is to be told of it. */
export interface UndoActions {
  readonly undoOrRedo: (undoRedo: UndoRedo) => Promise<void>;
  readonly goBack: (number: number, itself: 'stays' | 'goes') => Promise<void>;
}

export function useUndo(): UndoActions {
  const w = useWords();
  const { say } = useMessages();
  const undoOrRedo = useCallback(
    async (undoRedo: UndoRedo) => tell(w, await undoOrRedoNext(w, undoRedo), undoRedo, say),
    [w, say],
  );
  const goBack = useCallback(
    async (number: number, itself: 'stays' | 'goes') => tell(w, await goBackTo(w, number, itself), 'undo', say),
    [w, say],
  );
  return { undoOrRedo, goBack };
}

function tell(w: Words, outcome: UndoOutcome, undoRedo: UndoRedo, say: (message: Message) => void): void {
  if (outcome.kind === 'turned')
    say({ kind: 'done', text: `${undoRedo === 'undo' ? w.shared.takenBack : w.shared.doneAgain}: ${outcome.label}.` });
  if (outcome.kind === 'refused') say({ kind: 'trouble', text: outcome.message, hint: outcome.hint });
  if (outcome.kind !== 'later') return;
  const { by, number, label, canForce } = outcome;
  const names = by
    .slice(-3)
    .map((head) => w.shared.quoted(head.label))
    .join(', ');
  const since =
    by.length === 0 ? w.shared.somethingThatIsNotIn : by.length > 3 ? w.shared.laterEditsLast(by.length, names) : names;
  say({
    kind: 'trouble',
    text: w.shared.sameWasChangedSinceBy(label, undoRedo, since),
    hint: w.shared.nothingWasChangedYetWhat,
    actions: [
      ...(by.length > 0 && undoRedo === 'undo'
        ? [
            {
              words: by.length === 1 ? w.shared.takeLaterOneBackToo : w.shared.takeLaterOnesBackToo(by.length),
              act: async () => tell(w, await undoWithLater(w, outcome), undoRedo, say),
            },
          ]
        : []),
      ...(canForce
        ? [
            {
              words: undoRedo === 'undo' ? w.shared.putBackWhatWasThere : w.shared.doItOverWhatIs,
              act: async () => tell(w, await undoOrRedoAllTheSame(w, number, undoRedo), undoRedo, say),
            },
          ]
        : []),
      { words: w.shared.leaveIt, act: () => Promise.resolve() },
    ],
  });
}
