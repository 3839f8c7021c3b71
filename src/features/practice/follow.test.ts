import { describe, expect, it } from '@jest/globals';
import { followKey, NOT_BEGUN, type Followed, type Following, type WantedMoment } from './follow';

const moment = (...midis: readonly number[]): WantedMoment => ({
  bar: '1',
  beat: 1,
  keys: midis.map((midi) => ({ id: `n${midi}`, midi, name: String(midi) })),
});
const MOMENTS = [moment(60), moment(64, 67), moment(65), moment(62)];
const after = (how: Following, ...midis: readonly number[]): Followed =>
  midis.reduce((state, midi) => followKey(MOMENTS, state, midi, how), NOT_BEGUN);

describe('a player who is waited for', () => {
  it('goes on when all keys of a moment were struck, in any order', () => {
    expect(after('waiting', 60, 67)).toEqual({ at: 1, struck: ['n67'], lit: ['n60', 'n67'] });
    expect(after('waiting', 60, 67, 64).at).toBe(2);
  });

  it('does not go on with a wrong key, nor with one that comes later', () => {
    expect(after('waiting', 61)).toBe(NOT_BEGUN);
    expect(after('waiting', 60, 65).at).toBe(1);
    expect(after('waiting', 60, 64, 64).at).toBe(1);
  });
});

describe('a player who goes on', () => {
  it('is found again a little later, after something was left out', () => {
    expect(after('along', 60, 65)).toEqual({ at: 3, struck: [], lit: ['n60', 'n65'] });
  });

  it('is at the end after the last', () => expect(after('along', 60, 64, 67, 65, 62).at).toBe(MOMENTS.length));
});
