import { describe, expect, it } from '@jest/globals';
import { musicXml } from '../../../tests/support/build-piece';
import { moved, open } from '../../../tests/support/open';

import { struckNotes, type HandNote } from '../score';
import { notesByKind } from './notes-of-kind';
import { markWords, type Mark } from './mark';
import { SAYS } from '../../../tests/support/usual-words';

const PIECE = open(
  musicXml({ right: 'C4q/1 F4q/4 G4q/5 F4q/4 | C4q/1 E4q/3 C5h/5', left: 'F3w | C4w', mode: 'major' }),
);
const notesIn = (key: string): readonly HandNote[] => struckNotes(moved(PIECE, key).notes);

describe('findsOf', () => {
  const counts = (key: string, by: string): Readonly<Record<string, number>> =>
    Object.fromEntries(
      notesByKind(notesIn(key), ({ finger }) => finger)
        .filter((find) => find.by === by)
        .map((find) => [SAYS.kindWords(find), find.notes.length]),
    );

  it('counts letters, keys and fingers as they are in the key that is shown', () => {
    expect(counts('C', 'letter')).toEqual({ C: 4, E: 1, F: 3, G: 1 });
    expect(counts('D', 'letter')).toEqual({ D: 4, 'F♯': 1, G: 3, A: 1 });
    expect(counts('C', 'pitch')).toEqual({ F3: 1, C4: 3, E4: 1, F4: 2, G4: 1, C5: 1 });
    expect(counts('C', 'finger')).toEqual({ thumb: 2, 'finger 3': 1, 'finger 4': 2, 'finger 5': 2 });
  });

  it('counts intervals at the note that they lead to, whichever way', () => {
    expect(counts('C', 'interval')).toEqual({ step: 2, skip: 1, '4th': 2, '5th': 1, '6th': 1 });
  });

  it('finds the guide notes (bass F, middle C, treble G) and black keys only where there are some', () => {
    expect(counts('C', 'guide')).toEqual({ 'guide note (bass F, middle C, treble G)': 5 });
    expect(counts('C', 'black')).toEqual({});
    expect(counts('D', 'black')).toEqual({ 'black key': 1 });
  });

  it('has every note under its letter and under its key exactly once', () => {
    const notes = notesIn('Eb');
    for (const by of ['letter', 'pitch'] as const) {
      const found = notesByKind(notes, () => null)
        .filter((find) => find.by === by)
        .flatMap((find) => find.notes);
      expect([...found].sort()).toEqual(notes.map(({ id }) => id).sort());
    }
  });
});

describe('markWords', () => {
  const said = (marks: readonly Mark[], key: string): readonly string[] =>
    [...markWords(marks, notesIn(key)).values()].map((words) => words.map(SAYS.markText).join(' '));
  const first = notesIn('C').find(({ hand }) => hand === 'right')?.id ?? '';

  it('names the note as it is in each key', () => {
    const marks: readonly Mark[] = [{ kind: 'reminder', note: first, text: '' }];
    expect([said(marks, 'C'), said(marks, 'Eb'), said(marks, 'F#')]).toEqual([['C!'], ['E♭!'], ['F♯!']]);
  });

  it('tells the way to the next note in the same hand, and the teacher’s own words', () => {
    const marks: readonly Mark[] = [
      { kind: 'interval', note: first, text: '' },
      { kind: 'words', note: first, text: 'listen' },
      { kind: 'ring', note: first, text: '' },
    ];
    expect(said(marks, 'D')).toEqual(['↑4th listen']);
  });

  it('says nothing at notes that are gone', () => {
    expect(said([{ kind: 'reminder', note: 'n999', text: '' }], 'C')).toEqual([]);
  });
});
