'use client';

import Link from 'next/link';
import { usePieces, type PieceRecord } from '@/data';
import { pieceTitle } from './piece-title';

interface WhichPieceProps {
  /** What the screen does with a piece. */
  readonly words: string;
  readonly addressOf: (piece: PieceRecord) => string;
}

/** Where an address names no piece: all of them to choose from. */
export function WhichPiece({ words, addressOf }: WhichPieceProps) {
  const pieces = usePieces();
  return (
    <section className="mx-auto max-w-xl px-4 py-16">
      <h1 className="mb-2 text-2xl font-semibold">{pieces?.length === 0 ? 'No piece yet' : 'Which piece?'}</h1>
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
  return (
    <section className="mx-auto max-w-xl px-4 py-16 text-center">
      <h1 className="mb-2 text-2xl font-semibold">This piece is not on the shelf</h1>
      <p className="mb-4">
        It may have been taken off, or the address belongs to another browser. “Undo” brings back what was taken off
        last.
      </p>
      <ToShelf />
    </section>
  );
}

function ToShelf() {
  return (
    <Link className="btn h-9" href="/">
      To the shelf
    </Link>
  );
}
