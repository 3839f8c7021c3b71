'use client';

import { ForPiece } from '../for-piece';
import { StandPiece } from './stand-piece';

/** The music stand: a piece in its new key, and nothing else. */
export function Stand() {
  return (
    <ForPiece
      path="/stand"
      words="The music stand shows a piece in one key, large, page by page. Choose one."
      opening="Opening the music stand …"
    >
      {(piece, address, whom) => <StandPiece key={piece.id} piece={piece} address={address} {...whom} />}
    </ForPiece>
  );
}
