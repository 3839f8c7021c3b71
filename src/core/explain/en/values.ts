import type { NoteValue } from '../../time';
import type { Terms, ValueType } from './terms';

/** Lengths that have a name of their own, in quarters. */
const LENGTHS: readonly (readonly [number, 0 | 1, ValueType])[] = [
  [1 / 8, 0, '32nd'],
  [1 / 4, 0, '16th'],
  [3 / 8, 1, '16th'],
  [1 / 2, 0, 'eighth'],
  [3 / 4, 1, 'eighth'],
  [1, 0, 'quarter'],
  [1.5, 1, 'quarter'],
  [2, 0, 'half'],
  [3, 1, 'half'],
  [4, 0, 'whole'],
  [6, 1, 'whole'],
];

/** A length in quarters by its name: `dotted half`; without one it is counted, `5 quarters`. */
export function lengthWords(t: Terms, quarters: number): string {
  const named = LENGTHS.find(([length]) => length === quarters);
  if (!named) return `${quarters} ${t.values('quarter')}`;
  return `${named[1] === 1 ? 'dotted ' : ''}${t.value(named[2])}`;
}

const DOTS = ['', 'dotted ', 'double dotted '];

/** A value of print: `dotted quarter`, `eighth of a triplet`. */
export function valueWords(t: Terms, { type, dots }: NoteValue, isTuplet: boolean): string {
  return `${DOTS[dots]}${t.value(type as ValueType)}${isTuplet ? ' of a triplet' : ''}`;
}

/** A grid for rhythm, in parts of a quarter: `sixteenths`, `eighth triplets`. */
export function gridWords(t: Terms, parts: 1 | 2 | 3 | 4 | 6 | 8): string {
  switch (parts) {
    case 1:
      return t.values('quarter');
    case 2:
      return t.values('eighth');
    case 3:
      return `${t.value('eighth')} triplets`;
    case 4:
      return t.values('16th');
    case 6:
      return `${t.value('16th')} triplets`;
    case 8:
      return t.values('32nd');
  }
}
