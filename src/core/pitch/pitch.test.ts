import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { Note as TonalNote } from 'tonal';
import { unwrap } from '../base';
import { STEP_FIFTHS, STEP_SEMITONES } from './letters.table';
import {
  diatonicNumber,
  fifthsOf,
  fromCoordinates,
  midiNumber,
  nameAtFifths,
  toCoordinates,
  type Pitch,
} from './pitch';
import { namePrint, parseName, parsePitch, pitchText } from './pitch-text';

const anyPitch = fc.record({
  step: fc.integer({ min: 0, max: 6 }),
  alter: fc.integer({ min: -2, max: 2 }),
  octave: fc.integer({ min: 0, max: 8 }),
}) as fc.Arbitrary<Pitch>;

describe('the tables of letters', () => {
  it('agree with each other: seven semitones a fifth', () => {
    expect(STEP_FIFTHS.map((fifths) => (((7 * fifths) % 12) + 12) % 12)).toEqual([...STEP_SEMITONES]);
  });
});

describe('midiNumber', () => {
  it('is what tonal says, for every spelling', () => {
    fc.assert(fc.property(anyPitch, (pitch) => expect(midiNumber(pitch)).toBe(TonalNote.midi(pitchText(pitch)))));
  });

  it('takes the next key for a sign, black or white: C♭ is the key of B, E♯ the key of F (common practice)', () => {
    const midi = (text: string): number => midiNumber(parsePitch(text) as Pitch);
    expect([midi('Cb4'), midi('E#4')]).toEqual([midi('B3'), midi('F4')]);
    expect(midi('C4')).toBe(60);
  });
});

describe('coordinates', () => {
  it('name each pitch once: there and back is the same pitch', () => {
    fc.assert(fc.property(anyPitch, (pitch) => expect(unwrap(fromCoordinates(toCoordinates(pitch)))).toEqual(pitch)));
  });

  it('refuse what would need four signs', () => {
    expect(nameAtFifths(19)).toEqual({ ok: true, value: { step: 6, alter: 2 } });
    expect(nameAtFifths(27)).toMatchObject({ ok: false, error: { code: 'pitch.out-of-range' } });
  });

  it('put a sharp seven fifths up', () => {
    expect(fifthsOf({ step: 3, alter: 1 })).toBe(6);
  });
});

describe('diatonicNumber', () => {
  it('counts lines and spaces, signs apart', () => {
    expect(diatonicNumber(parsePitch('F#4') as Pitch)).toBe(diatonicNumber(parsePitch('F4') as Pitch));
    expect(diatonicNumber(parsePitch('C5') as Pitch) - diatonicNumber(parsePitch('C4') as Pitch)).toBe(7);
  });
});

describe('pitch text', () => {
  it('reads what it writes', () => {
    fc.assert(fc.property(anyPitch, (pitch) => expect(parsePitch(pitchText(pitch))).toEqual(pitch)));
  });

  it.each([
    ['Fsharp', 'F♯'],
    ['f#', 'F♯'],
    ['B♭', 'B♭'],
    ['Bflat', 'B♭'],
    ['Cbb', 'C𝄫'],
    ['G##', 'G𝄪'],
  ])('reads %s as people type it', (typed, printed) => {
    const name = parseName(typed);
    expect(name && namePrint(name)).toBe(printed);
  });

  it.each(['H', 'C#b', '', 'sharp', 'C4'])('does not take “%s” for a pitch name', (typed) => {
    expect(parseName(typed)).toBeUndefined();
  });
});
