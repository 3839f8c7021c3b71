import { memo } from 'react';
import { useWords } from '@/features/shared/words/use-words';

interface StepsPanelProps {
  readonly done: readonly string[];
  readonly undone: readonly string[];
  readonly onUndoOrRedo: (method: 'undo' | 'redo', times: number) => void;
}

/** How many steps are listed at once: the last ones, of which a teacher takes back. */
const SHOWN = 60;

/** What was done to this piece, the last on top; above it what was taken back. A press goes to that step. */
export const StepsPanel = memo(function StepsPanel({ done, undone, onUndoOrRedo: onTurn }: StepsPanelProps) {
  const w = useWords();
  if (done.length + undone.length === 0) return <p className="text-sm">{w.entry.nothingWasEnteredOrChanged}</p>;
  const taken = undone.slice(-SHOWN);
  const last = done.slice(-SHOWN).toReversed();
  return (
    <ol className="flex flex-col text-sm" data-role="steps" aria-label={w.entry.stepsLastFirst}>
      {taken.map((words, i) => (
        <li key={`u${undone.length - taken.length + i}`}>
          <button
            type="button"
            className="min-h-8 w-full cursor-pointer rounded px-1 text-left text-secondary line-through hover:bg-base-200"
            title={w.entry.doThisAgain}
            onClick={() => onTurn('redo', taken.length - i)}
          >
            {words}
          </button>
        </li>
      ))}
      {last.map((words, i) => (
        <li key={`d${done.length - i}`} aria-current={i === 0 ? 'step' : undefined}>
          <button
            type="button"
            className={`min-h-8 w-full cursor-pointer rounded px-1 text-left hover:bg-base-200 ${i === 0 ? 'font-semibold' : ''}`}
            title={w.entry.takeBackEverythingAfterThis}
            onClick={() => onTurn('undo', i)}
          >
            {words}
          </button>
        </li>
      ))}
      {done.length > SHOWN ? (
        <li className="px-1 text-secondary">{w.entry.andStepsBefore(done.length - SHOWN)}</li>
      ) : null}
    </ol>
  );
});
