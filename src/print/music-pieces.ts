import type { SheetMusic, SheetPlace } from '@/core/sheets';
import { ID_PREFIXES, musicScale } from '@/core/paper';
import type { EngravedSystem } from '@/contract/engraving-questions';
import { glyphMarks, glyphWidth, keyboardMarks } from './hand-marks';
import { box, movedBy, type PageMark } from './page';
import { RISE, styleOf, words, type PagePiece, type Setting } from './piece';
import { printedSvg } from './printed-svg';
import { trackLines, type TrackSegment } from './track-layout';
import { brokenText, textWidth } from './typeface';

/** Each system of the music, with the hand tracks under its staves. */
export function musicPieces(setting: Setting, block: SheetMusic): readonly PagePiece[] {
  const scale = musicScale(setting.paper);
  return setting.systems(block.page.musicXml).map((system, i) => {
    const [, , width, height] = system.viewBox;
    const music: PageMark = {
      kind: 'music',
      x: 0,
      y: 0,
      width: width * scale,
      height: height * scale,
      svg: printedSvg(system.svg),
    };
    return {
      role: 'Figure',
      alt: i === 0 ? block.label : `${block.label}, ${i + 1}`,
      above: i === 0 ? 6 : 10,
      keeps: false,
      height: height * scale,
      marks: [music, ...ringsOf(block, system, scale), ...tracksOf(setting, block, system, scale)],
    };
  });
}

/** A thin ring around each note that the signature alters: the pupil's reminder. */
function ringsOf({ ringed }: SheetMusic, { heads }: EngravedSystem, scale: number): readonly PageMark[] {
  const wanted = new Set(ringed.map((id) => `${ID_PREFIXES.after}${id}`));
  return heads
    .filter(({ id }) => wanted.has(id))
    .map(({ x, y, width }) => {
      const size = width * RING * scale;
      return box([(x + width / 2) * scale - size / 2, y * scale - size / 2, size, size], {
        round: size / 2,
        stroke: 0.6,
      });
    });
}

/** How wide a ring is, in widths of a note head. */
const RING = 1.9;

/** Sizes of a track, in points. */
const BAR = 11;
const TRACK_TEXT = 8;
const GLYPH = 9;

function tracksOf(
  setting: Setting,
  { positions, before }: SheetMusic,
  system: EngravedSystem,
  scale: number,
): readonly PageMark[] {
  if (positions === null) return [];
  const lines = trackLines(system, ID_PREFIXES.after, positions, before);
  return lines.flatMap(({ y, segments }) =>
    segments.flatMap((segment, i) => segmentMarks(setting, segment, segments[i + 1], { top: y * scale - 8, scale })),
  );
}

const DASHES: Readonly<Record<TrackSegment['kind'], readonly number[]>> = {
  closed: [],
  extended: [3, 2],
  crossed: [1, 1.5],
};

/** A bar as long as the hand stays, its name, and under it how it came there. */
function segmentMarks(
  setting: Setting,
  segment: TrackSegment,
  next: TrackSegment | undefined,
  { top, scale }: { readonly top: number; readonly scale: number },
): readonly PageMark[] {
  const [x1, x2] = [segment.x1 * scale, segment.x2 * scale];
  const wide = x2 - x1 > GLYPH * 3;
  const left = wide ? glyphWidth(GLYPH) + 5 : 3;
  const style = styleOf(setting, { size: TRACK_TEXT, weight: 'bold' });
  const fits = textWidth(setting.typeface, segment.short, style) <= x2 - x1 - left - 2;
  const name = fits ? [words(setting, segment.short, [x1 + left, top + BAR * 0.74], style)] : [];
  const room = (next ? next.x1 * scale : setting.width) - x1;
  const move = segment.move ? shortened(setting, segment.move.words, room) : '';
  return [
    box([x1, top, Math.max(4, x2 - x1), BAR], { round: 2.5, stroke: 0.7, dash: DASHES[segment.kind], fill: 'white' }),
    ...(wide ? movedBy(glyphMarks(segment.hand, segment.onBlack, GLYPH), x1 + 3, top + 1) : []),
    ...name,
    ...(move === '' ? [] : [words(setting, move, [x1, top + BAR + TRACK_TEXT * RISE], { size: TRACK_TEXT })]),
  ];
}

/** A move in words, or its beginning up to a comma, where there is room. */
function shortened(setting: Setting, text: string, room: number): string {
  const style = styleOf(setting, { size: TRACK_TEXT });
  return [text, text.split(',')[0] ?? ''].find((one) => textWidth(setting.typeface, one, style) <= room) ?? '';
}

const PLACE_HEIGHT = 46;
/** How high the glyph is beside its keys, as a part of them. */
const HAND_SHARE = 0.65;

/** Where hands sit: glyph, keys with fingers and words, as many side by side as there is room for. */
export function placePieces(setting: Setting, places: readonly SheetPlace[]): readonly PagePiece[] {
  const across = setting.width > 600 ? 4 : setting.paper.print === 'large' ? 2 : 3;
  const width = setting.width / across;
  const cells = places.map((place) => placeMarks(setting, place, width - 10));
  const rows = Array.from({ length: Math.ceil(cells.length / across) }, (_, i) =>
    cells.slice(i * across, (i + 1) * across),
  );
  return rows.map((row, at) => ({
    role: 'Figure',
    alt: places
      .slice(at * across, (at + 1) * across)
      .map((place) => place.words)
      .join('; '),
    above: 4,
    keeps: false,
    height: Math.max(...row.map(({ height }) => height)),
    marks: row.flatMap(({ marks }, i) => movedBy(marks, i * width, 0)),
  }));
}

/** A place no wider than the room; `height` is that of its keys. */
export function placeMarks(
  setting: Setting,
  { hand, onBlack, keys, words: said }: SheetPlace,
  width: number,
  height = PLACE_HEIGHT,
): { readonly marks: readonly PageMark[]; readonly height: number } {
  const { small, leading } = setting.sizes;
  const glyph = height * HAND_SHARE;
  const own = glyphWidth(glyph) + 6;
  const keyboard = keyboardMarks(setting, keys, [width - own, height]);
  const lines = brokenText(setting.typeface, said, styleOf(setting, { size: small }), width);
  return {
    marks: [
      ...movedBy(glyphMarks(hand, onBlack, glyph), 0, height - glyph),
      ...movedBy(keyboard.marks, own, 0),
      ...lines.map((one, i) => words(setting, one, [0, height + 3 + small * (RISE + i * leading)], { size: small })),
    ],
    height: height + 5 + lines.length * small * leading,
  };
}
