import { describe, expect, it } from '@jest/globals';
import type { KeyDown, Moment } from '@/core/views';
import { struckAt, takenOf } from './taken-note';

const key = (noteId: string, isStruck: boolean): KeyDown => ({
  noteId,
  hand: 'right',
  midi: 60,
  finger: 1,
  isBlack: false,
  isStruck,
  name: 'C4',
  otherName: 'D♭♭4',
});
const moment = (bar: string, beat: number, keys: readonly KeyDown[]): Moment => ({
  bar,
  beat,
  barIndex: 0,
  keys,
  keysUnderFingers: { right: null, left: null },
});

const VIEW = {
  momentsAfter: [moment('1', 1, [key('a', true)]), moment('1', 2.5, [key('a', false), key('b', true), key('c', true)])],
};

describe('the note that is taken up', () => {
  it('is one that is struck at the place: what is only held is not', () => {
    expect(struckAt(VIEW, '1:2.5').map(({ noteId }) => noteId)).toEqual(['b', 'c']);
  });

  it('is none where the address has no place, or one that is not in the piece', () => {
    expect([struckAt(VIEW, null), struckAt(VIEW, '9:1'), struckAt(null, '1:1')]).toEqual([[], [], []]);
  });

  it('is the first of a chord until another of it is taken up; a note taken up elsewhere does not count', () => {
    const struck = struckAt(VIEW, '1:2.5');
    expect([
      takenOf(struck, null)?.noteId,
      takenOf(struck, 'c')?.noteId,
      takenOf(struck, 'a')?.noteId,
      takenOf([], 'a'),
    ]).toEqual(['b', 'c', 'b', null]);
  });
});
