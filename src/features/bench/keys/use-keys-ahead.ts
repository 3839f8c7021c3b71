'use client';

import { useEffect } from 'react';

/** While a key is looked at, prepares its neighbours in the strip, the next one first: one press then shows them at once.
 * One after the other, and no further once another key is shown, so that they are never in its way for long. */
export function useKeysAhead(
  keys: readonly string[],
  shown: string | null,
  prepare: (key: string) => Promise<void>,
): void {
  useEffect(() => {
    const at = shown === null ? -1 : keys.indexOf(shown);
    if (at < 0) return;
    let isWanted = true;
    const ahead = async (): Promise<void> => {
      for (const by of [1, -1]) {
        const key = keys[(at + by + keys.length) % keys.length];
        if (isWanted && key !== undefined) await prepare(key);
      }
    };
    void ahead();
    return () => {
      isWanted = false;
    };
  }, [keys, shown, prepare]);
}
