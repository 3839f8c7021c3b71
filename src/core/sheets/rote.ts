import { shortened, type Language, type RoteBlock, type RoteStyle } from '../explain';
import { midiNumber } from '../pitch';
import { roteOf, type RoteSheet } from '../rote';
import type { Finger } from '../score';
import { blackFingers, cautionBlocks, inLanguage, type SheetFor, type SheetPiece } from './handout';
import type { Sheet, SheetBlock, SheetPlace } from './sheet';

/** The keys on which each hand begins, as pictures: whoever has nothing but the sheet finds the first keys on them. */
function beginPlaces(says: Language, begins: RoteSheet['begins']): readonly SheetBlock[] {
  const places = (['left', 'right'] as const).flatMap((hand): readonly SheetPlace[] => {
    const keys = (begins[hand] ?? []).flatMap((key, i) =>
      key === null ? [] : [{ midi: midiNumber(key), finger: (i + 1) as Finger }],
    );
    return keys.length === 0 ? [] : [{ hand, keys, onBlack: blackFingers(keys), words: says.sheet.handName(hand) }];
  });
  return places.length === 0 ? [] : [{ kind: 'places', places }];
}

/** A piece in words and finger numbers. The words alone are the piece: `readRote` makes it of them again. */
export function roteSheet(says: Language, { piece, after }: SheetPiece, to: SheetFor, style: RoteStyle): Sheet {
  const rote = roteOf(piece, after);
  const told = says.inKey(after.key).roteWords(rote, style);
  const block = ({ heading, rows }: RoteBlock): readonly SheetBlock[] => [
    { kind: 'heading', text: heading },
    ...rows.map(({ label, sentences }): SheetBlock => ({ kind: 'row', label, text: sentences.join(' ') })),
  ];
  return {
    title: shortened(piece.score.title),
    ...inLanguage(says),
    foot: to.foot,
    blocks: [
      { kind: 'title', text: shortened(told.title), under: '' },
      { kind: 'text', text: told.head.join(' '), look: 'usual' },
      { kind: 'text', text: told.legend.join(' '), look: 'small' },
      ...beginPlaces(says, rote.begins),
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
