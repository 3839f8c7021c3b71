import { describe, expect, it } from '@jest/globals';
import { carriedTo } from './carried-parts';

describe('a part of a handout that is carried', () => {
  const order = ['fields', 'places', 'music', 'watch'] as const;

  it.each([
    ['watch', 'places', ['fields', 'watch', 'places', 'music']],
    ['fields', 'music', ['places', 'music', 'fields', 'watch']],
    ['places', 'music', ['fields', 'music', 'places', 'watch']],
  ] as const)('%s to the place of %s', (part, over, wanted) => {
    expect(carriedTo(order, part, over)).toEqual(wanted);
  });
});
