'use client';

import { ForPiece } from '../for-piece';
import { StandPiece } from './stand-piece';
import { useWords } from '@/features/shared/words/use-words';

/** The music stand: a piece in its new key, and nothing else. */
export function Stand() {
  const w = useWords();
  return (
    <ForPiece path="/stand" words={w.stand.musicStandShowsPieceIn} opening={w.stand.openingMusicStand}>
      {(piece, address, whom) => <StandPiece key={piece.id} piece={piece} address={address} {...whom} />}
    </ForPiece>
  );
}
