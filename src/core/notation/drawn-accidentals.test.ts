import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { notesOf } from '../score';
import { musicXml } from '../../../tests/support/build-piece';
import { drawnByTheBarRule } from '../../../tests/support/bar-rule';
import { moved, open } from '../../../tests/support/open';
import { writeMusicXml } from '../write';
import { drawAccidentals, type Courtesy } from './drawn-accidentals';

/** The signs drawn at the notes of a piece, `?` behind courtesy signs, `-` for none. */
function signs(text: string, courtesy: Courtesy = 'bar'): string {
  const { part } = open(text);
  return notesOf(drawAccidentals(part, courtesy))
    .filter(({ pitch }) => pitch)
    .map(({ accidental }) => (accidental ? `${SHORT[accidental.sign]}${accidental.courtesy ? '?' : ''}` : '-'))
    .join(' ');
}

const SHORT = { sharp: '#', flat: 'b', natural: 'n', 'double-sharp': 'x', 'flat-flat': 'bb' } as const;

describe('drawn accidentals', () => {
  it.each([
    ['hold to the bar line', 'F#4q F#4q F4q F#4q', '# - n #'],
    ['hold for their own octave only', 'F#4h F#5h', '# #'],
    ['are owed a courtesy sign in the next bar', 'F#4w | F4w', '# n?'],
    ['owe none where the bar itself cancelled them', 'F#4h F4h | F4w', '# n -'],
    ['owe none where it was cancelled after two of them', 'F#4q F#4q F4h | F4w', '# - n -'],
    ['owe none two bars later', 'F#4w | C4w | F4w', '# - -'],
    ['owe none in another octave', 'F#4w | F5w', '# -'],
    ['cross the bar line with a tie, unsigned', 'F#4w~ | F#4w', '# -'],
    ['are drawn anew after the tied note', 'F#4w~ | F#4h F#4h', '# - #'],
    ['are owed after a tie has ended', 'F#4w~ | F#4w | F4w', '# - n?'],
    ['follow a double sharp without a natural', 'F##4h F#4h', 'x #'],
  ])('%s', (_claim, right, expected) => {
    expect(signs(musicXml({ right }))).toBe(expected);
  });

  it('are none for what the signature holds, and a natural against it', () => {
    expect(signs(musicXml({ right: 'F#4h F4h | F#4w', fifths: 1 }))).toBe('- n #?');
    expect(signs(musicXml({ right: 'Bb4h B4h', fifths: -1 }))).toBe('- n');
  });

  it('hold for their own staff only', () => {
    expect(signs(musicXml({ right: 'F#4w', left: 'F4w' }))).toBe('# -');
  });

  it('can do without courtesy signs', () => {
    expect(signs(musicXml({ right: 'F#4w | F4w' }), 'none')).toBe('# -');
  });

  it('are owed in other octaves too where that is wanted, with parentheses or without', () => {
    const text = musicXml({ right: 'F#4h F5h | F6w' });
    expect(signs(text, 'octaves')).toBe('# n? n?');
    expect(signs(text, 'bar')).toBe('# - -');
    const drawn = notesOf(drawAccidentals(open(musicXml({ right: 'F#4w | F4w' })).part, 'bar-plain'));
    expect(drawn.map(({ accidental }) => accidental)).toEqual([
      { sign: 'sharp', courtesy: false, parentheses: false },
      { sign: 'natural', courtesy: true, parentheses: false },
    ]);
    expect(
      writeMusicXml(
        moved(open(musicXml({ right: 'F#4w | F4w', mode: 'major' })), 'D', { courtesy: 'bar-plain' }).score,
      ),
    ).toContain('<accidental cautionary="yes">natural</accidental>');
  });

  it('follow a new signature in the middle of a piece', () => {
    const extra = { 2: '<attributes><key><fifths>1</fifths></key></attributes>' };
    expect(signs(musicXml({ right: 'F#4w | F#4h F4h', extra }))).toBe('# - n');
  });

  it('are what a rule written apart draws, for random lines in random keys', () => {
    const note = fc.tuple(
      fc.constantFrom('C', 'D', 'E', 'F', 'G', 'A', 'B'),
      fc.constantFrom('', '#', 'b'),
      fc.constantFrom('4', '5'),
    );
    const bar = fc
      .array(note, { minLength: 4, maxLength: 4 })
      .map((notes) => notes.map(([step, sign, octave]) => `${step}${sign}${octave}q`).join(' '));
    const line = fc.array(bar, { minLength: 1, maxLength: 4 }).map((bars) => bars.join(' | '));
    fc.assert(
      fc.property(
        line,
        fc.integer({ min: -2, max: 2 }),
        fc.constantFrom('C', 'D', 'Eb', 'F', 'G', 'A', 'Bb'),
        (right, fifths, to) => {
          const piece = open(musicXml({ right, fifths, mode: 'major' }));
          const { score } = moved(piece, to);
          // In its own key a piece is left as it is, with the signs that the file has.
          fc.pre(score !== piece.score);
          const drawn = score.parts
            .flatMap((part) => notesOf(part))
            .map(({ accidental }) => (accidental ? `${accidental.sign}${accidental.courtesy ? '?' : ''}` : ''));
          expect(drawn).toEqual(drawnByTheBarRule(writeMusicXml(score)));
        },
      ),
      { numRuns: 150 },
    );
  });
});
