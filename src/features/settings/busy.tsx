'use client';

import { ProgressBar } from '@/features/shared/parts/progress-bar';

interface BusyProps {
  readonly words: string | null;
  /** How much of it is done, from 0 to 1; null where that is not known. */
  readonly part?: number | null;
}

/** Says what is worked on while it takes long. */
export function Busy({ words, part = null }: BusyProps) {
  if (words === null) return null;
  return (
    <p role="status" className="mt-3 flex items-center gap-3 text-sm" data-role="busy">
      <ProgressBar done={part} of={1} words={words} />
      {words}
    </p>
  );
}

/** Shows something before work begins that leaves the page no time. */
export function shownFirst(show: () => void): Promise<void> {
  show();
  return new Promise((go) => requestAnimationFrame(() => setTimeout(go)));
}
