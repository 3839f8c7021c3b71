import { describe, expect, it } from '@jest/globals';
import { asked } from '../../../tests/support/asked';
import { kinOf } from './kin';
import { isPlain } from './plain';

const stroke = (midi: number, atMs: number) => ({ midi, atMs, live: 0, after: 0 });

describe('what a stroke may be instead', () => {
  it.each([
    ['an overtone of a key struck with it', stroke(72, 10), [stroke(60, 0)], 'overtone'],
    ['a twelfth above one', stroke(79, 0), [stroke(60, 20)], 'overtone'],
    ['the common ground of a chord', stroke(48, 0), [stroke(60, 0), stroke(67, 5), stroke(72, 5)], 'ground'],
    ['what still rings of an octave below', stroke(72, 900), [stroke(60, 0)], 'rings'],
    ['nothing else: that octave is long over', stroke(72, 9000), [stroke(60, 0)], 'none'],
    ['nothing else: its octave comes only later', stroke(72, 0), [stroke(60, 900)], 'none'],
    ['nothing else: a fifth has no overtone there', stroke(67, 0), [stroke(60, 0)], 'none'],
  ])('%s', (_what, one, others, kin) => {
    expect(kinOf(one, others)).toBe(kin);
  });
});

describe('a note that would surely be heard', () => {
  const plainIn = (text: string): readonly boolean[] => {
    const music = asked(text);
    return music.notes.map((_, note) => isPlain(music, note));
  };

  it('is one that stands alone, and both of two', () => {
    expect(plainIn('C4 D4+F4')).toEqual([true, true, true]);
  });

  it('is not the inner one of a chord, nor one on the overtones of what sounds', () => {
    expect(plainIn('C4+E4+G4')).toEqual([true, false, true]);
    expect(plainIn('C4+C5')).toEqual([true, false]);
    expect(plainIn('C3+G4')).toEqual([true, false]);
    expect(plainIn('C4 C5')).toEqual([true, true]);
  });
});
