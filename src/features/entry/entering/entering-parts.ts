import type { EntryView } from '@/core/views';
import type { Grid, PlayedKey } from '@/core/read';
import type { EntryStore, LockTold, PieceLock, StoreFault } from '@/data';
import type { Asked } from '@/crossing/guarded';
import type { EntryPageAsked, EntryService, ScreenCommand } from '@/contract/entry-questions';
import type { Trouble } from '@/contract/answer';
import type { Kept } from './keeper';

/** A piece that is being entered, as one tab shows it. */
export interface EnteringState {
  /** Null until the piece is open. */
  readonly view: EntryView | null;
  readonly musicXml: string | null;
  /** Said of what is shown. */
  readonly kept: Kept;
  /** Whether another tab is entering this piece: it is shown here as it becomes, and the first key goes on here. */
  readonly isElsewhere: boolean;
  /** Why the last key did nothing. */
  readonly notice: string | null;
  /** Why the piece cannot be shown: it is not on the shelf, the store did not answer, or what the core says of it. */
  readonly trouble: 'gone' | 'not-opened' | Trouble | null;
  /** Rises where the piece was opened anew, since it was changed elsewhere. */
  readonly opening: number;
}

/** What is told once, beside what is shown. `not-kept`: something that was entered last is not in the piece. */
export type EnteringTold =
  | { readonly kind: 'changed-elsewhere' }
  | { readonly kind: 'held-elsewhere' }
  | { readonly kind: 'not-kept'; readonly fault: StoreFault | null }
  | { readonly kind: 'trouble'; readonly trouble: Trouble };

export type EntryWorker = Pick<Asked<EntryService>, 'open' | 'press' | 'setOut' | 'abc' | 'abcDone' | 'played'>;

/** What entering is made of, apart from the page: the worker with the core, the store, and the lock that says who writes. */
export interface EnteringParts {
  readonly worker: EntryWorker;
  readonly store: EntryStore;
  readonly lock: (told: LockTold) => PieceLock;
  /** The time of a key press, never the same twice. Unit: ms since 1970. */
  readonly stamp: () => number;
  readonly hear: (midis: readonly number[]) => void;
  /** Whether anybody sees this tab; told by `seen` where that changes. */
  readonly isSeen: () => boolean;
}

/** The entering of one piece in one tab. */
export interface Entering {
  /** Begins, and says whom things are told that are not shown. Gives what ends it: everything is settled first, then others may write. */
  readonly begin: (tell: (told: EnteringTold) => void) => () => Promise<void>;
  readonly state: () => EnteringState;
  readonly listen: (tell: () => void) => () => void;
  /** How the page is set out; the piece is opened with the first one. */
  readonly setPage: (page: EntryPageAsked) => void;
  readonly press: (command: ScreenCommand) => void;
  /** Reads ABC into the piece as it is written. Gives what is wrong with it; null where nothing is. */
  readonly abc: (text: string) => Promise<Trouble | null>;
  readonly abcDone: () => void;
  readonly played: (keys: readonly PlayedKey[], msPerQuarter: number, grid: Grid) => void;
  /** This tab is looked at again. */
  readonly seen: () => void;
  /** Notes where entering stands: the tab may be gone the next moment. */
  readonly hidden: () => void;
  /** Resolves once everything that was pressed is kept, or told. */
  readonly settled: () => Promise<void>;
}

export const NOTHING_SHOWN: EnteringState = {
  view: null,
  musicXml: null,
  kept: { kind: 'keeping' },
  isElsewhere: false,
  notice: null,
  trouble: null,
  opening: 0,
};
