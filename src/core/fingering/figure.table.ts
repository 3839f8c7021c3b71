/** Shapes of three keys, by the letters of the upper two above the lowest, and the fingers of each hand, low note first; `/` where either is written.
 * Source: handbook, accompaniment shapes (common practice). Checked by: tests/truth. */
export const CHORD_SHAPES: Readonly<Record<string, { readonly right: string; readonly left: string }>> = {
  '2,4': { right: '1 3 5', left: '5 3 1' },
  '2,5': { right: '1 2 5', left: '5 3 1' },
  '3,5': { right: '1 3 5', left: '5 2 1' },
  '4,5': { right: '1 2/4 5', left: '5 2 1' },
};

/** The orders in which the keys of a broken chord are played, lowest first as 0. The four of an Alberti bass, those of a broken triad there and back, and a
 * triad that rises twice. Source: handbook, accompaniment shapes. */
export const BROKEN_ORDERS: readonly string[] = ['0212', '0121', '012012'];

/** Two keys in turn, or struck at once over a bass: the left hand's fingers by the letters between them, low note first.
 * Source: handbook, accompaniment shapes. */
export const ROCKING: Readonly<Record<number, string>> = { 4: '5 1', 5: '5 1', 7: '5 1' };
export const OVER_BASS: Readonly<Record<number, string>> = { 1: '2 1', 2: '3 1', 4: '5 1', 5: '5 1' };

/** A fifth that a sixth over the same root follows: in a line 2 leaves the thumb to the sixth, detached the thumb moves. Source: handbook, left-hand two-note
 * pattern. */
export const FIFTH_THEN_SIXTH = { fifth: '5 2', detached: '5 1', sixth: '5 1' } as const;
