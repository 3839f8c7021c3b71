'use client';

/** The piece that is being entered in this tab: while it is, its steps are turned where they were made. */
export interface LiveEntry {
  readonly piece: string;
  /** Resolves once everything that was pressed is kept. */
  readonly settled: () => Promise<void>;
  readonly undoOrRedo: (undoRedo: 'undo' | 'redo') => Promise<void>;
}

let live: LiveEntry | null = null;
/** What was pressed last where nothing is entered any more. */
let left: Promise<void> = Promise.resolve();

/** Says which piece is being entered; gives what says that it no longer is. */
export function beginLiveEntry(entry: LiveEntry): () => void {
  live = entry;
  return () => {
    if (live !== entry) return;
    live = null;
    left = entry.settled();
  };
}

/** Resolves once everything that was pressed is kept, also on a screen that was left meanwhile. What goes on from what was entered waits for it. */
export async function entrySettled(): Promise<void> {
  await (live?.settled() ?? left);
}

export function liveEntry(): LiveEntry | null {
  return live;
}
