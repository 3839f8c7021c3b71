'use client';

import Link from 'next/link';
import { useDesk, usePiece, usePieces, usePupils, useSettings, type PieceRecord } from '@/data';
import { pieceTitle } from '@/features/shared/piece-title';
import { SurveyPiece } from './survey-piece';
import { useSurveyAddress } from './survey-address';

/** All keys of a piece at once: which are easy, in which order, and why. */
export function SurveyScreen() {
  const address = useSurveyAddress();
  const piece = usePiece(address.piece);
  const settings = useSettings();
  const desk = useDesk();
  const pupils = usePupils();
  if (address.piece === null) return <ChoosePiece />;
  if (piece === null) return <MissingPiece />;
  if (!piece || !settings || !desk || !pupils) return <p className="p-8">Opening the survey …</p>;
  const wanted = address.pupil ?? desk.pupil;
  return <SurveyPiece key={piece.id} piece={piece} settings={settings} pupils={pupils} pupil={pupils.find(({ id }) => id === wanted) ?? null} address={address} />;
}

function ChoosePiece() {
  const pieces = usePieces();
  if (pieces?.length === 0) {
    return (
      <section className="mx-auto max-w-xl px-4 py-16 text-center">
        <h1 className="mb-2 text-2xl font-semibold">No piece to survey yet</h1>
        <p className="mb-4">A survey puts all keys of one piece into order for one pupil. Bring a piece in, or enter one.</p>
        <Link className="btn h-9" href="/">
          To the shelf
        </Link>
      </section>
    );
  }
  return (
    <section className="mx-auto max-w-xl px-4 py-12">
      <h1 className="mb-2 text-2xl font-semibold">Which piece?</h1>
      <p className="mb-4">Its keys are put into order for a pupil, each with what it costs and why.</p>
      <ul className="flex flex-col gap-1">
        {(pieces ?? []).map((piece: PieceRecord) => (
          <li key={piece.id}>
            <Link className="btn btn-ghost h-10 w-full justify-start font-normal" href={`/survey?piece=${encodeURIComponent(piece.id)}`}>
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
