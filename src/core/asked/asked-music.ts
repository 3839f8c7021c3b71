import type { Finger, Hand, NoteId } from '../score';
import type { Pitch } from '../pitch';

/** A note that a player is asked to strike: ties joined, repeats played out. Times in quarter notes from the first bar that is asked for. */
export interface AskedNote {
  /** The note's id in the piece; a note that is repeated has the same each time. */
  readonly id: NoteId;
  readonly hand: Hand;
  readonly bar: string;
  readonly barIndex: number;
  readonly beat: number;
  readonly at: number;
  readonly length: number;
  readonly pitch: Pitch;
  readonly midi: number;
  readonly finger: Finger | null;
  /** What the key signature does to its letter: 1 for a sharp, -1 for a flat. */
  readonly signatureAlter: number;
  /** What else the page asks: a grace note may be left out, a tied one is held on, a detached one let go, an ornamented one has notes around it. */
  readonly isGrace: boolean;
  /** Where the first of tied notes ends: what is let go there was not held on. Null where nothing is tied. */
  readonly tiedFrom: number | null;
  readonly isDetached: boolean;
  readonly hasOrnament: boolean;
  /** Whether its chord is to be rolled, one key after the other. */
  readonly isRolled: boolean;
  /** Which of its hand's frames it lies in; null where no fingers are known. */
  readonly frame: number | null;
}

/** The keys under the five fingers of a hand where it sits, as MIDI numbers, finger 1 first; null where a finger has no key of its own. */
export interface HandFrame {
  readonly hand: Hand;
  readonly keys: readonly (number | null)[];
}

/** Everything that is to be struck at one time, by both hands; notes as indexes. Grace notes belong to the note that they come before. */
export interface AskedMoment {
  readonly at: number;
  readonly notes: readonly number[];
  readonly barIndex: number;
  /** Whether it is the first of its bar, or stands on a beat: where a player begins anew. */
  readonly place: 'bar' | 'beat' | 'between';
  /** Whether bars were left out in front of it: nobody counts the time there. */
  readonly isAfterCut: boolean;
}

/** A bar as it is played, with its place and the length of its beat in quarter notes. */
export interface AskedBar {
  readonly index: number;
  readonly number: string;
  readonly at: number;
  readonly length: number;
  readonly beat: number;
  /** Sharps of its signature as it begins, flats below 0. */
  readonly fifths: number;
}

/** What a player is asked to play. Notes in order of time, low ones first. */
export interface AskedMusic {
  readonly notes: readonly AskedNote[];
  readonly moments: readonly AskedMoment[];
  readonly bars: readonly AskedBar[];
  readonly frames: Readonly<Record<Hand, readonly HandFrame[]>>;
  /** What the hand that is not asked for would play in these bars. */
  readonly others: readonly AskedNote[];
}
