'use client';

import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useMemo, useRef, useState } from 'react';
import { ArrowRight, Hand, Plus } from 'lucide-react';
import { change, useDesk, usePieces, type PieceRecord } from '@/data';
import { loadDemoStudio } from '@/features/shared/demo-studio';
import { FileButton } from '@/features/shared/file-button';
import { ScreenKeys } from '@/features/shared/key-help';
import { useMessages } from '@/features/shared/messages';
import { startTour, TOUR_PIECE } from '@/features/shared/tour/tour-state';
import { useTakeFiles } from '@/features/shared/use-take-files';
import { useSame } from '@/features/shared/use-same';
import { CardGrid } from './card-grid';
import { NewPiece } from './new-piece';
import { tagsOf, wantedPieces } from './shelf-order';
import { ShelfTools, type Asked } from './shelf-tools';
import { usePieceFacts } from './use-piece-facts';

/** The pieces, with words, tags and orders to find them by. */
export function Shelf() {
  const pieces = usePieces();
  const desk = useDesk();
  const [facts, onSeen] = usePieceFacts(pieces);
  const [asked, setAsked] = useState<Asked>({ words: '', tag: null, place: 'shelf' });
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
  const order = desk?.shelfOrder ?? 'added';
  const found = useMemo(() => wantedPieces(pieces ?? [], facts, { ...asked, order }), [pieces, facts, asked, order]);
  const tags = useMemo(() => tagsOf(pieces ?? []), [pieces]);
  const tagNames = useSame([...tags.keys()]);

  if (!pieces) return <p className="p-8">Opening the shelf …</p>;
  const here = pieces.filter(({ place }) => place === asked.place).length;
  const hasDemo = pieces.some(({ origin }) => origin === 'demo');
  const isPlain = asked.words === '' && asked.tag === null && asked.place === 'shelf';
  return (
    <div className="mx-auto max-w-7xl px-4 py-5">
      <ScreenKeys keys={keys} />
      <div className="mb-4 flex flex-wrap items-center gap-x-3 gap-y-2">
        <h1 className="text-2xl font-semibold">Shelf</h1>
        {pieces.length > 0 ? (
          <>
            <ShelfTools
              {...{ search, asked, tags, order }}
              archived={pieces.length - countOn(pieces)}
              onAsk={setAsked}
            />
            <p className="text-sm text-secondary" data-role="count">
              {found.length < here ? `${found.length} of ${here} pieces` : `${here} ${here === 1 ? 'piece' : 'pieces'}`}
            </p>
          </>
        ) : null}
        <div className="ml-auto flex gap-2">
          {pieces.length > 0 ? (
            <Link className="btn btn-sm h-9" href="/fit" data-role="ask-shelf">
              <Hand size={16} aria-hidden /> What fits? <kbd className="kbd kbd-sm max-sm:hidden">F</kbd>
            </Link>
          ) : null}
          <button type="button" className="btn btn-sm h-9" data-role="new-piece" onClick={() => setBeginning(true)}>
            <Plus size={16} aria-hidden /> New piece <kbd className="kbd kbd-sm max-sm:hidden">N</kbd>
          </button>
        </div>
      </div>
      {isBeginning ? <NewPiece onClose={() => setBeginning(false)} /> : null}
      {hasDemo && isPlain ? <DemoBanner hasTour={pieces.some(({ id }) => id === TOUR_PIECE)} /> : null}
      {pieces.length === 0 ? <EmptyShelf onNew={() => setBeginning(true)} /> : null}
      {pieces.length > 0 && found.length === 0 ? <NothingFound asked={asked} /> : null}
      <CardGrid pieces={found} facts={facts} tags={tagNames} onSeen={onSeen} />
    </div>
  );
}

function countOn(pieces: readonly PieceRecord[]): number {
  return pieces.filter(({ place }) => place === 'shelf').length;
}

function NothingFound({ asked }: { readonly asked: Asked }) {
  const words =
    asked.words !== ''
      ? 'No piece has these words. Try fewer letters, a key such as “minor”, or a hand note such as “thumb”.'
      : asked.tag !== null
        ? `No piece here has the tag “${asked.tag}”.`
        : asked.place === 'archive'
          ? 'Nothing is in the archive. Pieces that are not needed now can be put here: they stay found by “What fits?”.'
          : 'All pieces are in the archive.';
  return <p className="py-10 text-center">{words}</p>;
}

function DemoBanner({ hasTour }: { readonly hasTour: boolean }) {
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
      {hasTour ? <TourButton /> : null}
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

function TourButton() {
  const router = useRouter();
  return (
    <button type="button" className="btn btn-sm h-9" data-role="tour-start" onClick={() => router.push(startTour())}>
      Show me round
    </button>
  );
}

/** What a teacher with a stack of paper can do first. */
function EmptyShelf({ onNew }: { readonly onNew: () => void }) {
  const take = useTakeFiles();
  return (
    <section className="mx-auto max-w-3xl py-10" data-role="empty-shelf">
      <h2 className="mb-1 text-center text-xl font-semibold">Your pieces stand here</h2>
      <p className="mb-6 text-center text-secondary">They stay in this browser and go nowhere else.</p>
      <ol className="grid gap-4 sm:grid-cols-3">
        <li className="flex flex-col gap-3 rounded-box border border-base-300 bg-base-100 p-4">
          <h3 className="font-semibold">From paper</h3>
          <p className="flex-1 text-sm">
            Put both hands in a position and type finger numbers: eight bars take about two minutes.
          </p>
          <button type="button" className="btn btn-primary btn-sm h-9" onClick={onNew}>
            <Plus size={16} aria-hidden /> New piece
          </button>
        </li>
        <li className="flex flex-col gap-3 rounded-box border border-base-300 bg-base-100 p-4">
          <h3 className="font-semibold">From files</h3>
          <p className="flex-1 text-sm">
            MusicXML, ABC and MIDI, one or many: drop them anywhere on this page, whole folders too.
          </p>
          <FileButton onFiles={take} />
        </li>
        <li className="flex flex-col gap-3 rounded-box border border-base-300 bg-base-100 p-4">
          <h3 className="font-semibold">To look round first</h3>
          <p className="flex-1 text-sm">
            The demo studio: twelve short pieces and three pupils, put away again with one press.
          </p>
          <button
            type="button"
            className="btn btn-sm h-9"
            onClick={() =>
              void loadDemoStudio().then((demo) => change({ kind: 'demo.bring', ...demo }, 'demo studio brought back'))
            }
          >
            Bring the demo studio back
          </button>
        </li>
      </ol>
    </section>
  );
}
