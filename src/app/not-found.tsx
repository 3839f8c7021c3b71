'use client';

import Link from 'next/link';
import { useWords } from '@/features/shared/words/use-words';

/** Where an address leads nowhere. */
export default function NotFound() {
  const w = useWords();
  return (
    <section className="mx-auto flex max-w-xl flex-col items-center gap-4 px-4 py-16 text-center" data-role="not-found">
      <h1 className="text-2xl font-semibold">{w.places.thereIsNothingAtThis}</h1>
      <p>{w.places.itMayBeMistypedOr}</p>
      <div className="flex flex-wrap justify-center gap-2">
        <Link className="btn btn-primary btn-sm h-9" href="/">
          {w.shared.toShelf}
        </Link>
        <Link className="btn btn-sm h-9" href="/bench">
          {w.shared.toBench}
        </Link>
        <Link className="btn btn-sm h-9" href="/atlas">
          {w.places.toAtlas}
        </Link>
      </div>
    </section>
  );
}
