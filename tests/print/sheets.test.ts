/** Sheets as PDFs, looked at with poppler: every demo piece, every kind of sheet, on both papers. Usually each piece is printed once: keys and papers
 * take turns; with PRINT_ALL=1 it is all of them. */
import { beforeAll, describe, expect, it } from '@jest/globals';
import type { PaperChoice } from '@/core/paper';
import type { Sheet } from '@/core/sheets';
import type { PrintedPage } from '@/print/page';
import { expectRebuilt } from '../support/by-rote';
import { DEMO_FILES } from '../support/demo-pieces';
import { pagesOf } from '@/print/press';
import type { EngravedSystem } from '@/contract/engraving-questions';
import { createPress, engraved, printedPdf, type Press } from '../support/printing';
import { countIn, readPdf, signsIn, type ReadPdf } from '../support/read-pdf';
import { sheetPiece, sheetsOfKeys, sheetsOfPiece } from '../support/sheets';

const FOOT = 'The Lamp Room';
const KEYS = ['C', 'D', 'Eb', 'F#', 'A'];
const PAPERS: readonly PaperChoice[] = [
  { paper: 'a4', turn: 'upright', size: 'usual', print: 'usual' },
  { paper: 'letter', turn: 'across', size: 'small', print: 'spaced' },
];
const SIZES = { a4: [595.28, 841.89], letter: [612, 792] } as const;
/** What is free all round, and how far ink may be off by the grain of the picture. Unit: points. */
const MARGIN = 42.5;
const GRAIN = 3;

let press: Press;
beforeAll(async () => {
  press = await createPress();
});

const IS_ALL = process.env['PRINT_ALL'] === '1';
const CASES = DEMO_FILES.flatMap(({ id }, piece) =>
  PAPERS.flatMap((paper, p) =>
    KEYS.filter((_, k) => IS_ALL || (k === piece % KEYS.length && p === piece % PAPERS.length)).map(
      (key) => [id, key, paper] as const,
    ),
  ),
);

describe.each(CASES)('%s in %s', (id, key, paper) => {
  const of = sheetPiece(id, key);
  const named = sheetsOfPiece(of, paper, { pupil: 'Tam', foot: FOOT, labels: ['letters'] });
  const print = printing(
    named.map(([, sheet]) => sheet),
    paper,
  );
  const pagesOf = (wanted: string): readonly [from: number, to: number] => {
    const at = named.findIndex(([kind]) => kind === wanted);
    const before = print().each.slice(0, at).flat().length;
    return [before, before + (print().each[at] ?? []).length];
  };

  it(`is a tagged document of its pages, ${paper.paper} ${paper.turn}, with its fonts inside`, () =>
    isDocument(print(), of.piece.score.title));

  it('has its title, its page numbers and its bar numbers as words', () => {
    const { pdf, each } = print();
    const [first = ''] = pdf.texts;
    expect(first.replace(/\s+/g, ' ')).toContain(of.piece.score.title);
    const words = pdf.texts
      .slice(...pagesOf('handout'))
      .join('\n')
      .split(/\s+/);
    for (const number of barNumbers(each[0] ?? [])) expect(words).toContain(number);
  });

  it('has nothing outside the margins', () => staysInside(print()));

  it('has every system whole, and each sign as often as the engraver drew it', () => {
    expect(hasMusicWhole(print()).size).toBeGreaterThan(5);
  });

  it('has a rote sheet whose printed words alone give the piece back', () => {
    expectRebuilt(
      print()
        .pdf.texts.slice(...pagesOf('rote'))
        .join('\f'),
      of.piece,
      of.after,
      'spelled',
    );
  });
});

describe.each(PAPERS)('sheets of no piece on $paper $turn', (paper) => {
  const print = printing(
    sheetsOfKeys(paper, { foot: FOOT }).map(([, sheet]) => sheet),
    paper,
  );

  it('are a tagged document with its fonts inside', () => isDocument(print(), 'Five fingers on C major'));
  it('have nothing outside the margins', () => staysInside(print()));
  it('have every system whole, and each sign as often as the engraver drew it', () => {
    expect(hasMusicWhole(print()).size).toBeGreaterThan(5);
  });
  it('have as many backs as fronts of cards, left and right changed', () => {
    const cards = print().each[2] ?? [];
    expect(cards.length % 2).toBe(0);
    const [front, back] = cards.map(placesOfWords);
    expect(front?.length).toBe(8);
    // A card in the left column has its back in the right one, in the same row.
    const middle = (cards[0]?.width ?? 0) / 2;
    expect(back?.map(({ x }) => x > middle)).toEqual(front?.map(({ x }) => x < middle));
  });
});

