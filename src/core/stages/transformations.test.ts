import { describe, expect, it } from '@jest/globals';
import { musicXml, type PieceText } from '../../../tests/support/build-piece';
import { open } from '../../../tests/support/open';
import { asWritten } from '../piece';
import { pitchText } from '../pitch';
import { handNotes } from '../score';
import { engravingPage, NO_TEXTS, writeMusicXml } from '../write';
import { stagePiece, stageScore, type Transformation } from './index';

const staged = (text: PieceText, ...transformations: readonly Transformation[]) => {
  const piece = open(musicXml(text));
  return stageScore(piece.score, { partId: piece.part.id, courtesy: 'bar' }, transformations);
};

/** The notes of a hand as they are played: bar, beat, pitches, length in quarters, fingers. */
const played = (text: PieceText, hand: 'right' | 'left', ...transformations: readonly Transformation[]): string => {
  const { score } = staged(text, ...transformations);
  const [part] = score.parts;
  return (part ? handNotes(part, score.ticksPerQuarter) : [])
    .filter((note) => note.hand === hand)
    .map(
      ({ bar, beat, pitch, duration, finger }) =>
        `${bar}.${beat} ${pitchText(pitch)}:${duration / score.ticksPerQuarter}/${finger}`,
    )
    .join(' | ');
};

describe('beats (handbook, teaching it: only the beats of a broken octave with finger 5, then split)', () => {
  const EIGHTHS = { right: 'G4w/5', left: 'C3e/5 C4e/1 C3e/5 C4e/1 G2e/5 G3e/1 G2e/5 G3e/1' };
  it('are the lower notes, with finger 5, each as long as it was', () => {
    expect(played(EIGHTHS, 'left', { kind: 'beats' })).toBe(
      '1.1 C3:0.5/5 | 1.2 C3:0.5/5 | 1.3 G2:0.5/5 | 1.4 G2:0.5/5',
    );
  });

  it('of octaves that are broken over beats are those on which the octave begins', () => {
    expect(played({ right: 'G4w/5', left: 'F2q/5 F3q/1 F2q/5 F3q/1' }, 'left', { kind: 'beats' })).toBe(
      '1.1 F2:1/5 | 1.3 F2:1/5',
    );
  });

  it('in 6/8 are two', () => {
    const compound = { right: 'G4h/5 Rq', left: 'C3e/5 G3e/2 C4e/1 C3e/5 G3e/2 C4e/1', meter: [6, 8] as const };
    expect(played(compound, 'left', { kind: 'beats' })).toBe('1.1 C3:0.5/5 | 1.4 C3:0.5/5');
    expect(played(compound, 'left', { kind: 'split-octave' })).toBe(
      '1.1 C3:0.5/5 | 1.3 C4:0.5/1 | 1.4 C3:0.5/5 | 1.6 C4:0.5/1',
    );
  });

  it('leave the right hand as it is', () => {
    expect(played(EIGHTHS, 'right', { kind: 'beats' })).toBe('1.1 G4:4/5');
  });
});

describe('blocked', () => {
  it.each([
    ['Alberti', 'C3e/5 G3e/1 E3e/3 G3e/1 C3e/5 G3e/1 E3e/3 G3e/1', '1.1 C3:4/5 | 1.1 E3:4/3 | 1.1 G3:4/1'],
    [
      'two chords in a bar',
      'C3q/5 E3e/3 G3e/1 B2q/5 F3e/2 G3e/1',
      '1.1 C3:2/5 | 1.1 E3:2/3 | 1.1 G3:2/1 | 1.3 B2:2/5 | 1.3 F3:2/2 | 1.3 G3:2/1',
    ],
    ['a rocking fifth', 'C3q/5 G3q/1 C3q/5 G3q/1', '1.1 C3:4/5 | 1.1 G3:4/1'],
    ['a broken octave', 'C2h/5 C3h/1', '1.1 C2:4/5 | 1.1 C3:4/1'],
    [
      'a tune in seconds, which is no chord',
      'C3q/5 D3q/4 E3q/3 D3q/4',
      '1.1 C3:1/5 | 1.2 D3:1/4 | 1.3 E3:1/3 | 1.4 D3:1/4',
    ],
    ['a tenth, which no hand strikes', 'C3q/5 G3q/2 E4q/1 G3q/2', '1.1 C3:1/5 | 1.2 G3:1/2 | 1.3 E4:1/1 | 1.4 G3:1/2'],
  ])('%s', (_name, left, expected) => {
    expect(played({ right: 'G4w/5', left }, 'left', { kind: 'blocked' })).toBe(expected);
  });

  it('gives one finger no two keys to hold: the planner finds another', () => {
    const text = { right: 'G4w/5', left: 'C3q/5 E3q/2 G3q/2 E3q/2' };
    expect(played(text, 'left', { kind: 'blocked' })).toBe('1.1 C3:4/5 | 1.1 E3:4/2 | 1.1 G3:4/null');
  });
});

describe('roots (primary chords in close position: C-E-G, C-F-A, B-F-G; handbook)', () => {
  it('are the roots of struck chords, whatever is lowest', () => {
    const text = { right: 'G4w/5 | G4w/5', left: 'C3+E3+G3h/5/3/1 C3+F3+A3h/5/2/1 | B2+F3+G3h/5/2/1 C3+E3+G3h/5/3/1' };
    expect(played(text, 'left', { kind: 'roots' })).toBe('1.1 C3:2/5 | 1.3 F3:2/2 | 2.1 G3:2/1 | 2.3 C3:2/5');
  });

  it('are the first notes of broken ones', () => {
    expect(played({ right: 'G4w/5', left: 'C3q/5 G3q/1 E3q/3 G3q/1' }, 'left', { kind: 'roots' })).toBe('1.1 C3:1/5');
  });
});

