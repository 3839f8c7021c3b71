'use client';

import Link from 'next/link';
import { useSearchParams } from 'next/navigation';
import { useEffect, useState } from 'react';
import { settleEntered, studioDatabase, useDesk, usePieceOnce, useSettings } from '@/data';
import { EntryPiece } from './entry-piece';

/** Entering one piece, by its address. The record is read once: while it is entered, the piece is in the worker's hands. */
export function EntryScreen() {
  const id = useSearchParams().get('piece');
  const isSettled = useSettled();
  const piece = usePieceOnce(isSettled ? id : null);
  const settings = useSettings();
  const desk = useDesk();
  if (id === null || (isSettled && piece === null)) return <NoPiece />;
  if (!piece || !settings || !desk) return <p className="p-8">Opening the piece …</p>;
  return <EntryPiece key={piece.id} piece={piece} settings={settings} desk={desk} />;
}

/** Whether what an earlier tab had only noted is in its pieces. */
function useSettled(): boolean {
  const [isSettled, setSettled] = useState(false);
  useEffect(() => void settleEntered(studioDatabase()).then(() => setSettled(true)), []);
  return isSettled;
}

function NoPiece() {
  return (
    <section className="mx-auto max-w-xl px-4 py-16 text-center">
      <h1 className="mb-2 text-2xl font-semibold">There is no such piece to enter</h1>
      <p className="mb-4">It may have been taken off the shelf. A new one begins there with N.</p>
      <Link className="btn h-9" href="/">
        To the shelf
      </Link>
    </section>
  );
}
