import type { PositionView } from '@/core/views';
import { parseKey, signatureOf } from '@/core/pitch';
import type { PieceRecord, ShelfOrder } from '@/data';
import { pieceTitle } from '@/features/shared/pieces/piece-title';
import type { PieceFacts } from './use-piece-facts';

/** Which cards are wanted: words that all must be there, a tag, and whether they are on the shelf or in the archive. */
export interface ShelfWish {
  readonly words: string;
  readonly tag: string | null;
  readonly place: PieceRecord['place'];
  readonly order: ShelfOrder;
}

type Facts = ReadonlyMap<string, PieceFacts>;

/** The pieces that are wanted, in the wanted order. What is not known of a piece yet puts it last. */
export function wantedPieces(pieces: readonly PieceRecord[], facts: Facts, wish: ShelfWish): readonly PieceRecord[] {
  const words = wish.words.toLocaleLowerCase().split(/\s+/).filter(Boolean);
  const found = pieces.filter((piece) => {
    if (piece.place !== wish.place || (wish.tag !== null && !piece.tags.includes(wish.tag))) return false;
    const own = [facts.get(piece.id)?.words ?? piece.fileName.toLocaleLowerCase(), ...piece.tags].join(' ');
    return words.every((word) => own.toLocaleLowerCase().includes(word));
  });
  return inOrder(found, facts, wish.order);
}

function inOrder(pieces: readonly PieceRecord[], facts: Facts, order: ShelfOrder): readonly PieceRecord[] {
  if (order === 'added') return pieces;
  const titles = new Map(pieces.map((piece) => [piece.id, pieceTitle(piece)]));
  const byTitle = (a: PieceRecord, b: PieceRecord): number =>
    (titles.get(a.id) ?? '').localeCompare(titles.get(b.id) ?? '');
  if (order === 'title') return pieces.toSorted(byTitle);
  const amounts = new Map(pieces.map((piece) => [piece.id, amountOf(piece, facts.get(piece.id), order)]));
  return pieces.toSorted((a, b) => (amounts.get(a.id) ?? Infinity) - (amounts.get(b.id) ?? Infinity) || byTitle(a, b));
}

/** What a piece is ordered by, the smallest first: signs of its key (sharps before flats of the same number), the hand it asks for, how long ago it was used. */
function amountOf(piece: PieceRecord, facts: PieceFacts | undefined, order: 'key' | 'level' | 'used'): number {
  if (order === 'used') return piece.usedAt === null ? Infinity : -piece.usedAt;
  const view = facts?.view;
  if (!view) return Infinity;
  if (order === 'level') return levelOf(view.positions);
  const key = parseKey(view.keyText, 'major');
  if (!key) return Infinity;
  const fifths = signatureOf(key);
  return Math.abs(fifths) + (fifths < 0 ? 0.5 : 0) + (key.mode === 'major' ? 0 : 0.25);
}

/** The level of hand that the printed fingers ask for: one closed position in each hand, several, open ones, crossings. */
export function levelOf(positions: readonly Pick<PositionView, 'hand' | 'kind'>[]): 1 | 2 | 3 | 4 {
  if (positions.some(({ kind }) => kind === 'crossed')) return 4;
  if (positions.some(({ kind }) => kind === 'extended')) return 3;
  const stays = (['right', 'left'] as const).every(
    (hand) => positions.filter((position) => position.hand === hand).length <= 1,
  );
  return stays ? 1 : 2;
}

/** All tags there are, with how many cards have each. */
export function tagsOf(pieces: readonly PieceRecord[]): ReadonlyMap<string, number> {
  const counts = new Map<string, number>();
  for (const { tags } of pieces) for (const tag of tags) counts.set(tag, (counts.get(tag) ?? 0) + 1);
  return new Map([...counts].toSorted(([a], [b]) => a.localeCompare(b)));
}
