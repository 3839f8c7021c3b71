'use client';

import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useMemo, useRef, useState } from 'react';
import { ArrowRight, Hand, Plus, Search } from 'lucide-react';
import { change, usePieces } from '@/data';
import { loadDemoStudio } from '@/features/shared/demo-studio';
import { ScreenKeys } from '@/features/shared/key-help';
import { useMessages } from '@/features/shared/messages';
import { NewPiece } from './new-piece';
import { PieceCard } from './piece-card';
import { usePieceFacts } from './use-piece-facts';

/** The pieces, with words to find them by. */
export function Shelf() {
  const pieces = usePieces();
  const facts = usePieceFacts(pieces);
  const [words, setWords] = useState('');
  const [isBeginning, setBeginning] = useState(false);
  const router = useRouter();
  const search = useRef<HTMLInputElement>(null);
  const keys = useMemo(
    () => [
      { key: 'n', does: 'new piece', act: () => setBeginning(true) },
      { key: 'f', does: 'ask which pieces fit', act: () => router.push('/fit') },
      { key: '/', does: 'find a piece', act: () => search.current?.focus() },
    ],
    [router],
  );
  const found = useMemo(() => {
    const wanted = words.toLocaleLowerCase().split(/\s+/).filter(Boolean);
    return (pieces ?? []).filter((piece) =>
      wanted.every((word) => (facts.get(piece.id)?.words ?? piece.fileName.toLocaleLowerCase()).includes(word)),
    );
  }, [pieces, facts, words]);

  if (!pieces) return <p className="p-8">Opening the shelf …</p>;
  const hasDemo = pieces.some(({ origin }) => origin === 'demo');
  return (
    <div className="mx-auto max-w-7xl px-4 py-5">
      <ScreenKeys keys={keys} />
      <div className="mb-4 flex flex-wrap items-center gap-4">
        <h1 className="text-2xl font-semibold">Shelf</h1>
        {pieces.length > 0 ? (
          <label className="input input-sm h-9 w-72">
            <Search size={16} aria-hidden />
            <input
              ref={search}
              type="search"
              placeholder="Title, key or what it trains"
              aria-label="Find a piece"
              value={words}
              onChange={(event) => setWords(event.target.value)}
            />
          </label>
        ) : null}
        {pieces.length > 0 ? (
          <p className="text-sm text-secondary">
            {words ? `${found.length} of ${pieces.length} pieces` : `${pieces.length} pieces`}
          </p>
        ) : null}
        {pieces.length > 0 ? (
          <Link className="btn btn-sm ml-auto h-9" href="/fit" data-role="ask-shelf">
            <Hand size={16} aria-hidden /> What fits? <kbd className="kbd kbd-sm">F</kbd>
          </Link>
        ) : null}
        <button
          type="button"
          className={`btn btn-sm h-9 ${pieces.length > 0 ? '' : 'ml-auto'}`}
          data-role="new-piece"
          onClick={() => setBeginning(true)}
        >
          <Plus size={16} aria-hidden /> New piece <kbd className="kbd kbd-sm">N</kbd>
        </button>
      </div>
      {isBeginning ? <NewPiece onClose={() => setBeginning(false)} /> : null}
      {hasDemo && words === '' ? <DemoBanner /> : null}
      {pieces.length === 0 ? <EmptyShelf /> : null}
      {pieces.length > 0 && found.length === 0 ? (
        <p className="py-10 text-center">
          No piece has these words. Try fewer letters, a key such as “minor”, or a hand note such as “thumb”.
        </p>
      ) : null}
      <ul className="grid gap-4 sm:grid-cols-2 xl:grid-cols-3">
        {found.map((piece) => (
          <PieceCard key={piece.id} piece={piece} facts={facts.get(piece.id)} />
        ))}
      </ul>
    </div>
  );
}

function DemoBanner() {
  const { say } = useMessages();
  return (
    <section
      aria-label="Demo studio"
      className="mb-4 flex flex-wrap items-center gap-x-4 gap-y-2 rounded-box border border-base-300 bg-base-100 px-4 py-2"
    >
      <p>
        <strong className="font-semibold">Demo studio “The Tin Lantern”:</strong> twelve pieces to try things with.
      </p>
      <Link className="btn btn-primary btn-sm h-9" href="/bench?piece=lantern-walk&key=D-major">
        See “Lantern Walk” moved to D <ArrowRight size={16} />
      </Link>
      <button
        type="button"
        className="btn btn-ghost btn-sm ml-auto h-9"
        onClick={() =>
          void change({ kind: 'demo.put-away' }, 'demo studio put away').then((fault) =>
            fault
              ? undefined
              : say({ kind: 'done', text: 'The demo studio is put away.', hint: 'Undo brings it back.' }),
          )
        }
      >
        Put the demo away
      </button>
    </section>
  );
}

function EmptyShelf() {
  return (
    <section className="mx-auto max-w-xl py-16 text-center">
      <h2 className="mb-2 text-xl font-semibold">Your pieces stand here</h2>
      <p className="mb-4">
        Drop a MusicXML, ABC or MIDI file anywhere on this page, choose one with “Bring in a piece”, or enter a new one
        by finger numbers: press N. It stays in this browser and goes nowhere else.
      </p>
      <button
        type="button"
        className="btn h-9"
        onClick={() =>
          void loadDemoStudio().then((demo) => change({ kind: 'demo.bring', ...demo }, 'demo studio brought back'))
        }
      >
        Bring the demo studio back
      </button>
    </section>
  );
}
