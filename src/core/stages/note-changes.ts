import type { Finger, NoteId } from '../score';
import type { Ticks } from '../time';

/** What becomes of notes, by their ids; notes that are not named stay as they are. */
export interface NoteChanges {
  readonly dropped: ReadonlySet<NoteId>;
  readonly octaves: ReadonlyMap<NoteId, number>;
  readonly fingers: ReadonlyMap<NoteId, Finger | null>;
  /** When a note is struck, from the beginning of its bar, and for how long. */
  readonly times: ReadonlyMap<NoteId, { readonly onset: Ticks; readonly duration: Ticks }>;
}

export const NO_CHANGES: NoteChanges = {
  dropped: new Set(),
  octaves: new Map(),
  fingers: new Map(),
  times: new Map(),
};
