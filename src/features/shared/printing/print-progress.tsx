'use client';

import { Square } from 'lucide-react';
import { useWords } from '@/features/shared/words/use-words';
import type { PrintProgress } from './use-pdf';
import { ProgressBar } from '@/features/shared/parts/progress-bar';

interface PrintingProps {
  readonly progress: PrintProgress;
  readonly onStop: () => void;
}

/** How far a file is, and the button that stops it. */
export function PrintingStatus({ progress: { done, of }, onStop }: PrintingProps) {
  const w = useWords();
  return (
    <span className="flex items-center gap-2 text-sm" role="status" data-role="printing">
      <ProgressBar done={of === 0 ? null : done} of={of} />
      {w.handout.working(done, of)}
      <button type="button" className="btn btn-sm h-9 pointer-coarse:h-11" data-role="stop" onClick={onStop}>
        <Square size={14} aria-hidden /> {w.shared.stop}
      </button>
    </span>
  );
}
