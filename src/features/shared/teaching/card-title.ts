import type { PieceRecord, PlanEntry } from '@/data';
import { pieceTitle } from '@/features/shared/pieces/piece-title';
import { stageTitleOf } from '@/features/shared/pieces/stage-title';
import type { Words } from '@/features/shared/words/use-words';
import { keyWords } from './key-words';

/** What a card is about, in a line: the piece, its key, its bars and its stage; or the words that are on it. */
export function cardTitle(w: Words, card: PlanEntry, piece: PieceRecord | null): string {
  if (card.piece === null) return card.note === '' ? w.week.onlyWords : (card.note.split('\n')[0] ?? '');
  const title = piece ? pieceTitle(piece) : w.week.pieceIsGone;
  return [
    card.key === null ? title : w.week.pieceInKey(title, keyWords(w, card.key)),
    ...(card.bars ? [barsWords(w, card.bars)] : []),
    ...(card.stage === null ? [] : [stageTitleOf(w, piece, card.stage)]),
  ].join(', ');
}

/** Bars by their printed numbers where those are known, else by their places. */
function barsWords(w: Words, { from, to, first, last }: NonNullable<PlanEntry['bars']>): string {
  const [begin, end] = [first ?? String(from + 1), last ?? String(to + 1)];
  return begin === end ? w.says.barsText([begin]) : w.week.barsFromTo(begin, end);
}
