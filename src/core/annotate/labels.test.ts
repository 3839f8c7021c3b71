import { describe, expect, it } from '@jest/globals';
import { musicXml, type PieceText } from '../../../tests/support/build-piece';
import { moved, open } from '../../../tests/support/open';

import { labelLines } from '../views/label-lines';
import { struckNotes } from '../score';
import { countText, type LabelKind } from './labels';
import { SAYS } from '../../../tests/support/usual-words';

/** The labels of one kind under a piece, in order of time, the right hand's only. */
function under(kind: LabelKind, text: PieceText, to: string = 'C', hand: 'right' | 'left' = 'right'): string {
  const piece = open(musicXml({ mode: 'major', ...text }));
  const version = moved(piece, to);
  const notes = struckNotes(version.notes);
  const [line] = labelLines(SAYS, piece, version, [kind]);
  return notes
    .filter((note) => note.hand === hand)
    .flatMap(({ id }) => line?.get(id) ?? [])
    .join(' ');
}

const CHROMATIC = 'C4q C#4q D4q D#4q | E4q F4q F#4q G4q | G#4q A4q A#4q B4q';
const FALLING = 'C5q B4q Bb4q A4q | Ab4q G4q Gb4q F4q | E4q Eb4q D4q Db4q';

describe('names of notes', () => {
  it('follow the key: letters and degrees', () => {
    expect(under('letters', { right: 'C4q D4q E4q F#4q' }, 'D')).toBe('D E F♯ G♯');
    expect(under('degrees', { right: 'C4q D4q E4q F#4q' }, 'D')).toBe('1 2 3 ♯4');
  });

  it('of keys struck together stand in one, from low to high, each once', () => {
    const chords = { right: 'C5w | C5w', left: 'C3+E3+G3h B2+F3+G3h | C3+C4w' };
    expect(under('degrees', chords, 'D', 'left')).toBe('1 3 5 7 4 5 1');
    expect(under('counts', chords, 'C', 'left')).toBe('1–2 3–4 1–4');
  });

  it('are the syllables of the chromatic scale in movable do (common practice)', () => {
    expect(under('do-minor', { right: CHROMATIC })).toBe('do di re ri mi fa fi sol si la li ti');
    expect(under('do-minor', { right: FALLING })).toBe('do ti te la le sol se fa mi me re ra');
  });

  it('call the tonic of a minor key do or la, as the school has it (common practice)', () => {
    const minor = { right: 'A4q B4q C5q D5q | E5q G#5q A5h', mode: 'minor' };
    expect(under('do-minor', minor, 'A')).toBe('do re me fa sol ti do');
    expect(under('la-minor', minor, 'A')).toBe('la ti do re mi si la');
    expect(under('la-minor', minor, 'D')).toBe('la ti do re mi si la');
  });

  it('are letters in fixed do, with their signs', () => {
    expect(under('fixed-do', { right: 'C4q D4q E4q B4q' }, 'Eb')).toBe('mi♭ fa sol re');
  });
});

describe('counts', () => {
  it.each([
    [1, 1, '1'],
    [1, 2, '1–2'],
    [2.5, 0.5, '&'],
    [1.25, 0.25, 'e'],
    [1.75, 0.25, 'a'],
    [1 + 1 / 3, 1 / 3, 'la'],
    [3, 1.5, '3–4'],
    [1, 4, '1–4'],
  ])('beat %f for %f beats is counted “%s”', (beat, beats, expected) => {
    expect(countText(beat, beats)).toBe(expected);
  });

  it('stand under each note', () => {
    expect(under('counts', { right: 'C4q D4e E4e F4h | G4w' })).toBe('1 2 & 3–4 1–4');
  });
});

describe('intervals', () => {
  it('are told from one note to the next, with the way they go', () => {
    expect(under('intervals', { right: 'C4q D4q F4q F4q | C4q C5q A4h' })).toBe('↑step ↑skip same ↓4th ↑octave ↓skip');
  });

  it('stay the same in every key', () => {
    const text = { right: 'C4q D4q F4q F4q | C4q C5q A4h' };
    for (const key of ['D', 'Eb', 'F#', 'B']) expect(under('intervals', text, key)).toBe(under('intervals', text));
  });

  it('of two keys struck together are told at the lower one', () => {
    expect(under('intervals', { right: 'C4+G4h C4+A4h' })).toBe('5th 6th');
  });

  it('between the hands are told where both strike', () => {
    expect(under('between-hands', { right: 'E4q F4q G4q A4q', left: 'C4h C4h' }, 'C', 'left')).toBe('skip 5th');
  });
});

describe('labelWords', () => {
  it.each([
    [8, '9th'],
    [10, '11th'],
    [11, '12th'],
    [12, '13th'],
    [20, '21st'],
  ])('%i letters are a %s', (letters, words) => {
    expect(SAYS.labelWords({ kind: 'distance', letters })).toBe(words);
  });
});
