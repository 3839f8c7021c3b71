import { beforeAll, describe, expect, it } from '@jest/globals';
import { USUAL_PAPER, type PaperChoice } from '@/core/paper';
import type { Sheet, SheetBlock } from '@/core/sheets';
import { createPress, engraved, type Press } from '../../tests/support/printing';
import { sheetPiece, sheetsOfPiece } from '../../tests/support/sheets';
import { layOut } from './lay-out';
import type { PagePart, PrintedPage, TextMark } from './page';
import { settingOf } from './piece';
import { brokenText, runsOf, textWidth } from './typeface';

let press: Press;
beforeAll(async () => {
  press = await createPress();
});

const sheetOf = (blocks: readonly SheetBlock[], foot = ''): Sheet => ({
  title: 'Sheet',
  language: 'en',
  pageOf: 'Page %1 of %2',
  foot,
  blocks,
});
const laidOut = (sheet: Sheet, paper: PaperChoice = USUAL_PAPER): readonly PrintedPage[] => {
  const music = engraved(press, [sheet], paper);
  return layOut(
    settingOf(press.typeface, paper, (musicXml) => music.get(musicXml) ?? []),
    sheet,
  );
};
const textsOf = (parts: readonly PagePart[]): readonly TextMark[] =>
  parts.flatMap(({ marks }) => marks.filter((mark) => mark.kind === 'text'));
const lines = (count: number): readonly SheetBlock[] =>
  Array.from({ length: count }, (_, i) => ({ kind: 'text', text: `Line ${i + 1}`, look: 'usual' }));

describe('a sheet set out on pages', () => {
  it('goes on to the next page between two lines, and numbers its pages', () => {
    const pages = laidOut(sheetOf(lines(100), 'The Lamp Room'));
    expect(pages.length).toBe(3);
    const said = pages.map(({ parts }) => textsOf(parts).map(({ text }) => text));
    expect(said.map((texts) => texts.at(-1))).toEqual([
      'Page 1 of 3 · The Lamp Room',
      'Page 2 of 3 · The Lamp Room',
      'Page 3 of 3 · The Lamp Room',
    ]);
    expect(said.flatMap((texts) => texts.slice(0, -1))).toEqual(Array.from({ length: 100 }, (_, i) => `Line ${i + 1}`));
  });

  it('keeps a heading with what it is over: it never ends a page', () => {
    const before = laidOut(sheetOf(lines(100)))[0]?.parts.length ?? 0;
    // The heading would find room as the last thing on the first page, what it is over would not.
    for (const count of [before - 4, before - 3, before - 2, before - 1]) {
      const [first] = laidOut(sheetOf([...lines(count), { kind: 'heading', text: 'Head' }, ...lines(5)]));
      const roles = first?.parts.map(({ role }) => role) ?? [];
      expect(roles.at(-2)).not.toBe('H2');
    }
  });

  it('begins a new page where it is told to', () => {
    expect(laidOut(sheetOf([...lines(2), { kind: 'page' }, ...lines(2)])).length).toBe(2);
  });

  it('tells what each part is: title, headings, words, pictures with what is heard of them', () => {
    const [, sheet] = sheetsOfPiece(sheetPiece('lantern-walk', 'D'), USUAL_PAPER)[0] as readonly [string, Sheet];
    const parts = laidOut(sheet).flatMap((page) => page.parts);
    expect(parts[0]).toMatchObject({ role: 'H1' });
    const pictures = parts.filter(({ role }) => role === 'Figure');
    expect(pictures.map(({ alt }) => alt)).toEqual(
      expect.arrayContaining(['Music: Lantern Walk in D major', 'Music: Lantern Walk in D major, 2']),
    );
    expect(pictures.every(({ alt }) => alt !== '')).toBe(true);
  });

  it('has music as large as it is asked for', () => {
    const heights = (['small', 'usual', 'large'] as const).map((size) => {
      const paper = { ...USUAL_PAPER, size };
      const [, sheet] = sheetsOfPiece(sheetPiece('lantern-walk', 'D'), paper)[0] as readonly [string, Sheet];
      const marks = laidOut(sheet, paper).flatMap(({ parts }) => parts.flatMap((part) => part.marks));
      return Math.round(marks.find((mark) => mark.kind === 'music')?.height ?? 0);
    });
    expect(heights).toEqual(heights.toSorted((a, b) => a - b));
    expect(new Set(heights).size).toBe(3);
  });

  it('has larger words in large print, and wider letters and lines where they are spaced', () => {
    const first = (print: PaperChoice['print']): readonly TextMark[] =>
      textsOf(laidOut(sheetOf(lines(3)), { ...USUAL_PAPER, print })[0]?.parts ?? []);
    const [usual, large, spaced] = [first('usual'), first('large'), first('spaced')];
    expect(large[0]?.size).toBeGreaterThanOrEqual(16);
    expect(spaced[0]?.spacing).toBeGreaterThan(usual[0]?.spacing ?? 0);
    const gap = (texts: readonly TextMark[]): number => (texts[1]?.y ?? 0) - (texts[0]?.y ?? 0);
    expect(gap(spaced) / (spaced[0]?.size ?? 1)).toBeGreaterThan(gap(usual) / (usual[0]?.size ?? 1));
  });
});

describe('words on a line', () => {
  const style = { size: 12, weight: 'regular', spacing: 0 } as const;

  it('are set in the font that has their letters', () => {
    const runs = runsOf(press.typeface, 'F♯ and Łódź ☐', 'regular');
    expect(runs.map(({ face, text }) => [face.name, text])).toEqual([
      ['sans-400', 'F'],
      ['signs-400', '♯'],
      ['sans-400', ' and '],
      ['sans-ext-400', 'Ł'],
      ['sans-400', 'ód'],
      ['sans-ext-400', 'ź'],
      ['sans-400', ' '],
      ['signs-400', '☐'],
    ]);
  });

  it('are broken so that no line is wider than its room, and nothing is lost', () => {
    const text = 'Put 1 on the white key between the two black keys above middle C, then walk up.';
    const broken = brokenText(press.typeface, text, style, 120);
    expect(broken.join(' ')).toBe(text);
    expect(broken.length).toBeGreaterThan(2);
    for (const one of broken) expect(textWidth(press.typeface, one, style)).toBeLessThanOrEqual(120.01);
  });

  it('begin later on the first line where something stands there already', () => {
    const text = 'one two three four five six seven eight nine ten';
    const [whole = '', late = ''] = [0, 80].map(
      (left) => brokenText(press.typeface, text, style, { width: 150, left })[0] ?? '',
    );
    expect(late.length).toBeLessThan(whole.length);
  });
});
