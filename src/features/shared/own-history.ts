'use client';

import { useEffect, useSyncExternalStore } from 'react';

/** The history of what is open on a screen: it takes the place of the studio's own while that screen is shown. */
export interface OwnHistory {
  readonly undo: string | null;
  readonly redo: string | null;
  readonly onUndo: () => void;
  readonly onRedo: () => void;
}

let shown: OwnHistory | null = null;
const listeners = new Set<() => void>();

function show(history: OwnHistory | null): void {
  shown = history;
  listeners.forEach((tell) => tell());
}

function listen(tell: () => void): () => void {
  listeners.add(tell);
  return () => listeners.delete(tell);
}

/** Puts a screen's own history behind the buttons at the top. It must keep its identity while it says the same. */
export function useOwnHistory(history: OwnHistory): void {
  useEffect(() => {
    show(history);
    return () => show(null);
  }, [history]);
}

/** The history that the screen brought along; null where it has none of its own. */
export function useShownHistory(): OwnHistory | null {
  return useSyncExternalStore(listen, () => shown, () => null);
}
