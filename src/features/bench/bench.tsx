'use client';

import Link from 'next/link';
import { useDesk, usePiece, usePieces, usePupils, useSettings } from '@/data';
import { pieceTitle } from '@/features/shared/piece-title';
import { BenchPiece } from './bench-piece';
import { useBenchAddress } from './use-bench-address';

/** The workplace for one piece: as it stands and as it becomes, one above the other. */
export function Bench() {
  const address = useBenchAddress();
  const piece = usePiece(address.piece);
  const settings = useSettings();
  const desk = useDesk();
  const pupils = usePupils();
  if (address.piece === null) return <ChoosePiece />;
  if (piece === null) return <MissingPiece />;
  if (!piece || !settings || !desk || !pupils) return <p className="p-8">Opening the Bench …</p>;
  const wanted = address.pupil ?? desk.pupil;
  return <BenchPiece key={piece.id} piece={piece} settings={settings} desk={desk} pupils={pupils} pupil={pupils.find(({ id }) => id === wanted) ?? null} />;
}

function ChoosePiece() {
  const pieces = usePieces() ?? [];
  return (
    <section className="mx-auto max-w-xl px-4 py-16">
      <h1 className="mb-2 text-2xl font-semibold">Which piece?</h1>
      <p className="mb-4">A piece on the Bench is shown as it stands and as it becomes in another key. Choose one, or drop a MusicXML, ABC or MIDI file anywhere.</p>
      <ul className="flex flex-col gap-1">
        {pieces.map((piece) => (
          <li key={piece.id}>
            <Link className="btn btn-ghost h-10 w-full justify-start font-normal" href={`/bench?piece=${encodeURIComponent(piece.id)}${piece.lastKey ? `&key=${encodeURIComponent(piece.lastKey)}` : ''}`}>
              {pieceTitle(piece)}
            </Link>
          </li>
        ))}
      </ul>
    </section>
  );
}

function MissingPiece() {
  return (
    <section className="mx-auto max-w-xl px-4 py-16 text-center">
      <h1 className="mb-2 text-2xl font-semibold">This piece is not on the shelf</h1>
      <p className="mb-4">It may have been taken off, or the address belongs to another browser. “Undo” brings back what was taken off last.</p>
      <Link className="btn h-9" href="/">
        To the shelf
      </Link>
    </section>
  );
}
