import type { SheetCard, SheetFace } from '@/core/sheets';
import { line, movedBy, type PageMark, type PagePart } from './page';
import { styleOf, words, type Setting } from './piece';
import { placeMarks } from './music-pieces';
import { printedSvg } from './printed-svg';
import { brokenText } from './typeface';

/** Cards to a page. */
const ACROSS = 2;
const DOWN = 4;
/** How high the keys on a card are. Unit: points. */
const CARD_KEYS = 84;

/** Cards as pairs of pages: fronts with cut lines, and backs that lie behind them when the pair is printed on both sides of a sheet and turned over its long side. */
export function cardPages(setting: Setting, cards: readonly SheetCard[]): readonly (readonly PagePart[])[] {
  const aPage = ACROSS * DOWN;
  const sheets = Array.from({ length: Math.ceil(cards.length / aPage) }, (_, i) =>
    cards.slice(i * aPage, (i + 1) * aPage),
  );
  return sheets.flatMap((sheet) => [side(setting, sheet, 'front'), side(setting, sheet, 'back')]);
}

function side(setting: Setting, cards: readonly SheetCard[], which: 'front' | 'back'): readonly PagePart[] {
  const { page, width } = setting;
  const [cardWidth, cardHeight] = [width / ACROSS, (page.height - 2 * page.margin - page.foot) / DOWN];
  // Turned over its long side a sheet of paper has left and right changed; a page across is turned over its short side, and rows stay as they are.
  const columnOf = (i: number): number => (which === 'front' ? i % ACROSS : ACROSS - 1 - (i % ACROSS));
  const faces = cards.map((card, i): PagePart => {
    const left = page.margin + columnOf(i) * cardWidth;
    const top = page.margin + Math.floor(i / ACROSS) * cardHeight;
    const { marks, alt } = faceMarks(setting, card[which], [cardWidth - 24, cardHeight - 24]);
    return { role: alt === '' ? 'P' : 'Figure', alt, marks: movedBy(marks, left + 12, top + 12), place: null };
  });
  const cuts = which === 'front' ? cutLines(setting, [cardWidth, cardHeight]) : [];
  return [...faces, { role: 'foot', alt: '', marks: cuts, place: null }];
}

function cutLines({ page, width }: Setting, [cardWidth, cardHeight]: readonly [number, number]): readonly PageMark[] {
  const height = cardHeight * DOWN;
  const down = Array.from({ length: ACROSS + 1 }, (_, i) => page.margin + i * cardWidth);
  const across = Array.from({ length: DOWN + 1 }, (_, i) => page.margin + i * cardHeight);
  return [
    ...down.map((x) => ({ ...line([x, page.margin, x, page.margin + height], 0.5), dash: [4, 4] })),
    ...across.map((y) => ({ ...line([page.margin, y, page.margin + width, y], 0.5), dash: [4, 4] })),
  ];
}

function faceMarks(
  setting: Setting,
  face: SheetFace,
  [width, height]: readonly [number, number],
): { readonly marks: readonly PageMark[]; readonly alt: string } {
  switch (face.kind) {
    case 'words':
      return { alt: '', marks: centred(setting, face, width, height) };
    case 'place': {
      const { marks, height: tall } = placeMarks(setting, face.place, width, CARD_KEYS);
      return { alt: face.place.words, marks: movedBy(marks, 12, (height - tall) / 2) };
    }
    case 'music': {
      const [system] = setting.systems(face.page.musicXml);
      if (!system) return { alt: face.label, marks: [] };
      const [, , own, high] = system.viewBox;
      const scale = Math.min(width / own, (height - 10) / high);
      const size = { width: own * scale, height: high * scale };
      const at = { x: (width - size.width) / 2, y: (height - size.height) / 2 };
      return { alt: face.label, marks: [{ kind: 'music', ...at, ...size, svg: printedSvg(system.svg) }] };
    }
  }
}

function centred(
  setting: Setting,
  { large, small }: Extract<SheetFace, { readonly kind: 'words' }>,
  width: number,
  height: number,
): readonly PageMark[] {
  const { heading, small: little, leading } = setting.sizes;
  const size = heading * 1.4;
  const head = brokenText(setting.typeface, large, styleOf(setting, { size, weight: 'bold' }), width);
  const below = brokenText(setting.typeface, small, styleOf(setting, { size: little }), width);
  const top = (height - head.length * size * leading - below.length * little * leading) / 2 + size;
  return [
    ...head.map((text, i) =>
      words(setting, text, [width / 2, top + i * size * leading], { size, weight: 'bold', anchor: 'middle' }),
    ),
    ...below.map((text, i) =>
      words(setting, text, [width / 2, top + head.length * size * leading + i * little * leading], {
        size: little,
        anchor: 'middle',
      }),
    ),
  ];
}
