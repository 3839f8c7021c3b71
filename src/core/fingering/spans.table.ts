import { OCTAVE_MM } from '../keyboard';

/** One half step of the span table along the keyboard. Unit: mm. Source: the octave in twelve equal parts. */
export const SEMITONE_MM = OCTAVE_MM / 12;

/** How far two fingers reach from the lower-numbered to the higher-numbered: least and greatest that is practical,
 * comfortable and relaxed. Negative: the thumb goes under, or the finger over. Unit: semitones; rows by pair of fingers, columns
 * least practical, least comfortable, least relaxed, greatest relaxed, greatest comfortable, greatest practical.
 * Source: Parncutt, Sloboda, Clarke, Raekallio & Desain, Music Perception 14(4), 1997, written down from memory.
 * Checked by: hand-measure.test.ts (columns rise in every row). */
export const PARNCUTT_SPANS = {
  '12': [-5, -3, 1, 5, 8, 10],
  '13': [-4, -2, 3, 7, 10, 12],
  '14': [-3, -1, 5, 9, 12, 14],
  '15': [-1, 1, 7, 10, 13, 15],
  '23': [1, 1, 1, 2, 3, 5],
  '24': [1, 1, 3, 4, 5, 7],
  '25': [2, 2, 5, 6, 8, 10],
  '34': [1, 1, 1, 2, 2, 4],
  '35': [1, 1, 3, 4, 5, 7],
  '45': [1, 1, 1, 2, 3, 5],
} as const;

/** The stretch from the tip of finger 1 to the tip of finger 5 that the table above describes. Unit: mm.
 * Source: its fifteen semitones between 1 and 5. */
export const TABLE_SPAN_MM = 15 * SEMITONE_MM;
