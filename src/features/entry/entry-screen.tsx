'use client';

import Link from 'next/link';
import { useState } from 'react';
import { useDesk, usePiece, useSettings, type PieceRecord } from '@/data';
import { text } from '@/features/shared/address/query-fields';
import { useQuery } from '@/features/shared/address/use-query';
import { EntryPiece } from './entry-piece';
import { useWords } from '@/features/shared/words/use-words';

/** What the address of entering holds. */
const SHAPE = { piece: text };

/** Entering one piece, by its address. The record is read once: while it is entered, the piece is in the worker's hands. */
export function EntryScreen() {
  const w = useWords();
  const { piece: id } = useQuery(SHAPE);
  const piece = usePieceOnce(id);
  const settings = useSettings();
  const desk = useDesk();
  if (piece === null) return <NoPiece />;
  if (!piece || !settings || !desk) return <p className="p-8">{w.entry.openingPiece}</p>;
  return <EntryPiece key={piece.id} piece={piece} settings={settings} desk={desk} />;
}

/** A piece as it is found; null where there is none, undefined until that is known. What is changed of it later is not told, so that whoever changes it
 * is not told of every change; only that it comes is. */
function usePieceOnce(id: string | null): PieceRecord | null | undefined {
  const [found, setFound] = useState<PieceRecord | null>(null);
  const now = usePiece(id);
  if (now && now.id === id && found?.id !== id) setFound(now);
  return found !== null && found.id === id ? found : now;
}

function NoPiece() {
  const w = useWords();
  return (
    <section className="mx-auto max-w-xl px-4 py-16 text-center">
      <h1 className="mb-2 text-2xl font-semibold">{w.entry.thereIsNoSuchPiece}</h1>
      <p className="mb-4">{w.entry.itMayHaveBeenTaken}</p>
      <Link className="btn h-9" href="/">
        {w.shared.toShelf}
      </Link>
    </section>
  );
}
