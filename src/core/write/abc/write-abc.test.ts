import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { asWritten, openPiece, saveAs } from '../../piece';
import { pitchText } from '../../pitch';
import { unwrap } from '../../base';
import { bytesOf, musicXml } from '../../../../tests/support/build-piece';
import { open } from '../../../../tests/support/open';

const abc = (text: string): string => {
  const piece = open(text);
  return String(saveAs(piece, asWritten(piece), 'abc').content);
};
const body = (text: string): string =>
  abc(text)
    .split('\n')
    .filter((line) => !/^(\w:|%%)/.test(line))
    .join('')
    .trim();
const readAgain = (text: string): string =>
  unwrap(openPiece(bytesOf(text), { format: 'abc', key: null, part: null }))
    .notes.map(({ pitch }) => pitchText(pitch))
    .join(' ');

describe('writeAbc', () => {
  it.each([
    ['pitches in their octaves', { right: 'C3q C4q C5q C6q' }, "C,2 C2 c2 c'2 |]"],
    ['lengths in eighths', { right: 'C4w | C4h C4q C4e C4e' }, 'C8 | C4 C2 C C |]'],
    ['rests', { right: 'C4h Rh' }, 'C4 z4 |]'],
    ['chords with their fingers', { right: 'C4+E4+G4w/1/3/5' }, '[!1!C!3!E!5!G]8 |]'],
    ['ties', { right: 'C4w~ | C4w' }, 'C8- | C8 |]'],
    ['staccato', { right: "C4q' D4q E4h" }, '.C2 D2 E4 |]'],
  ])('has %s', (_what, text, expected) => {
    expect(body(musicXml({ ...text, mode: 'major' }))).toBe(expected);
  });

  it('keeps a piece of the left hand alone in the left hand', () => {
    const text = abc(
      musicXml({
        right: 'C3q/5 D3q/4 E3h/3',
        mode: 'major',
        attributes: '<clef><sign>F</sign><line>4</line></clef>',
      }),
    );
    expect(text).toContain('K:C clef=bass');
    expect(unwrap(openPiece(bytesOf(text), { format: 'abc', key: null, part: null })).hands).toEqual(['left']);
  });

  it('names hands, key and meter in the header', () => {
    const text = abc(
      musicXml({
        right: 'F#4q/1 G4h/2',
        left: 'G3h.'.replace('.', '') + ' G3q',
        fifths: 1,
        mode: 'major',
        meter: [3, 4],
        title: 'Head',
      }),
    );
    for (const line of ['T:Head', 'M:3/4', 'L:1/8', '%%score {1a 1b}', 'V:1a clef=treble', 'V:1b clef=bass', 'K:G'])
      expect(text.split('\n')).toContain(line);
  });

  it('braces the staves of a part, puts the voices of a staff in parentheses, and keeps a chord symbol with its bass', () => {
    const two =
      'X:1\nT:Two\nM:4/4\nL:1/4\n%%score {(A B) | C}\nK:C\nV:A clef=treble\nV:B clef=treble\nV:C clef=bass\n' +
      '[V:A] "Am/C"C D E F|\n[V:B] C4|\n[V:C] C,4|\n';
    const piece = unwrap(openPiece(bytesOf(two), { format: 'abc', key: null, part: null }));
    const lines = String(saveAs(piece, asWritten(piece), 'abc').content).split('\n');
    expect(lines).toContain('%%score {(1a 1b) 1c}');
    expect(lines).toContain('"Am/C"C2 D2 E2 F2 |]');
  });

  it('changes key and repeats where the piece does', () => {
    const extra = {
      2: '<attributes><key><fifths>2</fifths></key></attributes><barline location="right"><repeat direction="backward"/></barline>',
    };
    expect(body(musicXml({ right: 'F4w | F#4w', extra, mode: 'major' }))).toBe('F8 | [K:D] F8 :|');
  });

  it('puts words under their notes', () => {
    const text = musicXml({ right: 'C4h D4h', mode: 'major' }).replace(
      /(<\/type><staff>1<\/staff>)(<\/note>)/g,
      '$1<lyric number="1"><syllabic>single</syllabic><text>two words</text></lyric>$2',
    );
    expect(abc(text)).toContain('w: two~words two~words');
  });

  it('signs notes so that both readings of ABC agree, whatever the line', () => {
    const token = fc
      .tuple(
        fc.constantFrom('C', 'D', 'E', 'F', 'G', 'A', 'B'),
        fc.constantFrom('', '#', 'b'),
        fc.constantFrom('3', '4', '5'),
      )
      .map(([step, sign, octave]) => `${step}${sign}${octave}q`);
    const line = fc
      .array(
        fc.array(token, { minLength: 4, maxLength: 4 }).map((bar) => bar.join(' ')),
        { minLength: 1, maxLength: 4 },
      )
      .map((bars) => bars.join(' | '));
    fc.assert(
      fc.property(line, fc.integer({ min: -4, max: 4 }), (right, fifths) => {
        const text = musicXml({ right, fifths, mode: 'major' });
        const meant = open(text)
          .notes.map(({ pitch }) => pitchText(pitch))
          .join(' ');
        const written = abc(text);
        expect(readAgain(written)).toBe(meant);
        expect(readAgain(written.replace('X:1\n', 'X:1\n%%propagate-accidentals octave\n'))).toBe(meant);
      }),
      { numRuns: 60 },
    );
  });
});
