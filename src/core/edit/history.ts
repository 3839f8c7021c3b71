import { assertNever } from '../base';
import type { Score } from '../score';
import type { EditLabel } from './label';
import { applyEdit, editsBetween, type ScoreEdit } from './score-edit';

/** One thing that was done: what it was, when, where the caret stood before it, and the steps that turn it (back while it is done, forth once it
 * is undone). `C` is the caret of whoever edits. */
export interface Change<C> {
  readonly label: EditLabel;
  readonly atMs: number;
  readonly steps: readonly ScoreEdit[];
  readonly caret: C;
}

/** What was done and what was undone, as a value beside the score. The last done is at the end; so is the next to be done again. */
export interface History<C> {
  readonly done: readonly Change<C>[];
  readonly undone: readonly Change<C>[];
}

export const NO_HISTORY: History<never> = { done: [], undone: [] };

/** A score with the history that led to it. */
export interface Edited<C> {
  readonly score: Score;
  readonly history: History<C>;
}

/** Notes a change of the score. What was undone before can then no longer be done again. Null where nothing changed. */
export function record<C>(
  { score, history }: Edited<C>,
  after: Score,
  { label, atMs, caret }: { readonly label: EditLabel; readonly atMs: number; readonly caret: C },
): Edited<C> | null {
  const steps = editsBetween(score, after);
  if (steps.length === 0) return null;
  const applied = applyAll(score, steps);
  return {
    score: applied.score,
    history: { done: [...history.done, { label, atMs, steps: applied.inverse, caret }], undone: [] },
  };
}

/** Takes the last change back, or does the last undone one again; `caret` is where it stands now. Null where there is none. */
export function undoOrRedo<C>(
  edited: Edited<C>,
  direction: 'undo' | 'redo',
  caret: C,
): (Edited<C> & { readonly change: Change<C> }) | null {
  switch (direction) {
    case 'undo':
      return undoOrRedoOne(edited, edited.history.done.at(-1), caret, (turned) => ({
        done: edited.history.done.slice(0, -1),
        undone: [...edited.history.undone, turned],
      }));
    case 'redo':
      return undoOrRedoOne(edited, edited.history.undone.at(-1), caret, (turned) => ({
        done: [...edited.history.done, turned],
        undone: edited.history.undone.slice(0, -1),
      }));
    default:
      return assertNever(direction);
  }
}

function undoOrRedoOne<C>(
  { score }: Edited<C>,
  change: Change<C> | undefined,
  caret: C,
  place: (turned: Change<C>) => History<C>,
): (Edited<C> & { readonly change: Change<C> }) | null {
  if (!change) return null;
  const applied = applyAll(score, change.steps);
  return { score: applied.score, history: place({ ...change, steps: applied.inverse, caret }), change };
}

/** Applies steps one after the other; the inverse ones come in the order in which they take them back. */
function applyAll(
  score: Score,
  steps: readonly ScoreEdit[],
): { readonly score: Score; readonly inverse: readonly ScoreEdit[] } {
  return steps.reduce<{ readonly score: Score; readonly inverse: readonly ScoreEdit[] }>(
    (at, step) => {
      const applied = applyEdit(at.score, step);
      return { score: applied.score, inverse: [applied.inverse, ...at.inverse] };
    },
    { score, inverse: [] },
  );
}
