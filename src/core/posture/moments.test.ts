import { describe, expect, it } from '@jest/globals';
import { passage, passageOfLine, handLine } from '../../../tests/support/passages';
import { keyOf } from '../../../tests/support/planning';
import { momentsOf } from './moments';

const joins = (text: string): readonly string[] => momentsOf(passage('right', text)).map(({ join }) => join);

describe('how a moment joins the one before it', () => {
  it.each([
    ['in a line, and over a bar line', 'C4 D4 E4 F4 G4', 'run run run bar'],
    ['after a rest of less than a quarter, and of one', 'C4 r:0.5 D4:0.5 r E4', 'rest rest1'],
    ['after a half note among quarters', 'C4 D4 E4:2 F4', 'run run long2'],
    ['among equal half notes', 'C4:2 D4:2 E4:2', 'even even'],
    ['after a dotted half note', 'C4:3 D4', 'long3'],
    ['after the end of a slur', 'C4 D4 | E4', 'run slurEnd'],
    ['after a detached note', "C4' D4", 'stacc'],
    ['after a dotted quarter', 'C4:1.5 D4:0.5 E4', 'longer run'],
    ['from pair to pair, and from chord to chord', '[C4 E4] [D4 F4]', 'dyad'],
    ['from chord to chord', '[C4 E4 G4] [C4 F4 A4]', 'chord'],
  ])('%s', (_what, text, wanted) => {
    expect(joins(text).slice(1).join(' ')).toBe(wanted);
  });

  it('under a slur, as long as it goes on; a slur without an end is none', () => {
    const notes = handLine('right', 'C4 D4 E4:2 F4 G4');
    const marked = (begin: number, end: number | null) =>
      momentsOf(
        passageOfLine(
          'right',
          notes.map((note, i) => ({ ...note, slurBegins: i === begin, slurEnds: i === end })),
          keyOf('C'),
        ),
      ).map(({ join }) => join);
    expect(marked(0, 3)).toEqual(['rest1', 'slurIn', 'slurIn', 'slurInLong', 'slurEnd']);
    expect(marked(0, null)).toEqual(joins('C4 D4 E4:2 F4 G4'));
  });

  it('pairs that are detached have time', () => {
    const tempos = (text: string) => momentsOf(passage('left', text)).map(({ tempo }) => tempo);
    expect(tempos("[C3 G3]' [C3 A3]'")[1]).toBe(2);
    expect(tempos('[C3 G3] [C3 A3]')[1]).toBe(0);
  });
});

describe('phrases', () => {
  const reaches = (text: string): readonly string[] =>
    momentsOf(passage('right', text)).map(({ phraseLow, phraseHigh }) => String(phraseHigh - phraseLow));

  it('reach from a moment to their end: a rest, or a slur that ends on a long note', () => {
    expect(reaches('C4 E4 G4 r A4 B4 C5').join(' ')).toBe('4 2 0 2 1 0');
    expect(reaches('C4 E4 G4:2 | A4 B4 C5').join(' ')).toBe('4 2 0 2 1 0');
  });

  it('of fewer than three moments go on into the next', () => {
    expect(reaches('C4 r D4 E4 F4').join(' ')).toBe('3 2 1 0');
  });
});

it('half steps on one letter are near for eight moments on either side', () => {
  const near = momentsOf(passage('right', `F4 F#4 ${'G4 '.repeat(10).trim()}`)).map((one) => one.nearHalfSteps);
  expect(near.lastIndexOf(true)).toBe(9);
  expect(momentsOf(passage('right', 'F4 G4 F#4')).some((one) => one.nearHalfSteps)).toBe(false);
});
