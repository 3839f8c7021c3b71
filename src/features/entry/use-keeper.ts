'use client';

import { useCallback, useEffect, useRef, useState } from 'react';
import { noteEntered, settleEntered, studioDatabase, type Entered } from '@/data';
import { useMessages } from '@/features/shared/messages';

/** How long nothing must be entered before what was noted goes into the piece itself. Unit: ms. */
const SETTLES_AFTER_MS = 1200;

export interface Keeper {
  /** Whether everything is in the piece itself. */
  readonly isKept: boolean;
  readonly keep: (entered: Entered) => void;
  readonly flush: () => Promise<void>;
}

/** Keeps what is entered: noted at once with every key press, and put into its piece when the hands rest or the screen is left. */
export function useKeeper(id: string): Keeper {
  const { say } = useMessages();
  const [isKept, setKept] = useState(true);
  const timer = useRef<ReturnType<typeof setTimeout> | undefined>(undefined);
  /** What could not be noted, to be tried again with the next. */
  const left = useRef<Entered | null>(null);
  const last = useRef<Promise<void>>(Promise.resolve());

  const flush = useCallback(async (): Promise<void> => {
    clearTimeout(timer.current);
    const noted = last.current;
    await noted;
    await settleEntered(studioDatabase());
    // What was entered meanwhile settles later.
    if (noted === last.current && left.current === null) setKept(true);
  }, []);

  const keep = useCallback(
    (entered: Entered): void => {
      const wanted = left.current ? joined(left.current, entered) : entered;
      left.current = null;
      last.current = noteEntered(studioDatabase(), id, wanted).catch(() => {
        left.current = left.current ? joined(wanted, left.current) : wanted;
        say({ kind: 'trouble', text: 'What was entered last could not be kept.', hint: 'Look whether there is room left on this device; it is tried again with the next key.' });
      });
      setKept(false);
      clearTimeout(timer.current);
      timer.current = setTimeout(() => void flush(), SETTLES_AFTER_MS);
    },
    [id, say, flush],
  );
  useEffect(() => () => void flush(), [flush]);
  return { isKept, keep, flush };
}

/** Two things to be kept as one: of a step that is in both, the later. */
function joined(first: Entered, then: Entered): Entered {
  const changed = new Map([...first.changed, ...then.changed].map((step) => [step.number, step]));
  return { ...then, changed: [...changed.values()].filter(({ number }) => number < then.count) };
}
