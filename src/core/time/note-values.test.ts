import { describe, expect, it } from '@jest/globals';
import { beamGroup } from '../notation';
import { noteValue, splitLength } from './note-values';

describe('noteValue', () => {
  it.each([
    [192, 'whole', 0],
    [144, 'half', 1],
    [84, 'quarter', 2],
    [12, '16th', 0],
  ])('%i ticks of 48 to the quarter: a %s with %i dots', (ticks, type, dots) =>
    expect(noteValue(ticks, 48)).toEqual({ type, dots, ticks }),
  );

  it('says when a length takes several, tied', () =>
    expect([60, 240, 5].map((ticks) => noteValue(ticks, 48))).toEqual([undefined, undefined, undefined]));

  it('tells the same lengths by whatever grid they are counted in', () => {
    for (const ticks of [1, 2, 48, 480, 10_080])
      expect(noteValue(ticks, ticks)).toEqual({ type: 'quarter', dots: 0, ticks });
  });
});

describe('splitLength', () => {
  it('goes to the next beat first, then on in whole beats', () => {
    expect(splitLength(120, 24, 48, 48).map(({ ticks }) => ticks)).toEqual([24, 96]);
    expect(splitLength(240, 0, 48, 48).map(({ ticks }) => ticks)).toEqual([192, 48]);
  });
});

describe('beamGroup', () => {
  it.each([
    ['a quarter in 4/4', { beats: 4, beatType: 4 }, 48],
    ['three eighths in 6/8', { beats: 6, beatType: 8 }, 72],
    ['a half in 2/2', { beats: 2, beatType: 2 }, 96],
    ['at least a quarter in 5/8', { beats: 5, beatType: 8 }, 48],
  ])('%s', (_, meter, ticks) => expect(beamGroup(meter, 48)).toBe(ticks));
});
