import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { midiNumber, parsePitch, pitchText, type Key, type Pitch, type Step } from '../pitch';
import { isNextAbove, keyPlace, nextNamedAbove, nextPlaceAbove, pitchInOctave, spelledPlace } from './key-place';

const pitch = (text: string): Pitch => parsePitch(text) as Pitch;
const D_MAJOR: Key = { tonic: { step: 1, alter: 0 }, mode: 'major' };

const anyPitch: fc.Arbitrary<Pitch> = fc.record({
  step: fc.integer({ min: 0, max: 6 }) as fc.Arbitrary<Step>,
  alter: fc.integer({ min: -2, max: 2 }),
  octave: fc.integer({ min: 1, max: 7 }),
});

describe('where a key lies', () => {
  // Middle C is key 60; the octaves are told from it. The key counts, not the letter: B♯3 is the key of middle C, C♭4 the one below it.
  it.each([
    ['C4', 0, 0, false],
    ['B#3', 0, 0, false],
    ['Cb4', 11, -1, false],
    ['F#4', 6, 0, true],
    ['C5', 0, 1, false],
    ['G2', 7, -2, false],
  ] as const)('%s', (text, place, octave, isBlack) => {
    expect(keyPlace(pitch(text))).toEqual({ place, octave, isBlack });
  });

  it('gives the pitch back by its name and octave, however it is spelled', () => {
    fc.assert(
      fc.property(anyPitch, (one) => {
        expect(pitchInOctave(one, keyPlace(one).octave)).toEqual(one);
      }),
    );
  });

  it('gives the key back by its place, spelled as the key of the piece has it', () => {
    fc.assert(
      fc.property(anyPitch, (one) => {
        expect(midiNumber(spelledPlace(D_MAJOR, keyPlace(one)))).toBe(midiNumber(one));
      }),
    );
    expect(pitchText(spelledPlace(D_MAJOR, { place: 6, octave: 0 }))).toBe('F#4');
  });
});

describe('the next key above', () => {
  it('of a name is the very pitch for all that lie within an octave', () => {
    fc.assert(
      fc.property(anyPitch, anyPitch, (below, above) => {
        if (isNextAbove(above, below)) expect(nextNamedAbove(above, below)).toEqual(above);
      }),
    );
  });

  it.each([
    ['C', 'C4', 'C5'],
    ['G', 'D3', 'G3'],
    ['A', 'B3', 'A4'],
    ['Cb', 'Bb3', 'Cb4'],
  ])('%s above %s is %s', (name, below, wanted) => {
    expect(pitchText(nextNamedAbove(pitch(`${name}4`), pitch(below)))).toBe(wanted);
  });

  it('of a place goes on into the next octave where it has to', () => {
    expect(pitchText(nextPlaceAbove(D_MAJOR, 1, pitch('A4')))).toBe('C#5');
    expect(pitchText(nextPlaceAbove(D_MAJOR, 6, pitch('D4')))).toBe('F#4');
  });
});
