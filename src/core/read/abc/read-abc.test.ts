import { describe, expect, it } from '@jest/globals';
import { pitchText } from '../../pitch';
import { attributesOf, itemsOf, notesOf } from '../../score';
import { childElements, textOf } from '../../xml';
import { writeMusicXml } from '../../write';
import { openPiece, type OpenedPiece } from '../../piece';
import { unwrap } from '../../base';
import { bytesOf } from '../../../../tests/support/build-piece';
import { readAbc, splitAbc } from './read-abc';

const tune = (body: string, header = 'M:4/4\nL:1/4\nK:C'): string => `X:1\nT:Test\n${header}\n${body}\n`;
const open = (text: string): OpenedPiece => unwrap(openPiece(bytesOf(text), { format: 'abc', key: null, part: null }));
const pitches = (text: string): string =>
  open(text)
    .notes.map(({ pitch }) => pitchText(pitch))
    .join(' ');
const lengths = (text: string): string =>
  open(text)
    .notes.map(({ duration }) => duration / open(text).score.ticksPerQuarter)
    .join(' ');
const xml = (text: string): string => writeMusicXml(open(text).score);
const remarks = (text: string): readonly string[] =>
  open(text)
    .remarks.map(({ code }) => code)
    .filter((code) => code !== 'key-guessed');

