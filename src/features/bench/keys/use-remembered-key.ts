'use client';

import { useEffect, useRef } from 'react';
import { change, type PieceRecord } from '@/data';

/** How long a key is looked at before it is noted: keys that are only passed through need not be. Unit: ms. */
const NOTED_AFTER_MS = 300;

/** Remembers the key that was looked at last, also where the teacher leaves at once. */
export function useRememberedKey(piece: PieceRecord, key: string | null, isGood: boolean): void {
  const pending = useRef<string | null>(null);
  const { id, lastKey } = piece;
  useEffect(() => {
    if (key === null || key === lastKey || !isGood) return;
    const note = (): void => {
      if (pending.current === null) return;
      void change({ kind: 'note.key', id, key: pending.current });
      pending.current = null;
    };
    pending.current = key;
    const timer = setTimeout(note, NOTED_AFTER_MS);
    window.addEventListener('pagehide', note);
    return () => {
      clearTimeout(timer);
      window.removeEventListener('pagehide', note);
    };
  }, [id, lastKey, key, isGood]);
  useEffect(
    () => () => {
      if (pending.current !== null) void change({ kind: 'note.key', id, key: pending.current });
    },
    [id],
  );
}
