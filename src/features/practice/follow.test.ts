import { describe, expect, it } from '@jest/globals';
import {
  followHeard,
  followKey,
  NOT_BEGUN,
  type Followed,
  type Following,
  type HeardKey,
  type WantedMoment,
} from './follow';

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
    expect(after('waiting', 60, 67)).toEqual({ at: 1, struck: ['n67'], lit: ['n60', 'n67'], heard: null });
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
    expect(after('along', 60, 65)).toEqual({ at: 3, struck: [], lit: ['n60', 'n65'], heard: null });
  });

  it('is at the end after the last', () => expect(after('along', 60, 64, 67, 65, 62).at).toBe(MOMENTS.length));
});

describe('a player who is heard', () => {
  const heard = (how: Following, ...keys: readonly HeardKey[]): Followed =>
    keys.reduce((state, key) => followHeard(MOMENTS, state, key, how), NOT_BEGUN);
  const key = (midi: number, atMs: number, odds = 6): HeardKey => ({ midi, atMs, odds });

  it('lights a key that is waited for where that is likely enough, and a chord whose keys come almost together', () => {
    expect(heard('waiting', key(60, 0, -1)).at).toBe(1);
    expect(heard('waiting', key(60, 0, -3))).toBe(NOT_BEGUN);
    expect(heard('waiting', key(60, 0), key(64, 600), key(67, 640, -1)).at).toBe(2);
  });

  it('lights nothing of the next moment with the shadow of a stroke, but with the next stroke', () => {
    const chord = [key(60, 0), key(64, 600), key(67, 600)];
    expect(heard('waiting', ...chord, key(65, 605, -1.5)).at).toBe(2);
    expect(heard('waiting', ...chord, key(65, 605)).at).toBe(2);
    expect(heard('waiting', ...chord, key(65, 1200, -1.5)).at).toBe(3);
  });

  it('goes on to a key that comes later only where it was likely by itself', () => {
    expect(heard('along', key(60, 0), key(65, 600, -1)).at).toBe(1);
    expect(heard('along', key(60, 0), key(65, 600)).at).toBe(3);
  });
});
