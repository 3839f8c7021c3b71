import { describe, expect, it } from '@jest/globals';
import { Key as TonalKey, Mode as TonalMode, Note as TonalNote } from 'tonal';
import { unwrap } from '../base';
import { intervalName, intervalSemitones } from './interval';
import {
  MODES,
  degreeOf,
  enharmonicKey,
  fifteenKeys,
  intervalToKey,
  keyOfSignature,
  keyPrint,
  keyText,
  parallelKey,
  parseKey,
  relativeKey,
  signatureAlter,
  signatureOf,
  signatureSigns,
  signaturesAround,
  type Key,
} from './key';
import { LETTERS, type Step } from './letters.table';
import { nameText } from './pitch-text';

const key = (text: string): Key => parseKey(text, 'major') as Key;

describe('fifteenKeys', () => {
  it.each(MODES)('has every signature of %s once', (mode) => {
    expect(fifteenKeys(mode).map(signatureOf)).toEqual([-7, -6, -5, -4, -3, -2, -1, 0, 1, 2, 3, 4, 5, 6, 7]);
  });

  it('gives each major and minor key tonal’s signature', () => {
    const signs = (fifths: number): string => (fifths < 0 ? 'b' : '#').repeat(Math.abs(fifths));
    for (const major of fifteenKeys('major'))
      expect(TonalKey.majorKey(nameText(major.tonic)).keySignature).toBe(signs(signatureOf(major)));
    for (const minor of fifteenKeys('minor'))
      expect(TonalKey.minorKey(nameText(minor.tonic)).keySignature).toBe(signs(signatureOf(minor)));
  });
});

describe('signatureAlter', () => {
  it.each(MODES.filter((mode) => mode !== 'ionian' && mode !== 'aeolian'))(
    'spells the scale of every %s key as tonal does',
    (mode) => {
      for (const each of fifteenKeys(mode)) {
        const ours = LETTERS.map(
          (letter, step) => `${letter}${signatureAlter(signatureOf(each), step as Step)}`,
        ).sort();
        const notes = TonalMode.notes(mode, nameText(each.tonic)).map(
          (name) => `${TonalNote.get(name).letter}${TonalNote.get(name).alt}`,
        );
        expect(ours).toEqual([...notes].sort());
      }
    },
  );

  it('leaves A, E and B alone in four sharps (common practice)', () => {
    const sharpened = LETTERS.filter((_, step) => signatureAlter(4, step as Step) === 1);
    expect(sharpened.join('')).toBe('CDFG');
  });
});

describe('intervalToKey', () => {
  it.each([
    ['C', 'D', 'nearest', 'M2'],
    ['C', 'A', 'nearest', '-m3'],
    ['C', 'F#', 'nearest', 'A4'],
    ['C', 'Gb', 'nearest', 'd5'],
    ['C', 'B', 'nearest', '-m2'],
    ['C', 'B', 'up', 'M7'],
    ['C', 'D', 'down', '-m7'],
    ['D', 'D', 'up', 'P1'],
    ['D', 'D', 'down', 'P1'],
    ['Db', 'C#', 'nearest', '-d2'],
    ['C', 'C#', 'nearest', 'A1'],
    ['B', 'Cb', 'up', 'd2'],
    ['Bb', 'C', 'nearest', 'M2'],
  ] as const)('from %s to %s, %s: %s', (from, to, direction, name) => {
    expect(intervalName(intervalToKey(key(from), key(to), direction))).toBe(name);
  });

  it('goes at most a tritone to the nearest, and always the way it is told', () => {
    for (const from of fifteenKeys('major')) {
      for (const to of fifteenKeys('major')) {
        const size = (direction: 'nearest' | 'up' | 'down'): number =>
          intervalSemitones(intervalToKey(from, to, direction));
        expect(Math.abs(size('nearest'))).toBeLessThanOrEqual(6);
        expect(size('nearest')).not.toBe(-6);
        expect(size('up')).toBeGreaterThanOrEqual(0);
        expect(size('down')).toBeLessThanOrEqual(0);
        expect((size('up') - size('down')) % 12).toBe(0);
      }
    }
  });
});

describe('parseKey', () => {
  it.each([
    ['D', 'D-major'],
    ['Bb', 'Bb-major'],
    ['B♭', 'Bb-major'],
    ['F#', 'F#-major'],
    ['Fsharp', 'F#-major'],
    ['Bb-major', 'Bb-major'],
    ['c-minor', 'C-minor'],
    ['D-dorian', 'D-dorian'],
    ['d dorian', 'D-dorian'],
  ])('reads %s', (typed, text) => {
    expect(keyText(key(typed))).toBe(text);
  });

  it.each(['H', 'G#-major', 'D-blues', 'C##', '', 'Fb-minor'])('refuses %s', (typed) => {
    expect(parseKey(typed, 'major')).toBeUndefined();
  });

  it('takes the piece’s own mode where none is said', () => {
    expect(keyPrint(parseKey('G#', 'minor') as Key)).toBe('G♯ minor');
  });
});

describe('keys beside each other', () => {
  it('are turned over by twelve fifths: C♯ and D♭, F♯ and G♭, B and C♭ (common practice)', () => {
    expect(['C#', 'F#', 'B'].map((text) => keyText(unwrap(enharmonicKey(key(text)))))).toEqual([
      'Db-major',
      'Gb-major',
      'Cb-major',
    ]);
  });

  it('are relative and parallel as tonal has them', () => {
    for (const major of fifteenKeys('major')) {
      const tonal = TonalKey.majorKey(nameText(major.tonic));
      expect(nameText(unwrap(relativeKey(major)).tonic)).toBe(tonal.minorRelative);
      expect(unwrap(relativeKey(unwrap(relativeKey(major))))).toEqual(major);
      expect(parallelKey(parallelKey(major))).toEqual(major);
    }
  });

  it('write their signs in order: F C G D A E B, and the other way round for flats (common practice)', () => {
    expect(signatureSigns(7).map(nameText).join(' ')).toBe('F# C# G# D# A# E# B#');
    expect(signatureSigns(-3).map(nameText).join(' ')).toBe('Bb Eb Ab');
    for (const { fifths, signs } of [-7, -4, 0, 3, 6].map((value) => ({
      fifths: value,
      signs: signatureSigns(value),
    }))) {
      for (const { step, alter } of signs) expect(signatureAlter(fifths, step)).toBe(alter);
    }
  });

  it('share a signature when relative', () => {
    expect(keyPrint(unwrap(keyOfSignature(2, 'minor')))).toBe('B minor');
  });

  it('number their degrees from the tonic', () => {
    expect(degreeOf(key('D'), 0)).toBe(7);
    expect(degreeOf(key('D'), 1)).toBe(1);
  });
});

describe('signaturesAround', () => {
  it('widens from the piece’s own signature', () => {
    expect(signaturesAround(0).slice(0, 5)).toEqual([0, 1, -1, 2, -2]);
    expect(signaturesAround(6).slice(0, 6)).toEqual([6, 7, 5, 4, 3, 2]);
    expect(new Set(signaturesAround(-7)).size).toBe(15);
  });
});
