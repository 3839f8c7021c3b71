/** The seven letters in order of the staff. A step is an index into this list: 0 is C, 6 is B. */
export const LETTERS = ['C', 'D', 'E', 'F', 'G', 'A', 'B'] as const;
export type Letter = (typeof LETTERS)[number];
export type Step = 0 | 1 | 2 | 3 | 4 | 5 | 6;

/** Place on the line of fifths of the natural letters C D E F G A B. Unit: fifths from C. Range -1..5.
 * Source: the chain of fifths F C G D A E B (common practice).
 * Checked by: pitch.test.ts (each value times 7, modulo 12, is the letter's semitone). */
export const STEP_FIFTHS = [0, 2, 4, -1, 1, 3, 5] as const;

/** Semitones above C of the natural letters. Range 0..11.
 * Source: the keyboard. Checked by: pitch.test.ts against STEP_FIFTHS. */
export const STEP_SEMITONES = [0, 2, 4, 5, 7, 9, 11] as const;

/** The largest alteration kept inside a computation: a triple sharp or flat. */
export const MAX_ALTER = 3;
