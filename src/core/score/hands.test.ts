import { describe, expect, it } from '@jest/globals';
import { parsePitch, type Pitch } from '../pitch';
import { musicXml } from '../../../tests/support/build-piece';
import { demoFile } from '../../../tests/support/demo-pieces';
import { open } from '../../../tests/support/open';
import { ledgerLines } from './clef';
import { handNotes, handsOf, pupilPart } from './hands';
import type { Part } from './score';
import { struckNotes } from './struck';

describe('the notes of a hand', () => {
  /** How often the music of bars is looked at while all notes of a part on one staff are found. */
  const looks = (bars: number): number => {
    const line = Array.from({ length: bars }, () => 'C4q D4q E4q F4q').join(' | ');
    const part = pupilPart(open(musicXml({ right: line })).score, null) as Part;
    let count = 0;
    const measures = part.measures.map((measure) =>
      Object.defineProperty({ ...measure }, 'items', { get: () => ((count += 1), measure.items) }),
    );
    expect(handNotes({ ...part, measures }, 1)).toHaveLength(4 * bars);
    return count;
  };

  it('are found in a time that grows with the length of the piece, and not with its square', () => {
    expect(looks(400) / looks(100)).toBeLessThanOrEqual(5);
  });
});

describe('ledgerLines', () => {
  const treble = { staff: 1, sign: 'G', line: 2, octaveChange: 0 };
  const bass = { staff: 2, sign: 'F', line: 4, octaveChange: 0 };
  it.each([
    ['C4', treble, 1],
    ['D4', treble, 0],
    ['A5', treble, 1],
    ['G5', treble, 0],
    ['C6', treble, 2],
    ['E6', treble, 3],
    ['A3', treble, 2],
    ['F3', treble, 3],
    ['C4', bass, 1],
    ['E2', bass, 1],
    ['F2', bass, 0],
    ['C2', bass, 2],
    ['C5', { ...treble, octaveChange: 1 }, 1],
  ] as const)('%s has the right number in its clef', (pitch, clef, lines) => {
    expect(ledgerLines(parsePitch(pitch) as Pitch, clef)).toBe(lines);
  });
});

describe('hands', () => {
  it('are told by staff; a single bass staff is the left hand’s', () => {
    expect(open(musicXml({ right: 'C4w', left: 'C3w' })).hands).toEqual(['right', 'left']);
    const bassOnly = musicXml({ right: 'C3w', attributes: '<clef><sign>F</sign><line>4</line></clef>' });
    expect(handsOf(open(bassOnly).part)).toEqual(['left']);
  });

  it('belong to the first part with two staves unless another is asked for', () => {
    const text = musicXml({ right: 'C4w', left: 'C3w' })
      .replace('<part-list>', '<part-list><score-part id="V"><part-name>Voice</part-name></score-part>')
      .replace(
        '<part id="P1">',
        '<part id="V"><measure number="1"><note><pitch><step>G</step><octave>4</octave></pitch><duration>4</duration></note></measure></part><part id="P1">',
      );
    const { score } = open(text);
    expect([
      pupilPart(score, null)?.id,
      pupilPart(score, 'V')?.id,
      pupilPart(score, '1')?.id,
      pupilPart(score, 'X'),
    ]).toEqual(['P1', 'V', 'V', undefined]);
  });
});

describe('struckNotes', () => {
  it('adds tied notes up: four beats and four are eight, struck once (common practice)', () => {
    const struck = struckNotes(open(musicXml({ right: 'C4w~ | C4w' })).notes);
    expect(struck.map(({ duration }) => duration)).toEqual([16]);
  });

  it('strikes a repeated note again', () => {
    expect(struckNotes(open(musicXml({ right: 'C4h C4h' })).notes)).toHaveLength(2);
  });

  it('does not tie over a gap', () => {
    expect(struckNotes(open(musicXml({ right: 'C4q~ Rq D4h | C4w' })).notes)).toHaveLength(3);
  });
});

describe('handNotes', () => {
  it('count a pick-up’s beat by its place in a full bar', () => {
    const first = open(demoFile('slow-ferris')).notes[0];
    expect([first?.bar, first?.beat]).toEqual(['0', 3]);
  });

  it('sound as a transposing part sounds', () => {
    const clarinet = musicXml({
      right: 'D4w',
      fifths: 2,
      attributes: '<transpose><diatonic>-1</diatonic><chromatic>-2</chromatic></transpose>',
    });
    const piece = open(clarinet);
    expect([piece.notes[0]?.midi, piece.key.key.tonic.step]).toEqual([60, 0]);
  });
});

describe('bars that are left out', () => {
  const jump = (line: string) =>
    open(
      musicXml({ right: 'C4w | D4w', extra: { 1: line } }).replace('<measure number="2">', '<measure number="7">'),
    ).notes.map(({ onset }) => onset);
  it('take their time where a double line and the numbers say so', () => {
    expect(jump('<barline location="right"><bar-style>light-light</bar-style></barline>')).toEqual([0, 48]);
  });
  it('are not seen in a jump of the numbers alone', () => expect(jump('')).toEqual([0, 8]));
});
