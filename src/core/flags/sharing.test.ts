import { describe, expect, it } from '@jest/globals';
import { handLine } from '../../../tests/support/passages';
import type { HandNote } from '../score';
import { canOtherHandTake } from './sharing';

/** Whether the left hand could take the lowest note of the right hand's first chord. */
function canTake(right: string, left: string, spanMm: number = 180): boolean {
  const own = handLine('right', right);
  const others = handLine('left', left).map((note) => ({ ...note, id: `left-${note.id}` }));
  return canOtherHandTake(own[0] as HandNote, [...own, ...others], spanMm);
}

describe('canOtherHandTake', () => {
  it.each([
    ['has a key near by', '[C4 D5]', 'G3', true],
    ['is too far away', '[C4 D5]', 'C2', false],
    ['is on that very key', '[C4 D5]', 'C4', false],
    ['has all fingers in use', '[C4 D5]', '[E3 F3 G3 A3 B3]', false],
    ['has four fingers in use', '[C4 D5]', '[F3 G3 A3 B3]', true],
    ['moves away while the note sounds', '[C4 D5]:4', 'B3 G2 B3 G2', false],
    ['stays near while the note sounds', '[C4 D5]:4', 'B3 A3 G3 A3', true],
    ['rests, and was near by last', 'r:2 [C4 D5]', 'A3', true],
    ['rests, and was far away last', 'r:2 [C4 D5]', 'C2', false],
  ])('when the other hand %s: %s over %s is %s', (_, right, left, expected) => {
    expect(canTake(right, left)).toBe(expected);
  });

  it('asks the hand for no more than an easy part of its reach', () => {
    expect(canTake('[C4 D5]', 'D3', 206)).toBe(true);
    expect(canTake('[C4 D5]', 'D3', 150)).toBe(false);
  });

  it('is impossible where there is no other hand', () => {
    const own = handLine('right', '[C4 D5]');
    expect(canOtherHandTake(own[0] as HandNote, own, 206)).toBe(false);
  });
});
