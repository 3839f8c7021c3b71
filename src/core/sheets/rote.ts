import { type Language, type RoteBlock, type RoteStyle } from '../explain';
import { roteOf } from '../rote';
import { cautionBlocks, LANGUAGE, type SheetFor, type SheetPiece } from './handout';
import type { Sheet, SheetBlock } from './sheet';

/** A piece in words and finger numbers. The words alone are the piece: `readRote` makes it of them again. */
export function roteSheet(says: Language, { piece, after }: SheetPiece, to: SheetFor, style: RoteStyle): Sheet {
  const told = says.inKey(after.key).roteWords(roteOf(piece, after), style);
  const block = ({ heading, rows }: RoteBlock): readonly SheetBlock[] => [
    { kind: 'heading', text: heading },
    ...rows.map(({ label, sentences }): SheetBlock => ({ kind: 'row', label, text: sentences.join(' ') })),
  ];
  return {
    title: piece.score.title,
    language: LANGUAGE,
    foot: to.foot,
    blocks: [
      { kind: 'title', text: told.title, under: '' },
      { kind: 'text', text: told.head.join(' '), look: 'usual' },
      { kind: 'text', text: told.legend.join(' '), look: 'small' },
      ...block(told.begins),
      ...told.lines.flatMap(({ heading, bars }): readonly SheetBlock[] => [
        { kind: 'heading', text: heading },
        ...bars.flatMap(block),
      ]),
      ...told.end.map((text): SheetBlock => ({ kind: 'text', text, look: 'usual' })),
      ...cautionBlocks(says, after),
    ],
  };
}
