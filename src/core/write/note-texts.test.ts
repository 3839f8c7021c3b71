import { describe, expect, it } from '@jest/globals';
import { demoFile } from '../../../tests/support/demo-pieces';
import { musicXml } from '../../../tests/support/build-piece';
import { open } from '../../../tests/support/open';
import { unwrap } from '../base';
import { childElements, childText, type XmlElement } from '../xml';
import { parseXml } from '../xml/parse-xml';
import type { Score } from '../score';
import { engravingPage } from './engraving';
import { NO_TEXTS, type NoteTexts } from './note-texts';

const TWO_HANDS = open(musicXml({ right: 'C4q/1 D4q/2 Rh | E4w | F4w', left: 'Rw | C3w | D3w' }));

function notesOf(score: Score, texts: Partial<NoteTexts>, breaks: readonly number[] = []): readonly XmlElement[] {
  const page = engravingPage([{ score, prefix: 'a-', label: '', texts: { ...NO_TEXTS, ...texts } }], breaks);
  const root = unwrap(parseXml(page.musicXml)).root;
  return childElements(root, 'part').flatMap((part) =>
    childElements(part, 'measure').flatMap((measure) => childElements(measure, 'note')),
  );
}

const lyricsOf = (note: XmlElement): readonly string[] =>
  childElements(note, 'lyric').map((lyric) => `${lyric.attributes['number']}:${childText(lyric, 'text')}`);
const idOf = (note: XmlElement): string => (note.attributes['id'] ?? '').replace('a-', '');

describe('lines under the notes', () => {
  it('stand where they are given, each on its own line', () => {
    const lines = [
      new Map([['n1', 'C']]),
      new Map([
        ['n1', '1'],
        ['n2', '2'],
      ]),
    ];
    const found = notesOf(TWO_HANDS.score, { lines }).filter((note) => lyricsOf(note).length > 0);
    expect(found.map((note) => [idOf(note), lyricsOf(note)])).toEqual([
      ['n1', ['1:C', '2:1']],
      ['n2', ['2:2']],
    ]);
  });

  it('come below words that are sung, and leave those alone', () => {
    const song = open(demoFile('night-baker'));
    const first = song.notes.find(({ hand }) => hand === 'right')?.id ?? '';
    const before = notesOf(song.score, {}).find((note) => idOf(note) === first);
    const after = notesOf(song.score, { lines: [new Map([[first, 'F']])] }).find((note) => idOf(note) === first);
    const [sung] = before ? lyricsOf(before) : [];
    expect(after && lyricsOf(after)).toEqual([sung, expect.stringMatching(/^[2-9]:F$/)]);
  });
});

describe('room for the hand tracks', () => {
  it('is left once on each staff of each system, at its first note', () => {
    const marked = (breaks: readonly number[]): readonly string[] =>
      notesOf(TWO_HANDS.score, { roomLines: 2 }, breaks)
        .filter((note) => lyricsOf(note).length === 2)
        .map(idOf);
    const [right, left] = ['right', 'left'].map((hand) =>
      TWO_HANDS.notes.filter((note) => note.hand === hand).map(({ id }) => id),
    ) as [string[], string[]];
    expect(marked([]).toSorted()).toEqual([right[0], left[0]].toSorted());
    // In the second system the left hand has notes, in the first it rests.
    expect(marked([1]).toSorted()).toEqual([right[0], right[2], left[0]].toSorted());
  });
});

describe('words over notes', () => {
  it('stand beside the finger, and are all there is where none is printed', () => {
    const fingers = (note: XmlElement | undefined): readonly string[] =>
      note
        ? childElements(note, 'notations').flatMap((notations) =>
            childElements(notations, 'technical').flatMap((technical) =>
              childElements(technical, 'fingering').map((fingering) =>
                fingering.children.map((child) => (child.kind === 'text' ? child.text : '')).join(''),
              ),
            ),
          )
        : [];
    const bare = TWO_HANDS.notes.find(({ finger }) => finger === null)?.id ?? '';
    const found = notesOf(TWO_HANDS.score, {
      words: new Map([
        ['n1', 'C!'],
        [bare, 'listen'],
      ]),
    });
    expect(fingers(found.find((note) => idOf(note) === 'n1'))).toEqual(['1', 'C!']);
    expect(fingers(found.find((note) => idOf(note) === bare))).toEqual(['listen']);
  });

  it('are for the engraver alone: without texts the notes are as in the file', () => {
    expect(notesOf(TWO_HANDS.score, {}).every((note) => lyricsOf(note).length === 0)).toBe(true);
  });
});
