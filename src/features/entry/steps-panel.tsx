import { memo } from 'react';

interface StepsPanelProps {
  readonly done: readonly string[];
  readonly undone: readonly string[];
  readonly onUndoOrRedo: (method: 'undo' | 'redo', times: number) => void;
}

/** How many steps are listed at once: the last ones, of which a teacher takes back. */
const SHOWN = 60;

/** What was done to this piece, the last on top; above it what was taken back. A press goes to that step. */
export const StepsPanel = memo(function StepsPanel({ done, undone, onUndoOrRedo: onTurn }: StepsPanelProps) {
  if (done.length + undone.length === 0)
    return (
      <p className="text-sm">
        Nothing was entered or changed here yet. Every step is listed, and can be taken back at any time, also after a
        reload.
      </p>
    );
  const taken = undone.slice(-SHOWN);
  const last = done.slice(-SHOWN).toReversed();
  return (
    <ol className="flex flex-col text-sm" data-role="steps" aria-label="Steps, the last first">
      {taken.map((words, i) => (
        <li key={`u${undone.length - taken.length + i}`}>
          <button
            type="button"
            className="min-h-8 w-full cursor-pointer rounded px-1 text-left text-secondary line-through hover:bg-base-200"
            title="Do this again"
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
            title="Take back everything after this"
            onClick={() => onTurn('undo', i)}
          >
            {words}
          </button>
        </li>
      ))}
      {done.length > SHOWN ? <li className="px-1 text-secondary">… and {done.length - SHOWN} steps before</li> : null}
    </ol>
  );
});
