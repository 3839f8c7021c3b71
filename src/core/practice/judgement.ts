import type { Hand, NoteId } from '../score';
import type { PlayFault } from './play-fault';

/** What was heard of a performance, against what was asked. */
export interface Judgement {
  /** Right notes and unbroken pulse, from beginning to end. */
  readonly clean: boolean;
  /** How many notes were asked for, and how many of them were right and in time the last time that they were played. */
  readonly written: number;
  readonly right: number;
  /** `bpm` in the meter's beats, null where there was too little to tell. `spreadMs`: how far times lay from an even pulse, beside what is named as fault. */
  readonly pulse: { readonly bpm: number | null; readonly steady: boolean; readonly spreadMs: number };
  /** How loud: the spread of each hand's velocities, and how much louder the right is than the left. Null where a hand has nothing to compare. */
  readonly evenness: {
    readonly loudness: Readonly<Record<Hand, number | null>>;
    readonly balance: number | null;
  };
  /** Where the player began, anew each time, and how far it went. Bars as printed. */
  readonly runs: readonly PlayedRun[];
  readonly faults: readonly PlayFault[];
  /** What became of each key that was struck, in order of time. */
  readonly keys: readonly JudgedKey[];
  /** What is told beside, and never counts. */
  readonly heard: readonly HeardFact[];
  /** Notes that a microphone did not hear clearly: they count as right, and whoever teaches may want to know. */
  readonly unclear: readonly NoteId[];
  /** The tempo of the last run, bar by bar, in the meter's beats. */
  readonly tempo: readonly { readonly bar: string; readonly bpm: number }[];
  /** What to do next; null after a clean performance. */
  readonly next: NextThing | null;
}

/** How the page was kept beside notes and pulse. `detached-held`: notes with a dot that were held on; `hand-behind`: a hand that came after the other all the way, by less than
 * makes it late (ms); `swung`: halves of a beat that were uneven all the way, the first `long` or `short`, the longer so many times as long as the shorter. */
export type HeardFact =
  | {
      readonly kind: 'detached-held';
      readonly hand: Hand;
      readonly bars: readonly string[];
      readonly notes: readonly NoteId[];
    }
  | { readonly kind: 'hand-behind'; readonly hand: Hand; readonly ms: number }
  | { readonly kind: 'swung'; readonly first: 'long' | 'short'; readonly times: number };

export interface PlayedRun {
  readonly fromBar: string;
  readonly toBar: string;
}

export interface JudgedKey {
  readonly midi: number;
  readonly downMs: number;
  readonly note: NoteId | null;
  readonly fault: PlayFault | null;
}

/** One thing to do next, made of what went wrong: the bars as printed, the hand, the tempo in beats a minute, and the fault that it is about. */
export interface NextThing {
  readonly from: string;
  readonly to: string;
  readonly fromIndex: number;
  readonly toIndex: number;
  readonly hand: Hand | 'both';
  readonly bpm: number | null;
  readonly way: 'find-first' | 'slowly' | 'through';
  readonly about: PlayFault;
}
