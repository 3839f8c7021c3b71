import type { Sheet, SheetBlock } from '@/core/sheets';
import { cardPages } from './card-pages';
import { fingerPieces } from './finger-pieces';
import { musicPieces, placePieces } from './music-pieces';
import { movedBy, type PagePart, type PrintedPage } from './page';
import { words, type PagePiece, type Setting } from './piece';
import {
  cautionPiece,
  fieldsPiece,
  headingPiece,
  listPieces,
  rowPieces,
  ruledPieces,
  stepPieces,
  tablePieces,
  textPieces,
  titlePieces,
} from './text-pieces';

/** Sets a sheet out on pages. Nothing is torn: a system, a line of words, a step stands on one page whole, and a heading with what it is over. */
export function layOut(setting: Setting, sheet: Sheet): readonly PrintedPage[] {
  const pages: (readonly PagePart[])[] = [];
  let flow: PagePiece[] = [];
  const flush = (): void => {
    if (flow.length > 0) pages.push(...flowPages(setting, flow));
    flow = [];
  };
  for (const block of sheet.blocks) {
    if (block.kind === 'page' || block.kind === 'cards') flush();
    if (block.kind === 'cards') pages.push(...cardPages(setting, block.cards));
    else flow.push(...piecesOf(setting, block).map((piece) => ({ ...piece, part: block.part })));
  }
  flush();
  const { width, height } = setting.page;
  return pages.map((parts, i) => ({
    width,
    height,
    parts: [...parts, footPart(setting, sheet, [i + 1, pages.length])],
  }));
}

function piecesOf(setting: Setting, block: Exclude<SheetBlock, { readonly kind: 'cards' }>): readonly PagePiece[] {
  switch (block.kind) {
    case 'title':
      return titlePieces(setting, block.text, block.under);
    case 'heading':
      return [headingPiece(setting, block.text)];
    case 'text':
      return textPieces(setting, block.text, block.look);
    case 'row':
      return rowPieces(setting, block.label, block.text);
    case 'list':
      return listPieces(setting, block.items);
    case 'steps':
      return stepPieces(setting, block.steps);
    case 'music':
      return musicPieces(setting, block);
    case 'places':
      return placePieces(setting, block.places);
    case 'fingers':
      return fingerPieces(setting, block.page, block.handNames);
    case 'table':
      return tablePieces(setting, block.head, block.rows);
    case 'fields':
      return [fieldsPiece(setting, block.labels)];
    case 'ruled':
      return ruledPieces(setting, block.label, block.lines);
    case 'caution':
      return [cautionPiece(setting, block.text)];
    case 'page':
      return [];
  }
}

/** Pieces on as many pages as they need. What keeps with the next moves to the next page with it. */
function flowPages({ page }: Setting, pieces: readonly PagePiece[]): readonly (readonly PagePart[])[] {
  const room = page.height - 2 * page.margin - page.foot;
  const pages: PagePart[][] = [[]];
  let used = 0;
  for (let i = 0; i < pieces.length;) {
    const group = groupFrom(pieces, i);
    const tall = heightOf(group, used === 0);
    if (used > 0 && used + tall > room) {
      pages.push([]);
      used = 0;
    }
    for (const piece of group) {
      const top = used === 0 ? 0 : used + piece.above;
      const { role, alt, marks, part, height } = piece;
      const from = page.margin + top;
      const place = part === undefined ? null : { part, top: from, bottom: from + height };
      pages.at(-1)?.push({ role, alt, marks: movedBy(marks, page.margin, from), place });
      used = top + piece.height;
    }
    i += group.length;
  }
  return pages;
}

/** A piece with those that it keeps with. */
function groupFrom(pieces: readonly PagePiece[], from: number): readonly PagePiece[] {
  let to = from;
  while (pieces[to]?.keeps && to + 1 < pieces.length) to += 1;
  return pieces.slice(from, to + 1);
}

function heightOf(pieces: readonly PagePiece[], isFirst: boolean): number {
  return pieces.reduce((sum, { above, height }, i) => sum + height + (isFirst && i === 0 ? 0 : above), 0);
}

const FOOT_TEXT = 8.5;

/** The number of the page and the studio's line, as one line of words. */
function footPart(setting: Setting, { pageOf, foot }: Sheet, [number, of]: readonly [number, number]): PagePart {
  const { page } = setting;
  const numbered = pageOf.replace('%1', `${number}`).replace('%2', `${of}`);
  const said = [numbered, foot].filter((one) => one !== '').join(' · ');
  const at = [page.margin, page.height - page.margin] as const;
  const marks = [words(setting, said, at, { size: FOOT_TEXT, ink: 'grey' })];
  return { role: 'foot', alt: '', marks, place: null };
}
