/** Movable do: the syllables of the degrees of major 1..7, lowered by a half step, as they are, and raised.
 * Source: common practice (the chromatic syllables used in English-speaking countries), from memory.
 * Checked by: labels.test.ts (the chromatic scale up and down). */
export const MOVABLE_SYLLABLES: readonly (readonly [lowered: string, plain: string, raised: string])[] = [
  ['de', 'do', 'di'],
  ['ra', 're', 'ri'],
  ['me', 'mi', 'ma'],
  ['fe', 'fa', 'fi'],
  ['se', 'sol', 'si'],
  ['le', 'la', 'li'],
  ['te', 'ti', 'ty'],
];

/** Fixed do: the syllables of the letters C D E F G A B. Source: common practice. */
export const FIXED_SYLLABLES = ['do', 're', 'mi', 'fa', 'sol', 'la', 'si'] as const;

/** What is said between the beats: at half a beat, at its quarters, and at its thirds. Unit: parts of a beat.
 * Source: common practice of counting ("1 e & a", "1 la li"), from memory. */
export const BETWEEN_BEATS: readonly (readonly [part: number, said: string])[] = [
  [0.25, 'e'],
  [0.5, '&'],
  [0.75, 'a'],
  [1 / 3, 'la'],
  [2 / 3, 'li'],
];