describe('what is left out', () => {
  it('is silence that fills the bar: a rest a half bar, a beat, or the whole bar', () => {
    const text = { right: 'C4q/1 D4q/2 E4q/3 F4q/4 | G4w/5', left: 'C3w/5 | C3w/5' };
    const rests = (...transformations: readonly Transformation[]): string =>
      [
        ...writeMusicXml(staged(text, ...transformations).score).matchAll(
          /<rest( measure="yes")?\/>.*?<duration>(\d+)/g,
        ),
      ]
        .map(([, whole = '', ticks]) => `${ticks}${whole.trim()}`)
        .join(' ');
    expect(rests({ kind: 'notes', notes: ['n1'] })).toBe('2 4 8measure="yes" 8measure="yes" 8measure="yes"');
    expect(rests({ kind: 'hand', hand: 'right' })).toBe('8measure="yes" 8measure="yes"');
  });

  it('takes its tie, its slur and its sign along', () => {
    const text = { right: 'F#4q/4 F#4q/4 G4h/5~ | G4w | F4w/4)', left: 'C3w/5 | C3w/5 | C3w/5' };
    const { score, kept } = staged(text, { kind: 'notes', notes: ['n2', 'n8'] });
    expect(kept).toEqual(['n2', 'n8']);
    const xml = writeMusicXml(score);
    expect(xml).not.toMatch(/<tie |<tied|<slur/);
    expect([...xml.matchAll(/<accidental[^>]*>(\w+)/g)].map(([, sign]) => sign)).toEqual(['sharp']);
  });

  it('of a bar that was tied over is struck, with its finger', () => {
    const text = { right: 'C4h/1 G4h/5~ | G4h F4h/4', left: 'C3w/5 | C3w/5' };
    expect(played(text, 'right', { kind: 'bars', bars: [1] })).toBe('2.1 G4:2/5 | 2.3 F4:2/4');
  });
});

describe('bars alone', () => {
  const TEXT = {
    right: 'C4w/1 | D4w/2 | E4w/3 | F4w/4',
    left: 'C3w/5 | C3w/5 | C3w/5 | C3w/5',
    fifths: 1,
    extra: {
      1: '<direction><direction-type><words>Andante</words></direction-type><sound tempo="66"/></direction>',
      2: '<attributes><key><fifths>2</fifths></key></attributes>',
      4: '<barline location="right"><bar-style>light-heavy</bar-style><repeat direction="backward"/></barline>',
    },
  };
  it('keep their numbers, and the key, the clefs and the tempo that hold in them', () => {
    const xml = writeMusicXml(staged(TEXT, { kind: 'bars', bars: [2] }).score);
    expect(xml).toMatch(/<measure number="3">.*<fifths>2<\/fifths>.*tempo="66"/);
    expect(xml).toMatch(/<sign>F<\/sign>/);
    expect(xml.match(/<measure /g)).toHaveLength(1);
  });

  it('are no form: repeats go, and a double line stands where bars were left out', () => {
    const xml = writeMusicXml(staged(TEXT, { kind: 'bars', bars: [0, 3] }).score);
    expect(xml).not.toContain('<repeat');
    expect([...xml.matchAll(/<bar-style>([\w-]+)/g)].map(([, style]) => style)).toEqual(['light-light', 'light-heavy']);
  });

  it('leave the hand the time that it had between them: no move without a break is seen where bars are missing', () => {
    const apart = open(musicXml({ right: 'C4q/1 D4q/2 E4q/3 F4q/4 | G4w/5 | C5q/1 D5q/2 E5q/3 F5q/4', mode: 'major' }));
    const drill = stagePiece(apart, asWritten(apart), [{ kind: 'bars', bars: [0, 2] }], 'bar');
    expect(asWritten(drill).flags).toEqual([]);
  });
});

describe('long notes', () => {
  it('fill the bar, one or two of them', () => {
    const text = { right: 'C4q/1 Rq Rh | D4q/2 E4q/3 Rh | C4q/1 D4q/2 E4q/3 Rq', left: 'C3w/5 | C3w/5 | C3w/5' };
    expect(played(text, 'right', { kind: 'long' })).toBe(
      '1.1 C4:4/1 | 2.1 D4:2/2 | 2.3 E4:2/3 | 3.1 C4:1/1 | 3.2 D4:1/2 | 3.3 E4:1/3',
    );
  });
});

describe('tapping', () => {
  const TEXT = { right: 'C4+E4h/1/3 G4h/5', left: 'C3w/5', fifths: 2 };
  it('keeps the notes, and is drawn on lines: one head a chord, with all its fingers, no clef and no signature', () => {
    expect(staged(TEXT, { kind: 'tapping' }).dropped).toEqual([]);
    const { score } = staged(TEXT, { kind: 'tapping' });
    const { musicXml: page } = engravingPage([{ score, prefix: 'a-', label: '', texts: NO_TEXTS }], []);
    expect(page.match(/<unpitched>/g)).toHaveLength(3);
    expect(page).not.toMatch(/<pitch>|<key>|<sign>G/);
    expect([...page.matchAll(/<fingering[^>]*>(\d)/g)].map(([, finger]) => finger)).toEqual(['1', '3', '5', '5']);
  });
});
