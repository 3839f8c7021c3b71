import type { Finger, Hand, NoteId, Score } from '../score';
import type { Courtesy } from '../notation';

/** One way in which a piece is made easier. Bars are indexes, from 0.
 * `hand`: one hand alone · `bars`: only these bars · `notes`: only these notes · `one-place`: moves by octave folded in · `beats`: the left hand on the beats
 * only, with finger 5 · `split-octave`: the same with the octave above each · `blocked`: broken chords struck at once · `roots`: the roots of chords only ·
 * `long`: one or two notes a bar that fill it · `tapping`: the rhythm of both hands on two lines. */
export type Transformation =
  | { readonly kind: 'hand'; readonly hand: Hand }
  | { readonly kind: 'bars'; readonly bars: readonly number[] }
  | { readonly kind: 'notes'; readonly notes: readonly NoteId[] }
  | { readonly kind: Exclude<Easing, 'tapping'> }
  | { readonly kind: 'tapping' };

/** Ways that need nothing but their name. */
export const EASINGS = ['one-place', 'beats', 'split-octave', 'blocked', 'roots', 'long', 'tapping'] as const;
export type Easing = (typeof EASINGS)[number];

/** What a stage of a piece kept and what it left out. */
export interface Staged {
  readonly score: Score;
  /** The pupil's notes that are there, in the order in which the bars have them. */
  readonly kept: readonly NoteId[];
  readonly dropped: readonly NoteId[];
  /** What is otherwise at notes that are there. */
  readonly changed: readonly ChangedNote[];
}

/** A note that is there and not as it was: by so many octaves, struck and held at another time, or with another finger. */
export type ChangedNote =
  | { readonly id: NoteId; readonly how: 'octave'; readonly octaves: number }
  | { readonly id: NoteId; readonly how: 'time' }
  | { readonly id: NoteId; readonly how: 'finger'; readonly finger: Finger | null };

/** Of which part a stage is, and how its signs are drawn. */
export interface StageFrame {
  readonly partId: string;
  readonly courtesy: Courtesy;
}
