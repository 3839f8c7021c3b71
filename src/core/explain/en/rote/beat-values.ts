import type { ValueType } from '../terms';

/** The note that a beat is, by the lower number of the meter. Source: common practice. */
export const BEAT_VALUES: readonly (readonly [value: ValueType, lower: number])[] = [
  ['whole', 1],
  ['half', 2],
  ['quarter', 4],
  ['eighth', 8],
  ['16th', 16],
  ['32nd', 32],
  ['64th', 64],
  ['128th', 128],
];
