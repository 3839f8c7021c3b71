import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { nameText, parseKey, parseName, parsePitch, samePitch, type Key, type Pitch, type PitchName } from '../pitch';
import { letterSaid, noteSaid, pitchSaid, placeSaid, typedAsLetters } from './note-names';
import { NOTE_NAMES } from './wording';

const name = (text: string): PitchName => parseName(text) as PitchName;
const key = (text: string): Key => parseKey(text, 'major') as Key;

describe('names of notes (common practice)', () => {
  it.each([
    ['B', 'H'],
    ['Bb', 'B'],
    ['B#', 'H♯'],
    ['Bbb', 'H𝄫'],
    ['A', 'A'],
    ['F#', 'F♯'],
  ])('where B is called H, %s is %s', (text, said) => expect(placeSaid(name(text), 'letters-h')).toBe(said));

  it.each([
    ['C', 'do'],
    ['F#', 'fa♯'],
    ['Bb', 'si♭'],
  ])('in fixed do %s is %s, and its letter stays what it is', (text, said) => {
    expect(placeSaid(name(text), 'fixed-do')).toBe(said);
    expect(letterSaid(name(text), 'fixed-do')).toBe(placeSaid(name(text), 'letters'));
  });

  it.each([
    ['do-minor', 'D-major', 'F#', 'mi'],
    ['do-minor', 'D-minor', 'F', 'me'],
    ['la-minor', 'D-minor', 'F', 'do'],
    ['la-minor', 'D-minor', 'D', 'la'],
    ['do-minor', 'C-major', 'F#', 'fi'],
  ] as const)('in %s and in %s, %s is %s; its place stays a letter', (names, inKey, text, said) => {
    expect(noteSaid(name(text), names, key(inKey))).toBe(said);
    expect(placeSaid(name(text), names)).toBe(placeSaid(name(text), 'letters'));
    expect(noteSaid(name(text), names, null)).toBe(placeSaid(name(text), 'letters'));
  });

  it('a syllable that has no place says it too', () => {
    const pitch = parsePitch('F#4') as Pitch;
    expect(pitchSaid(pitch, 'do-minor', key('D-major'))).toBe('mi (F♯4)');
    expect(pitchSaid(pitch, 'fixed-do', key('D-major'))).toBe('fa♯4');
    expect(pitchSaid(pitch, 'letters', null)).toBe('F♯4');
  });
});

describe('what is typed', () => {
  it.each([
    ['letters', 'Bb', 'Bb'],
    ['letters-h', 'H', 'B'],
    ['letters-h', 'h4', 'B4'],
    ['letters-h', 'B 3/4', 'Bb 3/4'],
    ['letters-h', 'Bb', 'Bb'],
    ['fixed-do', 'sol 3/4 1', 'G 3/4 1'],
    ['fixed-do', 'So4', 'G4'],
    ['fixed-do', 'sib3', 'Bb3'],
    ['fixed-do', 'la minor', 'A minor'],
    ['fixed-do', 'C4', 'C4'],
    ['fixed-do', 'dorian', 'dorian'],
    ['la-minor', 'F#4', 'F#4'],
  ] as const)('in %s “%s” is read as “%s”', (names, typed, read) => expect(typedAsLetters(typed, names)).toBe(read));

  it('as a note is called, so it can be typed', () => {
    const pitch = fc.record({
      step: fc.constantFrom(0, 1, 2, 3, 4, 5, 6),
      alter: fc.integer({ min: -1, max: 1 }),
      octave: fc.integer({ min: 0, max: 8 }),
    });
    fc.assert(
      fc.property(pitch, fc.constantFrom(...NOTE_NAMES), (drawn, names) => {
        const typed = `${placeSaid(drawn as Pitch, names)}${drawn.octave}`;
        const read = parsePitch(typedAsLetters(typed, names));
        expect([typed, read && samePitch(read, drawn as Pitch)]).toEqual([typed, true]);
        expect(read && nameText(read)).toBe(nameText(drawn as Pitch));
      }),
    );
  });
});
