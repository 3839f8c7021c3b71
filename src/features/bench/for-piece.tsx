'use client';

import type { ReactNode } from 'react';
import { usePiece, type PieceRecord } from '@/data';
import { useForWhom, type ForWhom } from '@/features/shared/pupils/for-whom';
import { MissingPiece, WhichPiece } from '@/features/shared/pieces/which-piece';
import { useBenchAddress, type BenchAddress } from './bench-address';

interface ForPieceProps {
  readonly path: '/bench' | '/stand';
  /** What the screen does with a piece, where none is named. */
  readonly words: string;
  readonly opening: string;
  readonly children: (piece: PieceRecord, address: BenchAddress, whom: ForWhom) => ReactNode;
}

/** The piece that the address names, for whom, and where it is to be looked at; or what there is to choose from. */
export function ForPiece({ path, words, opening, children }: ForPieceProps) {
  const address = useBenchAddress();
  const piece = usePiece(address.piece);
  const whom = useForWhom(address.pupil);
  if (address.piece === null) {
    return (
      <WhichPiece
        words={words}
        addressOf={({ id, lastKey }) =>
          `${path}?piece=${encodeURIComponent(id)}${lastKey ? `&key=${encodeURIComponent(lastKey)}` : ''}`
        }
      />
    );
  }
  if (piece === null) return <MissingPiece />;
  if (!piece || !whom) return <p className="p-8">{opening}</p>;
  return children(piece, address, whom);
}
