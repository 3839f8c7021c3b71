'use client';

import { useEffect } from 'react';
import { change } from '@/data';

/** A piece that is only passed through is not used. Unit: ms. */
const NOTED_AFTER_MS = 1_500;

/** Notes that a piece was opened, for the order of the shelf. */
export function useNotedUse(id: string): void {
  useEffect(() => {
    const timer = setTimeout(() => void change({ kind: 'note.used', id, atMs: Date.now() }), NOTED_AFTER_MS);
    return () => clearTimeout(timer);
  }, [id]);
}
