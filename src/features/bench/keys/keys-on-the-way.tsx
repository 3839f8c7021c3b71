'use client';

import type { Progress } from './use-ladder';
import { useWords } from '@/features/shared/words/use-words';
import { ProgressBar } from '@/features/shared/parts/progress-bar';

interface KeysOnTheWayProps {
  readonly progress: Progress;
  readonly onStop: () => void;
  readonly onGoOn: () => void;
}

/** Stands where the key strip will be: how many keys are worked out, and a way to stop. */
export function KeysOnTheWay({ progress, onStop, onGoOn }: KeysOnTheWayProps) {
  const w = useWords();
  return (
    <div
      className="mx-4 mb-1.5 flex h-12 shrink-0 items-center gap-3 rounded-box border border-base-300 px-4"
      role="status"
    >
      <ProgressBar done={progress.done} of={progress.of} words={w.bench.keysWorkedOut} />
      <span>
        {progress.isStopped
          ? w.bench.stoppedAfterOfKeys(progress.done, progress.of)
          : w.bench.tryingHandsInAllKeys(progress.done, progress.of)}
      </span>
      <button type="button" className="btn btn-sm h-9" onClick={progress.isStopped ? onGoOn : onStop}>
        {progress.isStopped ? w.bench.tryThemAll : w.shared.stop}
      </button>
    </div>
  );
}
