'use client';

import { usePiece } from '@/data';
import { useForWhom } from '@/features/shared/pupils/for-whom';
import { MissingPiece, WhichPiece } from '@/features/shared/pieces/which-piece';
import { useWords } from '@/features/shared/words/use-words';
import { useHandoutAddress } from './handout-address';
import { HandoutPiece } from './handout-piece';

/** A piece on paper: which sheet, what is on it, and the page as it will be printed. */
export function HandoutScreen() {
  const w = useWords();
  const address = useHandoutAddress();
  const piece = usePiece(address.piece);
  const whom = useForWhom(address.pupil);
  if (address.piece === null)
    return (
      <WhichPiece words={w.handout.whatItDoes} addressOf={({ id }) => `/handout?piece=${encodeURIComponent(id)}`} />
    );
  if (piece === null) return <MissingPiece />;
  if (!piece || !whom) return <p className="p-8">{w.handout.opening}</p>;
  return <HandoutPiece key={piece.id} piece={piece} whom={whom} address={address} />;
}
