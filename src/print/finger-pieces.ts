import type { FingerBar, FingerPage, FingerStroke } from '@/core/views';
import type { Hand } from '@/core/score';
import { fingerLines, strokeShape } from './finger-shape';
import { keyboardMarks } from './hand-marks';
import { box, line, movedBy, type PageMark } from './page';
import { RISE, words, type PagePiece, type Setting } from './piece';

/** Sizes at usual print, in points: a quarter note takes this width, a letter up is this much higher. */
const QUARTER = 25;
const LETTER = 4.2;
const MOST_LETTERS = 9;
const ROW = 84;
const FIGURE = 15;
const STEM = 17;
const KEYS = 104;
/** Where the figures of a hand's lowest letter stand in its row: the right hand has its stems over them, the left under them. */
const LOWEST: Readonly<Record<Hand, number>> = { right: 60, left: 46 };
const WORDS = 10.5;

/** The piece without a staff, line by line; the keys on which the hands begin stand in front of the first. */
export function fingerPieces(
  setting: Setting,
  page: FingerPage,
  handNames: Readonly<Record<Hand, string>>,
): readonly PagePiece[] {
  const scale =
    setting.paper.size === 'large' || setting.paper.print === 'large'
      ? 1.25
      : setting.paper.size === 'small'
        ? 0.85
        : 1;
  const hands = (['right', 'left'] as const).filter((hand) => page.keys[hand] !== null);
  const lines = fingerLines(page.bars, setting.width - KEYS, (bar) => barWidth(bar, scale));
  return lines.map((bars, i) => ({
    role: 'Figure',
    alt: bars.map((bar) => hands.map((hand) => `${bar.number}: ${said(bar, hand)}`).join('; ')).join('. '),
    above: i === 0 ? 6 : 12,
    keeps: false,
    height: hands.length * ROW * scale,
    marks: hands.flatMap((hand, row) =>
      movedBy(
        [
          ...(i === 0 ? beginMarks(setting, page, hand, handNames[hand]) : []),
          ...movedBy(rowMarks(setting, bars, hand, scale), KEYS, 0),
        ],
        0,
        row * ROW * scale,
      ),
    ),
  }));
}

function said({ hands }: FingerBar, hand: Hand): string {
  return hands[hand].map(({ fingers }) => fingers.map((finger) => finger ?? '–').join('+')).join(' ');
}

function barWidth({ quarters }: FingerBar, scale: number): number {
  return (quarters * QUARTER + 20) * scale;
}

function rowMarks(setting: Setting, bars: readonly FingerBar[], hand: Hand, scale: number): readonly PageMark[] {
  const [top, bottom] = [12 * scale, (ROW - 14) * scale];
  let left = 0;
  const marks: PageMark[] = [line([0, top, 0, bottom], 0.8)];
  for (const bar of bars) {
    if (hand === 'right') marks.push(words(setting, bar.number, [left + 2, 9 * scale], { size: 8 }));
    for (const stroke of bar.hands[hand]) marks.push(...movedBy(strokeMarks(setting, stroke, hand, scale), left, 0));
    left += barWidth(bar, scale);
    marks.push(line([left, top, left, bottom], 0.8));
  }
  return marks;
}

/** A stroke: its figures, a ring around what lasts two beats and more, a frame behind a black key, its stem and flags, and the words under it. */
function strokeMarks(setting: Setting, stroke: FingerStroke, hand: Hand, scale: number): readonly PageMark[] {
  const { at, quarters, fingers, height, isBlack, words: sung } = stroke;
  const x = (17 + at * QUARTER) * scale;
  const base = (LOWEST[hand] - Math.min(MOST_LETTERS, height) * LETTER) * scale;
  const way = hand === 'right' ? -1 : 1;
  const size = (fingers.length > 1 ? FIGURE * 0.75 : FIGURE) * scale;
  const from = base + way * FIGURE * 0.68 * scale;
  const to = from + way * STEM * scale;
  const { isRinged, isDotted, hasStem, flags } = strokeShape(quarters);
  const ring = 9.5 * scale;
  return [
    ...(isBlack
      ? [box([x - ring + 0.5, base - ring + 0.5, 2 * ring - 1, 2 * ring - 1], { fill: 'light', stroke: 0.4, round: 2 })]
      : []),
    ...(isRinged ? [box([x - ring, base - ring, 2 * ring, 2 * ring], { round: ring, stroke: 1 })] : []),
    words(setting, fingers.map((finger) => finger ?? '?').join('·'), [x, base + size * 0.35], {
      size,
      weight: 'bold',
      anchor: 'middle',
    }),
    ...(isDotted ? [box([x + ring + 1, base - 1.2, 2.4, 2.4], { fill: 'black', round: 1.2, stroke: 0 })] : []),
    ...(hasStem ? [line([x, from, x, to], 1)] : []),
    ...Array.from({ length: flags }, (_, i): PageMark => ({
      kind: 'path',
      d: `M0 0 q6 ${-way * 3} 5 ${-way * 9}`,
      x,
      y: to - way * i * 4.5,
      fill: 'none',
      stroke: 1.2,
    })),
    ...(sung ? [words(setting, sung, [x, (ROW - 3) * scale], { size: WORDS, anchor: 'middle' })] : []),
  ];
}

function beginMarks(setting: Setting, page: FingerPage, hand: Hand, name: string): readonly PageMark[] {
  const keys = page.begin[hand];
  if (keys.length === 0) return [];
  const keyboard = keyboardMarks(setting, keys, [KEYS - 12, 44]);
  return [...movedBy(keyboard.marks, 0, 12), words(setting, name, [0, 60 + 9 * RISE], { size: 9 })];
}
