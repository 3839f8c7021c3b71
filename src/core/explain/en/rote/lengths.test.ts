import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { lengthRead, lengthSaid } from './lengths';

describe('a length in words', () => {
  it.each([
    [12, 'one beat'],
    [24, 'two beats'],
    [6, 'half a beat'],
    [18, 'one and a half beats'],
    [3, 'a quarter of a beat'],
    [8, 'two thirds of a beat'],
    [15, '1 and 1/4 beats'],
    [144, '12 beats'],
    [5, '5/12 of a beat'],
  ])('%i twelfths of a beat: %s', (ticks, words) => {
    expect(lengthSaid(ticks, 12, 'beat')).toBe(words);
  });

  it('is told to a child in counts', () => {
    expect(lengthSaid(36, 12, 'count')).toBe('three counts');
  });

  it('is read back as what it was, whatever it is', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 400 }),
        fc.constantFrom(1, 2, 3, 4, 12, 48),
        fc.constantFrom('beat' as const, 'count' as const),
        (ticks, beat, word) => {
          const read = lengthRead(lengthSaid(ticks, beat, word));
          expect(read && (read.parts * beat) / read.of).toBeCloseTo(ticks, 9);
        },
      ),
    );
  });

  it.each(['a beat', 'some beats', 'two', 'half a bar', '3/ of a beat'])('is none: “%s”', (words) => {
    expect(lengthRead(words)).toBeNull();
  });
});
