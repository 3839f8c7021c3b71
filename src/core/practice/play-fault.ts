import type { Finger, Hand, NoteId } from '../score';
import type { Pitch } from '../pitch';
import type { Shift } from './causes/cause';

/** What can go wrong in playing, named by its cause. Source: the scripting interface. */
export const PLAY_FAULT_KINDS = [
  'forgot-signature',
  'forgot-accidental',
  'neighbour-key',
  'wrong-key',
  'octave',
  'missing',
  'extra',
  'early',
  'late',
  'hesitation',
  'stopped',
  'too-short',
  'too-long',
  'old-position',
  'finger-off',
  'other-hand',
  'spread-chord',
  'transposed',
  'one-hand',
  'hand-late',
  'corrected',
] as const;
export type PlayFaultKind = (typeof PLAY_FAULT_KINDS)[number];

/** What is told and is no fault: how long notes are held against the page, and a wrong key that the player heard and put right. */
export const NOT_SCORED: readonly PlayFaultKind[] = ['too-short', 'too-long', 'corrected'];

/** Something that went wrong, once for its one cause. */
export interface PlayFault {
  readonly kind: PlayFaultKind;
  /** Null where both hands are concerned. */
  readonly hand: Hand | null;
  /** Where it began; the bar as it is printed. */
  readonly bar: string;
  readonly barIndex: number;
  readonly beat: number;
  /** All notes that it concerns, in order; none for a key that nothing was asked of. */
  readonly notes: readonly NoteId[];
  /** The first note as written, and the key that was struck for it; null where there is none. */
  readonly written: Pitch | null;
  readonly played: Pitch | null;
  readonly finger: Finger | null;
  /** How far off in time, later is positive; null where time is not the matter. Unit: ms. */
  readonly offMs: number | null;
  /** Which run it was in, counted from 0, and the keys that tell of it, as indexes of what was struck; none where something is missing. */
  readonly run: number;
  readonly keys: readonly number[];
  /** Where the player began again; for `stopped` alone, null where not at all. */
  readonly againAt: string | null;
  /** How far a cause goes that concerns a whole stretch; null for what went wrong at one place. */
  readonly stretch: FaultStretch | null;
}

/** A stretch of bars with one cause. */
export interface FaultStretch {
  /** The last bar, as it is printed, and as an index; and whether it is all that was asked for. */
  readonly toBar: string;
  readonly toBarIndex: number;
  readonly isWhole: boolean;
  /** How far from the page it was played, for `transposed`: letters, and half steps where the distance was the same everywhere. Higher is positive. */
  readonly shift: Shift | null;
  /** By how many beats a hand was behind the other, ahead of it below 0, for `hand-late`. */
  readonly beats: number | null;
}
