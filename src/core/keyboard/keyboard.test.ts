import { describe, expect, it } from '@jest/globals';
import { drawnKeys, isBlackKey, isOnKeyboard, keyCentreMm } from './keyboard';
import { midiNumber, parsePitch, type Pitch } from '../pitch';
import { KEYBOARD_RANGES, OCTAVE_MM, WHITE_KEY_MM } from './key-geometry.table';

describe('keyCentreMm', () => {
  it('rises from key to key, and each black key lies between its neighbours', () => {
    for (let midi = 21; midi < 108; midi += 1) expect(keyCentreMm(midi + 1)).toBeGreaterThan(keyCentreMm(midi));
  });

  it('repeats every octave of seven white keys', () => {
    expect(keyCentreMm(72) - keyCentreMm(60)).toBeCloseTo(OCTAVE_MM);
    expect(keyCentreMm(62) - keyCentreMm(60)).toBeCloseTo(WHITE_KEY_MM);
  });

  it('has the useful distances of the fingering model: E–F♯ 31.9, A–B♭ 15.1, D–F♯ 55.4 mm', () => {
    const distance = (from: number, to: number): number => Math.round((keyCentreMm(to) - keyCentreMm(from)) * 10) / 10;
    expect([distance(64, 66), distance(69, 70), distance(62, 66)]).toEqual([31.9, 15.1, 55.4]);
  });
});

describe('the 88 keys', () => {
  it('are 52 white and 36 black ones, from A0 to C8 (common practice)', () => {
    const keys = drawnKeys(21, 108);
    expect(keys.filter(({ isBlack }) => isBlack)).toHaveLength(36);
    expect(keys.filter(({ isBlack }) => !isBlack)).toHaveLength(52);
    expect([isOnKeyboard(20), isOnKeyboard(21), isOnKeyboard(108), isOnKeyboard(109)]).toEqual([
      false,
      true,
      true,
      false,
    ]);
  });

  it.each([
    [61, 'C2', 'C7'],
    [76, 'E1', 'G7'],
    [88, 'A0', 'C8'],
  ] as const)('of a keyboard of %i go from %s to %s (common practice)', (size, lowest, highest) => {
    const midi = (text: string): number => midiNumber(parsePitch(text) as Pitch);
    expect(KEYBOARD_RANGES[size]).toEqual([midi(lowest), midi(highest)]);
    expect(midi(highest) - midi(lowest) + 1).toBe(size);
  });

  it('draw black keys last, shorter and narrower', () => {
    const keys = drawnKeys(60, 71);
    expect(keys.slice(-5).every(({ isBlack }) => isBlack)).toBe(true);
    const [white, black] = [keys[0], keys.at(-1)];
    expect(black && white && black.lengthMm < white.lengthMm && black.widthMm < white.widthMm).toBe(true);
  });
});

describe('isBlackKey', () => {
  it('looks at the key, also below zero', () => {
    expect([60, 61, 66, 70, 71, -2].map(isBlackKey)).toEqual([false, true, true, true, false, true]);
  });
});
