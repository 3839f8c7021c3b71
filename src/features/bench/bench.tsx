'use client';

import { BenchPiece } from './bench-piece';
import { ForPiece } from './for-piece';

/** The workplace for one piece: as it stands and as it becomes, one above the other. */
export function Bench() {
  return (
    <ForPiece
      path="/bench"
      words="A piece on the Bench is shown as it stands and as it becomes in another key. Choose one, or drop a MusicXML, ABC or MIDI file anywhere."
      opening="Opening the Bench …"
    >
      {(piece, address, whom) => <BenchPiece key={piece.id} piece={piece} address={address} {...whom} />}
    </ForPiece>
  );
}
