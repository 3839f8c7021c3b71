import { describe, expect, it } from '@jest/globals';
import { sharedKeys, USUAL_PLAYER } from '../../fingering';
import { musicXml, type PieceText } from '../../../../tests/support/build-piece';
import { moved, open } from '../../../../tests/support/open';
import { asWritten, type MoveOptions } from '../../piece';
import { changesWords, positionWords, sharedPlaceWords } from './hands';
import { TERMS } from '../../../../tests/support/usual-words';

const SCALE = 'C4q/1 D4q/2 E4q/3 F4q/1 | G4q/2 A4q/3 B4q/4 C5q/5 | B4q/4 A4q/3 G4q/2 F4q/1 | E4q/3 D4q/2 C4h/1';

/** The positions of the right hand in words, each told from the one before. */
function places(text: PieceText, to: string = 'C', options: Partial<MoveOptions> = {}): readonly string[] {
  const own = moved(open(musicXml({ mode: 'major', ...text })), to, options).positions.filter(
    ({ position }) => position.hand === 'right',
  );
  return own.map((placed, i) => positionWords(TERMS, placed, own[i - 1]));
}

describe('positionWords', () => {
  it.each([
    ['a thumb under', 'C4q/1 D4q/2 E4q/3 F4q/1 | G4q/2 A4q/3 B4q/4 C5q/5', 'F position · thumb under'],
    ['a finger over', 'G4q/5 F4q/4 E4q/3 D4q/2 | C4q/1 B3q/3 A3q/2 G3q/1', 'G position · 3 over'],
    [
      'a move after a long note',
      'C4q/1 D4q/2 E4h/3 | E4q/1 F4q/2 G4h/3',
      'E position · 1 where 3 was, on the repeated key',
    ],
    ['a move far away', 'C4q/1 D4q/2 E4q/3 Rq | A5q/1 B5q/2 C6h/3', 'A position · 12 letters higher, in the rest'],
    [
      'a crossing on a detached note',
      "C4q/1 D4q/2 E4q/3' F4q/1 | G4q/2 A4q/3 G4q/2 F4q/1",
      'F position · thumb under, after a long or a detached note',
    ],
  ])('tell %s', (_, right, expected) => {
    expect(places({ right })[1]).toContain(expected);
  });

  it('tell what an open hand reaches beyond its five letters', () => {
    const chords = 'C4+E4+G4w | B3+F4+G4w | C4+F4+A4w | C4+E4+G4w';
    const player = { ...USUAL_PLAYER, level: 2 } as const;
    expect(places({ right: chords }, 'D', { player, fingering: 'plan' })).toEqual([
      'D position',
      'D position, 1 reaches C♯ · the hand opens, after a long or a detached note',
      'D position, 5 reaches B · the hand opens, after a long or a detached note',
      'D position · the hand closes again, after a long or a detached note',
    ]);
  });

  it('say which finger lands on a black key', () => {
    expect(places({ right: 'C4q/1 D4q/2 E4h/3 | G4q/1 A4q/2 B4h/3' }, 'Eb')[1]).toContain('1 lands on B♭');
  });

  it('tell why a hand sits where it does when the note that decides comes later', () => {
    expect(places({ right: 'D4q/2 E4q/3 F4h/4 | E4q/3 D4q/2 C4q/1 G4q/5' })[0]).toBe(
      'C position · sits at C from bar 1 because of G in bar 2',
    );
  });
});

describe('changesWords', () => {
  const words = (to: string, options: Partial<MoveOptions>): readonly string[] =>
    changesWords(TERMS, moved(open(musicXml({ right: SCALE, mode: 'major' })), to, options).flags);

  it('tell other fingers, taken or proposed, and that black keys are the cause', () => {
    expect(words('F', { fingering: 'plan' })).toEqual([
      'Right hand: other fingers in bars 1, 2 and 3, because of black keys.',
    ]);
    expect(words('F', { fingering: 'keep' })).toEqual([
      'Right hand: other fingers would lie better in bars 1, 2 and 3, because of black keys.',
    ]);
  });

  it('are silent where all fingers stay', () => {
    expect(words('G', { fingering: 'plan' })).toEqual([]);
  });
});

describe('sharedPlaceWords', () => {
  const shared = (text: PieceText): readonly string[] =>
    sharedPlaceWords(TERMS, sharedKeys(asWritten(open(musicXml({ mode: 'major', ...text }))).positions));

  it('name the keys over which both hands lie: both thumbs on middle C (common practice)', () => {
    expect(shared({ right: 'C4q/1 D4q/2 E4q/3 G4q/5', left: 'C4q/1 B3q/2 A3q/3 F3q/5' })).toEqual([
      'Both hands lie over C4 (bar 1): one has to make room where both want it.',
    ]);
  });

  it('are silent where the hands lie apart', () => {
    expect(shared({ right: 'C4q/1 D4q/2 E4q/3 G4q/5', left: 'C3q/5 D3q/4 E3q/3 G3q/1' })).toEqual([]);
  });
});
