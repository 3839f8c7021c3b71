import { describe, expect, it } from '@jest/globals';
import { musicXml } from '../../../../../tests/support/build-piece';
import { roteText } from '../../../../../tests/support/by-rote';
import { moved, open } from '../../../../../tests/support/open';
import { unwrap } from '../../../base';
import { asWritten, openPlainPiece } from '../../../piece';
import { playingOrder } from '../../../playback';
import { pieceOfRote } from '../../../rote';
import { readRote } from './read-rote';
import type { RoteStyle } from './rote-told';

const TEACHER: RoteStyle = { voice: 'teacher', names: 'letters' };
const CHILD: RoteStyle = { voice: 'child', names: 'none' };

/** What each hand is told in a bar. */
const rowsOf = (text: string, bar: number): readonly string[] =>
  (text.split(`Bar ${bar}:\n`)[1] ?? '').split(/\n(?:Bar|Line) /)[0]?.split('\n') ?? [];

const HOP = musicXml({
  right: 'C4q/1 D4q/2 E4h/3 | E4q/3 C4q/1 G4h/5 | C4q/1 D4q/2 E4h/3 | C4+E4+G4w/1/3/5',
  left: 'C3w/5 | Rh C3h/5 | C3w/5 | C3q/5 G3q/1 C3h/5',
});

describe('the words of a rote sheet', () => {
  it('tell each note as a teacher would: finger, key, way, length', () => {
    const piece = open(HOP);
    const text = roteText(piece, moved(piece, 'D', { fingering: 'plan' }), TEACHER);
    expect(rowsOf(text, 1)).toEqual([
      'Right hand: 1 on D, one beat. 2 on E, whole step up, one beat. 3 on F♯, whole step up, two beats.',
      'Left hand: 5 on D, four beats.',
      'Both hands: Together on beat 1. Right alone on beats 2 and 3.',
    ]);
    expect(rowsOf(text, 2)).toEqual([
      'Right hand: 3 on F♯, again, one beat. 1 on D, skip down, one beat. 5 on A, fifth up, two beats.',
      'Left hand: Rest two beats. 5 on D, again, two beats.',
      'Both hands: Together on beat 3. Right alone on beats 1 and 2.',
    ]);
    expect(rowsOf(text, 3)[0]).toBe('Right hand: As in bar 1.');
    expect(rowsOf(text, 4)[0]).toBe('Right hand: 1 on D, 3 on F♯ and 5 on A together, four beats.');
  });

  it('tell a pupil without letters where the hand sits by the groups of black keys', () => {
    const piece = open(HOP);
    const text = roteText(piece, moved(piece, 'D', { fingering: 'plan' }), CHILD);
    expect(text).toContain('Right hand: Put 1 on the white key between the two black keys above middle C.');
    expect(text).toContain('Then 3 on the lowest of the three black keys.');
    expect(rowsOf(text, 1)[0]).toBe(
      'Right hand: Finger 1 on white, one count. Finger 2 on white, big step up, one count. Finger 3 on black, big step up, two counts.',
    );
    expect(text.split('\n').slice(1).join(' ')).not.toMatch(/\bon [A-G][♯♭]?\b/);
  });

  it('keep to eight words a sentence while a hand plays where it sits', () => {
    const piece = open(HOP);
    const text = roteText(piece, moved(piece, 'D', { fingering: 'plan' }), TEACHER);
    const told =
      rowsOf(text, 1)[0]
        ?.replace('Right hand: ', '')
        .split(/(?<=\.) /) ?? [];
    expect(told.length).toBe(3);
    for (const sentence of told) expect(sentence.split(' ').length).toBeLessThanOrEqual(8);
  });

  it('say a line again instead of telling it twice', () => {
    const four = 'C4q/1 D4q/2 E4h/3 | E4q/3 D4q/2 C4h/1 | G4w/5 | C4w/1';
    const piece = open(musicXml({ right: `${four} | ${four}` }));
    const text = roteText(piece, asWritten(piece), TEACHER);
    expect(text).toContain('Line 2 is line 1 again, bars 5 to 8.');
    expect(text).not.toContain('Bar 5:');
  });

  it('say where the hand moves, with which finger it lands and where it sits then', () => {
    const piece = open(musicXml({ right: 'C4q/1 D4q/2 E4q/3 F4q/4 | G4h/5 Rh | C5q/1 D5q/2 E5q/3 F5q/4 | G5w/5' }));
    const text = roteText(piece, asWritten(piece), TEACHER);
    expect(rowsOf(text, 3)[0]).toMatch(
      /^Right hand: Each note one beat\. Move the hand up, land with 1\. Now 1 on C in the second octave above middle C\. Then 2 on D, 3 on E, 4 on F, 5 on G\. 1 on C,/,
    );
  });

  it('tell two lengths at once: what is held, and when the next comes', () => {
    const piece = open(
      musicXml({ right: 'C4w/1' }).replace(
        '</measure>',
        '<backup><duration>8</duration></backup><note><pitch><step>E</step><octave>4</octave></pitch><duration>4</duration><voice>2</voice><type>half</type><staff>1</staff></note>' +
          '<note><pitch><step>G</step><octave>4</octave></pitch><duration>4</duration><voice>2</voice><type>half</type><staff>1</staff></note></measure>',
      ),
    );
    const text = roteText(piece, moved(piece, 'C', { fingering: 'plan' }), TEACHER);
    expect(rowsOf(text, 1)[0]).toMatch(/1 on C, four beats\. With it 3 on E, two beats\. 5 on G, two beats\.$/);
  });
});

