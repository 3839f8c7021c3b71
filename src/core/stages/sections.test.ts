import { describe, expect, it } from '@jest/globals';
import { musicXml, type PieceText } from '../../../tests/support/build-piece';
import { demoFile } from '../../../tests/support/demo-pieces';
import { open } from '../../../tests/support/open';
import { asWritten } from '../piece';
import { linesOf, phrasesOf } from './sections';
import { subjectOf } from './subject';

const subject = (text: string) => {
  const piece = open(text);
  return subjectOf(piece, asWritten(piece));
};
const bars = (count: number, more: Partial<PieceText> = {}): string =>
  musicXml({ right: Array.from({ length: count }, () => 'C4h/1 E4h/3').join(' | '), mode: 'major', ...more });
/** Sections as they are spoken of: from the first to the last index. */
const spans = (sections: readonly (readonly number[])[]): string =>
  sections.map((one) => `${one[0]}-${one.at(-1)}`).join(' ');

describe('lines', () => {
  it.each([
    [4, ''],
    [8, '0-3 4-7'],
    [9, '0-3 4-8'],
    [10, '0-3 4-7 8-9'],
    [16, '0-3 4-7 8-11 12-15'],
  ])('of %i bars are four bars each; one bar alone makes no line', (count, expected) => {
    expect(spans(linesOf(subject(bars(count))))).toBe(expected);
  });

  it('have a pick-up with the first', () => {
    expect(spans(linesOf(subject(demoFile('slow-ferris'))))).toBe('0-4 5-8');
  });

  it('are those of the file where it breaks them', () => {
    const broken = bars(8, { extra: { 4: '<print new-system="yes"/>', 7: '<print new-page="yes"/>' } });
    expect(spans(linesOf(subject(broken)))).toBe('0-2 3-5 6-7');
  });
});

describe('phrases', () => {
  const line = (index: number, xml: string) => bars(8, { extra: { [index]: xml } });
  it.each([
    ['a double bar', '<barline location="right"><bar-style>light-light</bar-style></barline>'],
    ['a repeat', '<barline location="right"><repeat direction="backward"/></barline>'],
  ])('end at %s', (_name, xml) => {
    expect(spans(phrasesOf(subject(line(3, xml))))).toBe('0-2 3-7');
  });

  it('end with a slur over two bars or more, and not with one within a bar', () => {
    const slurred = (from: string) =>
      musicXml({ right: `${from} | E4h/3 G4h/5) | C4w/1 | C4w/1`, mode: 'major' }).replace(
        '<technical><fingering>1</fingering></technical>',
        '<slur type="start"/><technical><fingering>1</fingering></technical>',
      );
    expect(spans(phrasesOf(subject(slurred('C4h/1 D4h/2'))))).toBe('0-1 2-3');
    const short = musicXml({ right: 'C4w/2 | E4h/1 G4h/5) | C4w/3 | C4w/3', mode: 'major' }).replace(
      '<technical><fingering>1</fingering></technical>',
      '<slur type="start"/><technical><fingering>1</fingering></technical>',
    );
    expect(phrasesOf(subject(short))).toEqual([]);
  });

  it('are none where nothing marks them', () => expect(phrasesOf(subject(bars(8)))).toEqual([]));
});
