import { describe, expect, it } from '@jest/globals';
import { ownOrderOf, withOwnOrder } from './own-order';

describe('the teacher’s own order of keys', () => {
  it('is one for each mode; an old one is that of major', () => {
    const old = ['C', 'Bb'];
    expect(ownOrderOf(old, 'major')).toEqual(['C', 'Bb']);
    expect(ownOrderOf(old, 'minor')).toEqual([]);
    const both = withOwnOrder(old, 'minor', ['D', 'A']);
    expect(ownOrderOf(both, 'major')).toEqual(['C', 'Bb']);
    expect(ownOrderOf(both, 'minor')).toEqual(['D', 'A']);
    expect(ownOrderOf(withOwnOrder(both, 'major', ['F#']), 'minor')).toEqual(['D', 'A']);
    expect(ownOrderOf(withOwnOrder(both, 'dorian', ['E']), 'dorian')).toEqual(['E']);
  });
});