describe('a rote sheet that is read', () => {
  const piece = open(HOP);
  const text = roteText(piece, moved(piece, 'D', { fingering: 'plan' }), TEACHER);

  it('keeps repeats and endings', () => {
    const repeated = open(
      musicXml({ right: 'C4w/1 | D4w/2 | E4w/3 | C4w/1' })
        .replace(
          '<measure number="3">',
          '<measure number="3"><barline location="left"><ending number="1" type="start"/></barline>',
        )
        .replace(
          '</measure><measure number="4">',
          '<barline location="right"><ending number="1" type="stop"/><repeat direction="backward"/></barline></measure>' +
            '<measure number="4"><barline location="left"><ending number="2" type="start"/></barline>',
        )
        .replace(
          '</measure></part>',
          '<barline location="right"><ending number="2" type="stop"/></barline></measure></part>',
        ),
    );
    const told = roteText(repeated, asWritten(repeated), TEACHER);
    expect(told).toContain('Play bars 1 to 3. Then play bars 1 to 2. Then play bar 4.');
    const again = unwrap(openPlainPiece(pieceOfRote(unwrap(readRote(told))), { format: null, key: null, part: null }));
    expect(playingOrder(again.part.measures)).toEqual([0, 1, 2, 0, 1, 3]);
  });

  it('may go over the foot of a page in the middle of a sentence', () => {
    const broken = text.replace(
      'whole step up, one beat.',
      'whole step\n\nPage 1 of 2 · The Lamp Room\n\fup, one beat.',
    );
    expect(unwrap(readRote(broken))).toEqual(unwrap(readRote(text)));
  });

  it('is refused where finger and way do not agree, with the sentence', () => {
    expect(readRote(text.replace('2 on E, whole step up', '2 on E, whole step down'))).toEqual({
      ok: false,
      error: {
        code: 'read.rote',
        reason: 'contradiction',
        said: '2 on E, whole step down, one beat.',
        at: { line: 9, column: 1 },
      },
    });
  });

  it('is refused where a bar does not add up, with the bar and the hand', () => {
    const short = text.replace('3 on F♯, whole step up, two beats.', '3 on F♯, whole step up, one beat.');
    expect(readRote(short)).toEqual({
      ok: false,
      error: { code: 'read.rote-sum', bar: '1', hand: 'right', at: { line: 8, column: 1 } },
    });
  });

  it.each([
    ['2 on E', '2 on G', 'sentence'],
    ['As in bar 1.', 'As in bar 9.', 'reference'],
    ['The key is D major.', 'The key is Q major.', 'key'],
    ['To begin:', 'Well then:', 'head'],
    ['Rest two beats.', 'Clap two beats.', 'sentence'],
  ])('says what it cannot read: “%s” written “%s”', (right, wrong, reason) => {
    const read = readRote(text.replace(right, wrong));
    expect(read.ok ? 'read' : read.error).toMatchObject({ code: 'read.rote', reason });
  });
});
