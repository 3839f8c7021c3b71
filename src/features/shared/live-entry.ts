'use client';

/** The piece that is being entered in this tab: while it is, its steps are turned where they were made. */
export interface LiveEntry {
  readonly piece: string;
  /** Resolves once everything that was pressed is kept. */
  readonly settled: () => Promise<void>;
  readonly undoOrRedo: (undoRedo: 'undo' | 'redo') => Promise<void>;
}

let live: LiveEntry | null = null;

/** Says which piece is being entered; gives what says that it no longer is. */
export function beginLiveEntry(entry: LiveEntry): () => void {
  live = entry;
  return () => {
    if (live === entry) live = null;
  };
}

export function liveEntry(): LiveEntry | null {
  return live;
}
