import type { Shift } from './cause';

/** Half steps and letters of the intervals up to an octave, the usual name of each. Source: common practice. */
const INTERVALS = [
  [1, 1],
  [1, 2],
  [2, 3],
  [2, 4],
  [3, 5],
  [3, 6],
  [4, 7],
  [5, 8],
  [5, 9],
  [6, 10],
  [6, 11],
  [7, 12],
  [14, 24],
] as const;

/** In the signature's own notes a hand may sit a third to a fifth off; a second off is one finger beside, which is told as such. */
const LETTERS = [2, 3, 4] as const;

/** Everything that is tried where a hand may have sat elsewhere. */
export const SHIFTS: readonly Shift[] = [1, -1].flatMap((way) => [
  ...INTERVALS.map(([letters, halfSteps]) => ({ letters: way * letters, halfSteps: way * halfSteps })),
  ...LETTERS.map((letters) => ({ letters: way * letters, halfSteps: null })),
]);
