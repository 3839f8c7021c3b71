'use client';

import { useEffect, useRef, useState, type ChangeEvent } from 'react';

/** How long after the last key what was typed is kept. Unit: ms. */
const PAUSE_MS = 900;

export interface TypedNote {
  readonly isKept: boolean;
  /** What the field gets. */
  readonly field: {
    readonly value: string;
    readonly onChange: (event: ChangeEvent<HTMLTextAreaElement | HTMLInputElement>) => void;
    readonly onBlur: () => void;
  };
}

/** A note that is kept at each pause, and when its field or its screen is left. What is typed stays in this tab until it is kept, also over a reload. `keep`
 * says whether it was kept. */
export function useTypedNote(name: string, kept: string, keep: (note: string) => Promise<boolean>): TypedNote {
  const place = `new-thumb-form/${name}`;
  const [typed, setTyped] = useState<string | null>(() => sessionStorage.getItem(place));
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined);
  /** What was typed last and is not kept yet. */
  const pending = useRef<(() => void) | null>(null);
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
    pending.current = () => void keepNow(note);
    timer.current = setTimeout(pending.current, PAUSE_MS);
  };
  // Whoever leaves the screen before the pause has kept it too.
  useEffect(() => () => pending.current?.(), []);
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
