'use client';

import { usePiece } from '@/data';
import { useForWhom } from '@/features/shared/for-whom';
import { MissingPiece, WhichPiece } from '@/features/shared/which-piece';
import { useBenchAddress } from '../bench-address';
import { StandPiece } from './stand-piece';

/** The music stand: a piece in its new key, and nothing else. */
export function Stand() {
  const address = useBenchAddress();
  const piece = usePiece(address.piece);
  const whom = useForWhom(address.pupil);
  if (address.piece === null) {
    return (
      <WhichPiece
        words="The music stand shows a piece in one key, large, page by page. Choose one."
        addressOf={({ id, lastKey }) =>
          `/stand?piece=${encodeURIComponent(id)}${lastKey ? `&key=${encodeURIComponent(lastKey)}` : ''}`
        }
      />
    );
  }
  if (piece === null) return <MissingPiece />;
  if (!piece || !whom) return <p className="p-8">Opening the music stand …</p>;
  return <StandPiece key={piece.id} piece={piece} address={address} {...whom} />;
}
