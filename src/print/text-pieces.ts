import type { SheetRow, SheetStep, TextLook } from '@/core/sheets';
import { glyphMarks, glyphWidth } from './hand-marks';
import { box, line, movedBy, type PageMark } from './page';
import { RISE, styleOf, words, type PagePiece, type Setting } from './piece';
import { brokenText, textWidth } from './typeface';

const NO_PIECE: Pick<PagePiece, 'alt' | 'keeps' | 'role' | 'above'> = { alt: '', keeps: false, role: 'P', above: 0 };

/** Words over as many lines as they need, each a mark; `left` is where they begin. */
export function lineMarks(
  setting: Setting,
  text: string,
  { size, weight = 'regular' }: { readonly size: number; readonly weight?: 'regular' | 'bold' },
  left = 0,
): { readonly marks: readonly PageMark[]; readonly height: number } {
  const look = { size, weight };
  const lines = brokenText(setting.typeface, text, styleOf(setting, look), setting.width - left);
  const step = size * setting.sizes.leading;
  return {
    marks: lines.map((one, i) => words(setting, one, [left, i * step + size * RISE], look)),
    height: lines.length * step,
  };
}

export function titlePieces(setting: Setting, text: string, under: string): readonly PagePiece[] {
  const { title, text: usual } = setting.sizes;
  const head = lineMarks(setting, text, { size: title, weight: 'bold' });
  const below = lineMarks(setting, under, { size: usual });
  return [
    { ...NO_PIECE, role: 'H1', height: head.height, marks: head.marks, keeps: true },
    ...(under === '' ? [] : [{ ...NO_PIECE, height: below.height + 4, marks: below.marks, keeps: true }]),
  ];
}

export function headingPiece(setting: Setting, text: string): PagePiece {
  const { marks, height } = lineMarks(setting, text, { size: setting.sizes.heading, weight: 'bold' });
  return { ...NO_PIECE, role: 'H2', height, marks, above: 9, keeps: true };
}

export function textPieces(setting: Setting, text: string, look: TextLook): readonly PagePiece[] {
  const { sizes } = setting;
  const size = look === 'small' ? sizes.small : look === 'large' ? sizes.rote : sizes.text;
  return byLine(setting, text, { size, left: 0 }, 3);
}

/** A row of a rote sheet: its label bold, then the sentences in one flow with it, so that it is read in that order whoever reads the file. A line is never torn, a row may be. */
export function rowPieces(setting: Setting, label: string, text: string): readonly PagePiece[] {
  const { rote, leading } = setting.sizes;
  const bold = { size: rote, weight: 'bold' } as const;
  const plain = styleOf(setting, { size: rote });
  const space = textWidth(setting.typeface, ' ', plain);
  const left = textWidth(setting.typeface, label, styleOf(setting, bold)) + space;
  const lines = brokenText(setting.typeface, text, plain, { width: setting.width, left });
  return lines.map((one, i) => ({
    ...NO_PIECE,
    height: rote * leading,
    above: i === 0 ? 3 : 0,
    keeps: i === 0 && lines.length > 1,
    marks: [
      ...(i === 0 ? [words(setting, label, [0, rote * RISE], bold)] : []),
      words(setting, one, [i === 0 ? left : 0, rote * RISE], { size: rote }),
    ],
  }));
}

/** Each line of a text as a piece of its own, so that a page may end between them. */
function byLine(
  setting: Setting,
  text: string,
  { size, left }: { readonly size: number; readonly left: number },
  above: number,
): readonly PagePiece[] {
  const lines = brokenText(setting.typeface, text, styleOf(setting, { size }), setting.width - left);
  return lines.map((one, i) => ({
    ...NO_PIECE,
    height: size * setting.sizes.leading,
    above: i === 0 ? above : 0,
    marks: [words(setting, one, [left, size * RISE], { size })],
  }));
}

export function listPieces(setting: Setting, items: readonly string[]): readonly PagePiece[] {
  const { text: size } = setting.sizes;
  return items.map((item) => {
    const { marks, height } = lineMarks(setting, item, { size }, size);
    const dot = words(setting, '•', [0, size * RISE], { size });
    return { ...NO_PIECE, height, marks: [dot, ...marks], above: 1 };
  });
}

/** A step: its boxes, one a time it is to be clean, its name and what is done. */
export function stepPieces(setting: Setting, steps: readonly SheetStep[]): readonly PagePiece[] {
  const { text: size, small } = setting.sizes;
  const side = size * 0.95;
  const left = 5 * (side + 3) + 6;
  return steps.map(({ title, told, times }) => {
    const boxes = Array.from({ length: Math.min(5, Math.max(1, times)) }, (_, i) =>
      box([i * (side + 3), 1.5, side, side], { stroke: 0.8 }),
    );
    const head = lineMarks(setting, title, { size, weight: 'bold' }, left);
    const below = lineMarks(setting, told, { size: small }, left);
    return {
      ...NO_PIECE,
      above: 3,
      height: head.height + below.height,
      marks: [...boxes, ...head.marks, ...movedBy(below.marks, 0, head.height)],
    };
  });
}