interface Printed {
  readonly paper: PaperChoice;
  /** The pages of each sheet. */
  readonly each: readonly (readonly PrintedPage[])[];
  readonly systems: readonly EngravedSystem[];
  readonly pdf: ReadPdf;
}

/** Has sheets printed once for all tests of them. */
function printing(sheets: readonly Sheet[], paper: PaperChoice): () => Printed {
  let printed: Printed | null = null;
  beforeAll(async () => {
    const music = engraved(press, sheets, paper);
    printed = {
      paper,
      each: sheets.map((sheet) => pagesOf(press.typeface, sheet, paper, music)),
      systems: [...music.values()].flat(),
      pdf: readPdf(await printedPdf(press, sheets, { paper, music })),
    };
  });
  return () => printed as unknown as Printed;
}

function sizeOf({ paper, turn }: PaperChoice): readonly [width: number, height: number] {
  const [short, long] = SIZES[paper];
  return turn === 'upright' ? [short, long] : [long, short];
}

function isDocument({ paper, each, pdf }: Printed, title: string): void {
  expect(pdf.facts['Title']).toContain(title);
  expect(pdf.facts).toMatchObject({ Tagged: 'yes', Pages: String(each.flat().length) });
  const [width, height] = sizeOf(paper);
  expect(pdf.facts['Page size']).toMatch(new RegExp(`^${Math.floor(width)}\\S* x ${Math.floor(height)}`));
  expect(pdf.fonts.length).toBeGreaterThan(1);
  for (const font of pdf.fonts) expect(font).toMatchObject({ isEmbedded: true, isSubset: true });
  const feet = each.flatMap((pages) => pages.map((_, i) => `Page ${i + 1} of ${pages.length} · ${FOOT}`));
  pdf.texts.forEach((text, i) => expect(text).toContain(feet[i]));
}

function staysInside({ paper, pdf }: Printed): void {
  const [width, height] = sizeOf(paper);
  expect(pdf.ink.length).toBeGreaterThan(0);
  for (const ink of pdf.ink) {
    expect(ink?.left).toBeGreaterThanOrEqual(MARGIN - GRAIN);
    expect(ink?.top).toBeGreaterThanOrEqual(MARGIN - GRAIN);
    expect(ink?.right).toBeLessThanOrEqual(width - MARGIN + GRAIN);
    expect(ink?.bottom).toBeLessThanOrEqual(height - MARGIN + GRAIN);
  }
}

/** Holds the music to its pages, and its signs to those of the engraver, which are given back. */
function hasMusicWhole({ each, systems, pdf }: Printed): ReadonlyMap<string, number> {
  const music = each
    .flat()
    .flatMap((page) =>
      page.parts.flatMap(({ marks }) => marks.flatMap((mark) => (mark.kind === 'music' ? [{ mark, page }] : []))),
    );
  expect(music.length).toBe(systems.length);
  for (const { mark, page } of music) {
    expect(mark.y).toBeGreaterThanOrEqual(MARGIN - 0.01);
    expect(mark.y + mark.height).toBeLessThanOrEqual(page.height - MARGIN + 0.01);
    expect(mark.width).toBeLessThanOrEqual(page.width - 2 * MARGIN + 0.5);
  }
  const signs = signsIn(systems.map(({ svg }) => svg));
  for (const [sign, count] of signs) expect([sign, countIn(pdf.drawn, sign)]).toEqual([sign, count]);
  return signs;
}

/** Where the first words of each card stand. */
function placesOfWords(page: PrintedPage): readonly { readonly x: number; readonly y: number }[] {
  return page.parts.flatMap(({ role, marks }) => {
    const first = role === 'foot' ? undefined : marks.find(({ kind }) => kind === 'text');
    return first?.kind === 'text' ? [{ x: first.x, y: first.y }] : [];
  });
}

/** The bar numbers that the engraver set in front of systems. */
function barNumbers(pages: readonly PrintedPage[]): readonly string[] {
  const svgs = pages.flatMap((page) =>
    page.parts.flatMap(({ marks }) => marks.flatMap((mark) => (mark.kind === 'music' ? [mark.svg] : []))),
  );
  return svgs.flatMap((svg) =>
    [...svg.matchAll(/class="mNum[^>]*>\s*<text[^>]*>([^<]+)</g)].map(([, number = '']) => number),
  );
}
