import { describe, expect, it } from '@jest/globals';
import { barTicks, beatAt, beatTicks, lcm } from './ticks';

describe('bars and beats', () => {
  it.each([
    [4, 4, 48],
    [3, 4, 36],
    [6, 8, 36],
    [2, 2, 48],
  ])('a bar of %i/%i has %i ticks at twelve a quarter', (beats, beatType, ticks) => {
    expect(barTicks({ beats, beatType }, 12)).toBe(ticks);
  });

  it('a pick-up of one quarter in 3/4 stands on beat 3', () => {
    expect(beatAt(0, 24, { beats: 3, beatType: 4 }, 12)).toBe(3);
  });

  it('counts beats in the signature’s lower number', () => {
    expect(beatTicks({ beats: 6, beatType: 8 }, 12)).toBe(6);
    expect(beatAt(18, 0, { beats: 6, beatType: 8 }, 12)).toBe(4);
  });

  it('finds the tick that triplets and sixteenths share', () => {
    expect(lcm(3, 4)).toBe(12);
  });
});
