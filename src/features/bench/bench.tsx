'use client';

import { usePiece } from '@/data';
import { useForWhom } from '@/features/shared/for-whom';
import { MissingPiece, WhichPiece } from '@/features/shared/which-piece';
import { BenchPiece } from './bench-piece';
import { useBenchAddress } from './bench-address';

/** The workplace for one piece: as it stands and as it becomes, one above the other. */
export function Bench() {
  const address = useBenchAddress();
  const piece = usePiece(address.piece);
  const whom = useForWhom(address.pupil);
  if (address.piece === null) {
    return (
      <WhichPiece
        words="A piece on the Bench is shown as it stands and as it becomes in another key. Choose one, or drop a MusicXML, ABC or MIDI file anywhere."
        addressOf={({ id, lastKey }) =>
          `/bench?piece=${encodeURIComponent(id)}${lastKey ? `&key=${encodeURIComponent(lastKey)}` : ''}`
        }
      />
    );
  }
  if (piece === null) return <MissingPiece />;
  if (!piece || !whom) return <p className="p-8">Opening the Bench …</p>;
  return <BenchPiece key={piece.id} piece={piece} address={address} {...whom} />;
}