describe('reading ABC (standard 2.1, from memory)', () => {
  it.each([
    ['octaves by case, commas and apostrophes', "C, C c c'", 'C3 C4 C5 C6'],
    ['signs, double ones too', '^F _B =c ^^F __E', 'F#4 Bb4 C5 F##4 Ebb4'],
    ['signs to the bar line', '^F F | F F', 'F#4 F#4 F4 F4'],
    ['signs for the letter in all octaves', '^F f F, f', 'F#4 F#5 F#3 F#5'],
    ['chords', '[CEG]4', 'C4 E4 G4'],
    ['ties that keep the sign over the bar line', '^F4- | F4', 'F#4 F#4'],
  ])('has %s', (_what, body, expected) => {
    expect(pitches(tune(body))).toBe(expected);
  });

  it('obeys %%propagate-accidentals, and tells of the doubt where it is not said', () => {
    expect(pitches(tune('^F f F f', '%%propagate-accidentals octave\nM:4/4\nL:1/4\nK:C'))).toBe('F#4 F5 F#4 F5');
    expect(pitches(tune('^F F F f', '%%propagate-accidentals not\nM:4/4\nL:1/4\nK:C'))).toBe('F#4 F4 F4 F5');
    expect(remarks(tune('^F f F f'))).toEqual(['abc-octaves']);
    expect(remarks(tune('^F F F F'))).toEqual([]);
  });

  it.each([
    ['broken rhythm', 'C>D E<F G4', '1.5 0.5 0.5 1.5 4'],
    ['lengths', 'C2 D/ E3/2', '2 0.5 1.5'],
    ['triplets', '(3CDE F2', '0.6666666666666666 0.6666666666666666 0.6666666666666666 2'],
  ])('has %s', (_what, body, expected) => {
    expect(lengths(tune(body))).toBe(expected);
  });

  it('writes triplets as triplets, each bar adding up', () => {
    const text = xml(tune('(3CDE F2 | (3G/A/G/ F z2'));
    expect(text.match(/<tuplet type="start"/g)).toHaveLength(2);
    expect(text.match(/<actual-notes>3<\/actual-notes><normal-notes>2<\/normal-notes>/g)).toHaveLength(6);
    expect(remarks(tune('(3CDE F2 | (3G/A/G/ F z2'))).toEqual([]);
  });

  it('has keys with their modes, and changes inside', () => {
    const keyOf = (key: string): string =>
      JSON.stringify(open(tune('C4', `M:4/4\nL:1/4\nK:${key}`)).score.parts.flatMap(attributesOf)[0]?.keys[0]);
    expect(keyOf('Bb')).toContain('"fifths":-2,"mode":"major"');
    expect(keyOf('F#m')).toContain('"fifths":3,"mode":"minor"');
    expect(keyOf('Ddor')).toContain('"fifths":0,"mode":"dorian"');
    expect(pitches(tune('F4 | [K:D] F4', 'M:4/4\nL:1/4\nK:C'))).toBe('F4 F#4');
    expect(pitches(tune('F E D2', 'M:4/4\nL:1/4\nK:D phr ^F'))).toBe('F#4 Eb4 D4');
  });

  it('takes two voices as two hands, fingers as fingers', () => {
    const piece = open(
      'X:1\nT:Two\nM:4/4\nL:1/4\n%%score {R L}\nV:R clef=treble\nV:L clef=bass\nK:C\nV:R\n!1!C !2!D [!1!E!3!G]2|\nV:L\n!5!C,4|\n',
    );
    expect(piece.hands).toEqual(['right', 'left']);
    expect(piece.notes.map(({ hand, pitch, finger }) => `${hand} ${pitchText(pitch)} ${finger}`)).toEqual([
      'left C3 5',
      'right C4 1',
      'right D4 2',
      'right E4 1',
      'right G4 3',
    ]);
  });

  it('plays repeats and endings where they stand', () => {
    const text = xml(tune('|: C4 |1 D4 :|2 E4 |]'));
    expect(text).toContain('<repeat direction="forward"/>');
    expect(text).toContain('<ending number="1" type="start"/>');
    expect(text).toMatch(/<ending number="1" type="stop"\/><repeat direction="backward"\/>/);
    expect(text).toMatch(/<ending number="2" type="stop"\/>/);
  });

  it('has words under their notes, slurs, grace notes, decorations and chord symbols', () => {
    const text = tune('"Am"(C!mf!D) {B}E.F | !fermata!G4\nw: la-la so good | bye');
    const lyrics = notesOf(open(text).part).flatMap((note) =>
      childElements(note.xml, 'lyric').map((lyric) => childElements(lyric, 'text').map(textOf)[0]),
    );
    expect(lyrics).toEqual(['la', 'la', 'so', 'good', 'bye']);
    for (const part of [
      '<slur type="start" number="1"/>',
      '<grace slash="yes"/>',
      '<mf/>',
      '<staccato/>',
      '<fermata type="upright"/>',
      '<root-step>A</root-step>',
      '<syllabic>begin</syllabic>',
    ])
      expect(xml(text)).toContain(part);
    expect(itemsOf(open(text).part).filter(({ kind }) => kind === 'harmony')).toHaveLength(1);
  });

  it('knows a pick-up, tempo, title and composer', () => {
    const piece = open('X:1\nT:Up\nC:Nobody\nM:3/4\nL:1/4\nQ:1/4=80\nK:G\nD | G2 A | B3 |]\n');
    expect([piece.score.title, piece.score.composer, piece.part.measures[0]?.number, piece.notes[0]?.beat]).toEqual([
      'Up',
      'Nobody',
      '0',
      3,
    ]);
    expect(writeMusicXml(piece.score)).toContain('<per-minute>80</per-minute>');
  });

  it('draws the signs of print', () => {
    expect(notesOf(open(tune('^F F =F | F')).part).map(({ accidental }) => accidental?.sign ?? '-')).toEqual([
      'sharp',
      '-',
      'natural',
      '-',
    ]);
  });

  it('tells what it did not understand, with line and column', () => {
    expect(open(tune('C q D2')).remarks).toContainEqual({
      code: 'abc-unclear',
      line: 6,
      column: expect.any(Number),
      about: { said: 'Unknown character ignored' },
    });
  });

  it('keeps the tunes of a file apart', () => {
    const text = '%%landscape 0\nX:1\nT:One\nK:C\nC4|\n\nX:2\nT:Two\nK:G\nG4|\n';
    expect(splitAbc(text).map((each) => open(each).score.title)).toEqual(['One', 'Two']);
    expect(open(text).remarks).toContainEqual({ code: 'more-tunes', count: 2 });
  });

  it.each([
    ['without notes', tune('z4'), 'read.no-notes'],
    ['with quarter tones', tune('^/C4'), 'read.quarter-tone'],
  ])('refuses a tune %s', (_what, text, code) => {
    expect(openPiece(bytesOf(text), { format: 'abc', key: null, part: null })).toMatchObject({
      ok: false,
      error: { code },
    });
  });
});

it('a text over which the parser fails is refused, with the line', () => {
  const read = readAbc('X:1\nT:a\n%%score "\nK:C\nV:1\nC D E F|\n!Z\nG4|\n');
  expect(read).toMatchObject({ ok: false, error: { code: 'read.malformed', at: { line: 7 } } });
});
