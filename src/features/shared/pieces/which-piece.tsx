'use client';

import Link from 'next/link';
import { usePieces, type PieceRecord } from '@/data';
import { pieceTitle } from './piece-title';
import { useWords } from '@/features/shared/words/use-words';

interface WhichPieceProps {
  /** What the screen does with a piece. */
  readonly words: string;
  readonly addressOf: (piece: PieceRecord) => string;
}

/** Where an address names no piece: all of them to choose from. */
export function WhichPiece({ words, addressOf }: WhichPieceProps) {
  const w = useWords();
  const pieces = usePieces();
  return (
    <section className="mx-auto max-w-xl px-4 py-16">
      <h1 className="mb-2 text-2xl font-semibold">
        {pieces?.length === 0 ? w.shared.noPieceYet : w.shared.whichPiece}
      </h1>
      <p className="mb-4">{words}</p>
      {pieces?.length === 0 ? <ToShelf /> : null}
      <ul className="flex flex-col gap-1">
        {(pieces ?? [])
          .filter(({ place }) => place === 'shelf')
          .map((piece) => (
            <li key={piece.id}>
              <Link className="btn btn-ghost h-10 w-full justify-start font-normal" href={addressOf(piece)}>
                {pieceTitle(piece)}
              </Link>
            </li>
          ))}
      </ul>
    </section>
  );
}

/** Where an address names a piece that is not there. */
export function MissingPiece() {
  const w = useWords();
  return (
    <section className="mx-auto max-w-xl px-4 py-16 text-center">
      <h1 className="mb-2 text-2xl font-semibold">{w.shared.thisPieceIsNotOn}</h1>
      <p className="mb-4">{w.shared.itMayHaveBeenTaken}</p>
      <ToShelf />
    </section>
  );
}

function ToShelf() {
  const w = useWords();
  return (
    <Link className="btn h-9" href="/">
      {w.shared.toShelf}
    </Link>
  );
}
