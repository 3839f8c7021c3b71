import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { CUTS, cutIntoWeeks, type PieceParts } from './cut-weeks';

const EIGHT: PieceParts = {
  bars: 8,
  lines: [
    [0, 1, 2, 3],
    [4, 5, 6, 7],
  ],
  phrases: [
    [0, 1],
    [2, 3],
    [4, 5, 6, 7],
  ],
  hard: [],
};
const barsOf = (cut: (typeof CUTS)[number], parts: PieceParts): readonly string[] =>
  cutIntoWeeks(cut, parts).map(({ bars, because }) => (bars ? `${bars.from}-${bars.to} ${because}` : because));

describe('a piece in weeks', () => {
  it('goes line by line, two lines or a phrase at a time, and then whole', () => {
    expect(barsOf('lines', EIGHT)).toEqual(['0-3 line', '4-7 line', 'whole']);
    expect(barsOf('two-lines', EIGHT)).toEqual(['whole']);
    expect(barsOf('phrases', EIGHT)).toEqual(['0-1 phrase', '2-3 phrase', '4-7 phrase', 'whole']);
    expect(barsOf('whole', EIGHT)).toEqual(['whole']);
  });

  it('gives the hardest bars their own week, before the first play-through', () => {
    expect(
      barsOf('difficulty', {
        ...EIGHT,
        hard: [
          [5, 5],
          [4, 1],
          [1, 3],
        ],
      }),
    ).toEqual(['4-5 hard', '1-1 hard', 'whole']);
    expect(
      barsOf('difficulty', {
        ...EIGHT,
        hard: [
          [0, 1],
          [2, 2],
          [5, 3],
        ],
      }),
    ).toEqual(['5-5 hard', '2-2 hard', 'whole']);
  });

  it('has no week for a hard place where all of it is hard, or nothing', () => {
    expect(barsOf('difficulty', { ...EIGHT, hard: [0, 1, 3, 5, 6].map((bar) => [bar, 1] as const) })).toEqual([
      'whole',
    ]);
    expect(barsOf('difficulty', EIGHT)).toEqual(['whole']);
  });

  it('is one week where it has no such parts', () => {
    const short: PieceParts = { bars: 4, lines: [], phrases: [], hard: [] };
    for (const cut of CUTS) expect(barsOf(cut, short)).toEqual(['whole']);
  });

  it('ends with the whole, and no week of drill is longer than four bars', () => {
    const hard = fc.uniqueArray(fc.tuple(fc.nat(23), fc.integer({ min: 1, max: 9 })), { selector: ([bar]) => bar });
    fc.assert(
      fc.property(hard, fc.constantFrom(...CUTS), (found, cut) => {
        const lines = [0, 1, 2].map((line) => Array.from({ length: 8 }, (_, i) => 8 * line + i));
        const weeks = cutIntoWeeks(cut, { bars: 24, lines, phrases: [], hard: found });
        expect(weeks.at(-1)?.bars).toBeNull();
        for (const { bars, because } of weeks)
          if (because === 'hard' && bars) expect(bars.to - bars.from).toBeLessThan(4);
      }),
    );
  });
});
