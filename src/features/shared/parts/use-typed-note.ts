'use client';

import { useEffect, useRef, useState, type ChangeEvent } from 'react';
import { typedPlace } from '@/data';

/** How long after the last key what was typed is kept, and how long at most while one types on. Unit: ms. */
const PAUSE_MS = 150;
const MOST_MS = 1000;

export interface TypedNote {
  readonly isKept: boolean;
  /** What the field gets. */
  readonly field: {
    readonly value: string;
    readonly onChange: (event: ChangeEvent<HTMLTextAreaElement | HTMLInputElement>) => void;
    readonly onBlur: () => void;
  };
}

/** A note that is kept at each short pause, and when its field, its screen or its tab is left. What is typed stays in this tab until it is kept, also over a
 * reload. `keep` says whether it was kept. */
export function useTypedNote(name: string, kept: string, keep: (note: string) => Promise<boolean>): TypedNote {
  const place = typedPlace(name);
  const [typed, setTyped] = useState<string | null>(() => sessionStorage.getItem(place));
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined);
  /** What was typed last and is not kept yet, and since when there is something that is not. */
  const pending = useRef<{ readonly keep: () => void; readonly sinceMs: number } | null>(null);
  const keepNow = async (note: string): Promise<void> => {
    clearTimeout(timer.current);
    pending.current = null;
    if (!(await keep(note))) return;
    if (sessionStorage.getItem(place) === note) sessionStorage.removeItem(place);
    setTyped((now) => (now === note ? null : now));
  };
  const write = (note: string): void => {
    setTyped(note);
    sessionStorage.setItem(place, note);
    clearTimeout(timer.current);
    const now = performance.now();
    const { sinceMs } = pending.current ?? { sinceMs: now };
    pending.current = { keep: () => void keepNow(note), sinceMs };
    timer.current = setTimeout(pending.current.keep, Math.min(PAUSE_MS, Math.max(0, sinceMs + MOST_MS - now)));
  };
  useEffect(() => {
    const keepPending = (): void => pending.current?.keep();
    // A tab that is hidden may be ended without a further word.
    const hidden = (): void => (document.visibilityState === 'hidden' ? keepPending() : undefined);
    document.addEventListener('visibilitychange', hidden);
    window.addEventListener('pagehide', keepPending);
    return () => {
      document.removeEventListener('visibilitychange', hidden);
      window.removeEventListener('pagehide', keepPending);
      keepPending();
    };
  }, []);
  const isKept = typed === null || typed === kept;
  return {
    isKept,
    field: {
      value: typed ?? kept,
      onChange: ({ target }) => write(target.value),
      onBlur: () => {
        if (!isKept && typed !== null) void keepNow(typed);
      },
    },
  };
}
