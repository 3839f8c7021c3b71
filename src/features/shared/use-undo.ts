'use client';

import { useCallback } from 'react';
import type { UndoRedo } from '@/data';
import { goBackTo, undoOrRedoAllTheSame, undoOrRedoNext, undoWithLater, type UndoOutcome } from './history';
import { useMessages, type Message } from './messages';

/** Taking back and doing again, with what there is to be told of it. */
export interface UndoActions {
  readonly undoOrRedo: (undoRedo: UndoRedo) => Promise<void>;
  readonly goBack: (number: number, itself: 'stays' | 'goes') => Promise<void>;
}

export function useUndo(): UndoActions {
  const { say } = useMessages();
  const undoOrRedo = useCallback(
    async (undoRedo: UndoRedo) => tell(await undoOrRedoNext(undoRedo), undoRedo, say),
    [say],
  );
  const goBack = useCallback(
    async (number: number, itself: 'stays' | 'goes') => tell(await goBackTo(number, itself), 'undo', say),
    [say],
  );
  return { undoOrRedo, goBack };
}

function tell(outcome: UndoOutcome, undoRedo: UndoRedo, say: (message: Message) => void): void {
  if (outcome.kind === 'turned')
    say({ kind: 'done', text: `${undoRedo === 'undo' ? 'Taken back' : 'Done again'}: ${outcome.label}.` });
  if (outcome.kind === 'refused') say({ kind: 'trouble', text: outcome.message, hint: outcome.hint });
  if (outcome.kind !== 'later') return;
  const { by, number, label, canForce } = outcome;
  const names = by
    .slice(-3)
    .map((head) => `“${head.label}”`)
    .join(', ');
  const since =
    by.length === 0
      ? 'something that is not in the list of what was done'
      : by.length > 3
        ? `${by.length} later edits, the last ${names}`
        : names;
  say({
    kind: 'trouble',
    text: `“${label}” ${undoRedo === 'undo' ? 'is not taken back' : 'is not done again'}: the same was changed since, by ${since}.`,
    hint: 'Nothing was changed yet. What shall be done?',
    actions: [
      ...(by.length > 0 && undoRedo === 'undo'
        ? [
            {
              words: by.length === 1 ? 'Take the later one back too' : `Take the ${by.length} later ones back too`,
              act: async () => tell(await undoWithLater(outcome), undoRedo, say),
            },
          ]
        : []),
      ...(canForce
        ? [
            {
              words: undoRedo === 'undo' ? 'Put back what was there before' : 'Do it over what is there',
              act: async () => tell(await undoOrRedoAllTheSame(number, undoRedo), undoRedo, say),
            },
          ]
        : []),
      { words: 'Leave it', act: () => Promise.resolve() },
    ],
  });
}