/** Lines to write on with a word in front, side by side. */
export function fieldsPiece(setting: Setting, labels: readonly string[]): PagePiece {
  const { text: size } = setting.sizes;
  const width = setting.width / labels.length;
  const marks = labels.flatMap((label, i): readonly PageMark[] => {
    const said = words(setting, label, [i * width, size * RISE + 4], { size });
    const from = i * width + label.length * size * 0.6 + 6;
    return [said, line([from, size * RISE + 6, (i + 1) * width - 14, size * RISE + 6], 0.6)];
  });
  return { ...NO_PIECE, height: size + 12, above: 4, marks };
}

const RULED = 24;

export function ruledPieces(setting: Setting, label: string, lines: number): readonly PagePiece[] {
  const rows = Array.from({ length: lines }, (): PagePiece => ({
    ...NO_PIECE,
    height: RULED,
    marks: [line([0, RULED - 2, setting.width, RULED - 2], 0.5)],
  }));
  return [{ ...headingPiece(setting, label) }, ...rows];
}

export function cautionPiece(setting: Setting, text: string): PagePiece {
  const { text: size } = setting.sizes;
  const inner = { ...setting, width: setting.width - 16 };
  const { marks, height } = lineMarks(inner, text, { size });
  return {
    ...NO_PIECE,
    above: 10,
    height: height + 12,
    marks: [box([0, 0, setting.width, height + 12], { round: 5, stroke: 1 }), ...movedBy(marks, 8, 6)],
  };
}

const CELL = 5;
const GLYPH = 20;

/** A table with lines; the signs of both hands stand in front of rows that have them. */
export function tablePieces(
  setting: Setting,
  head: readonly string[],
  rows: readonly SheetRow[],
): readonly PagePiece[] {
  const hasHands = rows.some(({ hands }) => hands !== null);
  const front = hasHands ? 2 * glyphWidth(GLYPH) + 14 : 0;
  const widths = columnWidths(setting.width - front, head.length);
  const row = (cells: readonly string[], { hands, isHead }: RowLook): PagePiece => {
    const { small, leading } = setting.sizes;
    const weight = isHead ? ('bold' as const) : ('regular' as const);
    const set = cells.map((cell, i) =>
      brokenText(setting.typeface, cell, styleOf(setting, { size: small, weight }), (widths[i] ?? 0) - 2 * CELL),
    );
    const lines = Math.max(1, ...set.map(({ length }) => length));
    const height = Math.max(lines * small * leading + 2 * CELL, isHead ? 0 : 22, hands ? GLYPH + 6 : 0);
    const cellMarks = set.flatMap((texts, i) =>
      texts.map((text, n) =>
        words(setting, text, [front + leftOf(widths, i) + CELL, CELL + small * (RISE + n * leading)], {
          size: small,
          weight,
        }),
      ),
    );
    const glyphs = hands
      ? [
          ...movedBy(glyphMarks('left', hands.left, GLYPH), 2, 3),
          ...movedBy(glyphMarks('right', hands.right, GLYPH), glyphWidth(GLYPH) + 6, 3),
        ]
      : [];
    const rules = widths.slice(1).map((_, i) => {
      const x = front + leftOf(widths, i + 1);
      return line([x, 0, x, height], 0.4);
    });
    const frame = box([0, 0, setting.width, height], { stroke: isHead ? 1 : 0.5, fill: isHead ? 'light' : 'none' });
    return { ...NO_PIECE, height, marks: [frame, ...rules, ...glyphs, ...cellMarks], keeps: isHead };
  };
  return [
    { ...row(head, { hands: null, isHead: true }), above: 6 },
    ...rows.map(({ cells, hands }) => row(cells, { hands, isHead: false })),
  ];
}

interface RowLook {
  readonly hands: SheetRow['hands'];
  readonly isHead: boolean;
}

/** The third column tells most; the others share the rest. */
function columnWidths(width: number, count: number): readonly number[] {
  const parts = Array.from({ length: count }, (_, i) => (i === 1 ? 1.6 : i === 2 && count === 4 ? 1.6 : 1));
  const all = parts.reduce((sum, part) => sum + part, 0);
  return parts.map((part) => (part * width) / all);
}

function leftOf(widths: readonly number[], column: number): number {
  return widths.slice(0, column).reduce((sum, width) => sum + width, 0);
}
