'use client';

import { useEffect, useState } from 'react';
import { useWords } from '@/features/shared/words/use-words';

interface SeenCountProps {
  /** When the first note is due, in ms of `performance.now()`; null before that is known. */
  readonly dueMs: () => number | null;
  readonly beatMs: number;
  /** Beats of a bar. */
  readonly beats: number;
}

const LOOKS_EVERY_MS = 40;

/** The count, seen instead of heard: the beats of a bar, one after the other, from the count-in on. */
export function SeenCount({ dueMs, beatMs, beats }: SeenCountProps) {
  const w = useWords();
  const [beat, setBeat] = useState(0);
  useEffect(() => {
    const timer = setInterval(() => {
      const due = dueMs();
      if (due === null) return;
      const counted = Math.floor((performance.now() - due) / beatMs);
      setBeat(((counted % beats) + beats) % beats);
    }, LOOKS_EVERY_MS);
    return () => clearInterval(timer);
  }, [dueMs, beatMs, beats]);
  return (
    <p
      className="flex items-center gap-2"
      role="img"
      aria-label={w.ear.beat(beat + 1)}
      data-role="seen-count"
      data-beat={beat + 1}
    >
      {Array.from({ length: beats }, (_, i) => (
        <span
          key={i}
          className={`grid size-11 place-items-center rounded-full border-2 border-base-content text-lg font-semibold ${i === beat ? 'bg-neutral text-neutral-content' : ''}`}
        >
          {i + 1}
        </span>
      ))}
    </p>
  );
}
