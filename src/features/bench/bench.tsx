'use client';

import { BenchPiece } from './bench-piece';
import { ForPiece } from './for-piece';
import { useWords } from '@/features/shared/words/use-words';

/** The workplace for one piece: as it stands and as it becomes, one above the other. */
export function Bench() {
  const w = useWords();
  return (
    <ForPiece path="/bench" words={w.bench.pieceOnBenchIsShown} opening={w.bench.openingBench}>
      {(piece, address, whom) => <BenchPiece key={piece.id} piece={piece} address={address} {...whom} />}
    </ForPiece>
  );
}
