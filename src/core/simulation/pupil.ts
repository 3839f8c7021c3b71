import type { AskedMusic, StruckKey } from '../asked';
import type { Hand, NoteId } from '../score';

/** What the simulated pupil does wrong. */
export const WEAKNESSES = [
  'forgets-signature',
  'forgets-accidental',
  'hits-next-key',
  'hits-any-key',
  'mistakes-octave',
  'drops-note',
  'adds-note',
  'comes-early',
  'comes-late',
  'hesitates',
  'begins-again',
  'lets-tie-go',
  'plays-through-rest',
  'stays-in-position',
  'fingers-off',
  'spreads-chord',
] as const;
export type Weakness = (typeof WEAKNESSES)[number];

/** A pupil who is not there. */
export interface Pupil {
  readonly seed: number;
  /** In the meter's beats. */
  readonly bpm: number;
  /** How far each key strays from its time, as standard deviation, and how far each moment does where the pulse is uneven. Unit: ms. */
  readonly jitterMs: number;
  readonly unevenMs: number;
  /** How far the tempo drifts, as share of it. */
  readonly drift: number;
  /** What goes wrong, in the order in which it is tried; each once, where the music has a place for it. */
  readonly weaknesses: readonly Weakness[];
}

/** Something that the pupil did wrong. Bar as printed; `notes` are those that were to be played. */
export interface Slip {
  readonly weakness: Weakness;
  readonly hand: Hand | null;
  readonly bar: string;
  readonly notes: readonly NoteId[];
}

/** What the pupil played, in order of time from the first note on, and what went wrong in it. */
export interface Performed {
  readonly keys: readonly StruckKey[];
  readonly slips: readonly Slip[];
}

/** A stroke on its way from the page to the keys: the note that it is for, null for none. */
export interface Stroke {
  readonly note: number | null;
  readonly moment: number;
  readonly midi: number;
  readonly downMs: number;
  readonly upMs: number;
  readonly velocity: number;
}

/** What a weakness needs to know. `msPerQuarter` is the tempo at a place of the music. */
export interface Playing {
  readonly music: AskedMusic;
  readonly strokes: readonly Stroke[];
  readonly msPerQuarter: number;
}
