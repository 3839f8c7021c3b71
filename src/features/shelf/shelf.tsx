'use client';

import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useMemo, useRef, useState } from 'react';
import { ArrowRight, Hand, Plus } from 'lucide-react';
import { change, useDesk, usePieces, type PieceRecord } from '@/data';
import { loadDemoStudio } from '@/features/shared/demo/demo-studio';
import { FileButton } from '@/features/shared/files/file-button';
import { ScreenKeys } from '@/features/shared/keys/key-help';
import { useMessages } from '@/features/shared/shell/messages';
import { startTour, TOUR_PIECE } from '@/features/shared/tour/tour-state';
import { useTakeFiles } from '@/features/shared/files/use-take-files';
import { useSame } from '@/features/shared/parts/use-same';
import { CardGrid } from './card-grid';
import { NewPiece } from './new-piece';
import { tagsOf, wantedPieces } from './shelf-order';
import { ShelfTools, type Asked } from './shelf-tools';
import { usePieceFacts } from './use-piece-facts';
import { useWords } from '@/features/shared/words/use-words';

/** The pieces, with words, tags and orders to find them by. */
export function Shelf() {
  const w = useWords();
  const pieces = usePieces();
  const desk = useDesk();
  const [facts, onSeen] = usePieceFacts(pieces);
  const [asked, setAsked] = useState<Asked>({ words: '', tag: null, place: 'shelf' });
  const [isBeginning, setBeginning] = useState(false);
  const router = useRouter();
  const search = useRef<HTMLInputElement>(null);
  const keys = useMemo(
    () => [
      { key: 'n', does: w.shared.newPiece, act: () => setBeginning(true) },
      { key: 'f', does: w.shelf.askWhichPiecesFit, act: () => router.push('/fit') },
      { key: '/', does: w.shelf.findPieceKey, act: () => search.current?.focus() },
    ],
    [w, router],
  );
  const order = desk?.shelfOrder ?? 'added';
  const found = useMemo(() => wantedPieces(pieces ?? [], facts, { ...asked, order }), [pieces, facts, asked, order]);
  const tags = useMemo(() => tagsOf(pieces ?? []), [pieces]);
  const tagNames = useSame([...tags.keys()]);

  if (!pieces) return <p className="p-8">{w.shared.openingShelf}</p>;
  const here = pieces.filter(({ place }) => place === asked.place).length;
  const hasDemo = pieces.some(({ origin }) => origin === 'demo');
  const isPlain = asked.words === '' && asked.tag === null && asked.place === 'shelf';
  return (
    <div className="mx-auto max-w-7xl px-4 py-5">
      <ScreenKeys keys={keys} />
      <div className="mb-4 flex flex-wrap items-center gap-x-3 gap-y-2">
        <h1 className="text-2xl font-semibold">{w.shelf.shelf}</h1>
        {pieces.length > 0 ? (
          <>
            <ShelfTools
              {...{ search, asked, tags, order }}
              archived={pieces.length - countOn(pieces)}
              onAsk={setAsked}
            />
            <p className="text-sm text-secondary" data-role="count">
              {found.length < here ? w.shelf.ofPieces(found.length, here) : w.shared.pieces(here)}
            </p>
          </>
        ) : null}
        <div className="ml-auto flex gap-2">
          {pieces.length > 0 ? (
            <Link className="btn btn-sm h-9" href="/fit" data-role="ask-shelf">
              <Hand size={16} aria-hidden /> {w.shared.whatFits} <kbd className="kbd kbd-sm max-sm:hidden">F</kbd>
            </Link>
          ) : null}
          <button type="button" className="btn btn-sm h-9" data-role="new-piece" onClick={() => setBeginning(true)}>
            <Plus size={16} aria-hidden /> {w.shared.newPieceName} <kbd className="kbd kbd-sm max-sm:hidden">N</kbd>
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
  const w = useWords();
  const words =
    asked.words !== ''
      ? w.shelf.noPieceHasTheseWords
      : asked.tag !== null
        ? w.shelf.noPieceHereHasTag(asked.tag)
        : asked.place === 'archive'
          ? w.shelf.nothingIsInArchivePieces
          : w.shelf.allPiecesAreInArchive;
  return <p className="py-10 text-center">{words}</p>;
}

function DemoBanner({ hasTour }: { readonly hasTour: boolean }) {
  const w = useWords();
  const { say } = useMessages();
  return (
    <section
      aria-label={w.shelf.demoStudio}
      className="mb-4 flex flex-wrap items-center gap-x-4 gap-y-2 rounded-box border border-base-300 bg-base-100 px-4 py-2"
    >
      <p>
        <strong className="font-semibold">{w.shelf.demoStudioTinLantern}</strong> {w.shelf.twelvePiecesToTryThings}
      </p>
      <Link className="btn btn-primary btn-sm h-9" href="/bench?piece=lantern-walk&key=D-major">
        {w.shelf.seeLanternWalkMovedTo} <ArrowRight size={16} />
      </Link>
      {hasTour ? <TourButton /> : null}
      <button
        type="button"
        className="btn btn-ghost btn-sm ml-auto h-9"
        onClick={() =>
          void change({ kind: 'demo.put-away' }, w.shared.demoStudioPutAway).then((fault) =>
            fault
              ? undefined
              : say({ kind: 'done', text: w.shelf.demoStudioIsPutAway, hint: w.shelf.undoBringsItBack }),
          )
        }
      >
        {w.shelf.putDemoAway}
      </button>
    </section>
  );
}

function TourButton() {
  const w = useWords();
  const router = useRouter();
  return (
    <button type="button" className="btn btn-sm h-9" data-role="tour-start" onClick={() => router.push(startTour())}>
      {w.shelf.showMeRound}
    </button>
  );
}

/** What a teacher with a stack of paper can do first. */
function EmptyShelf({ onNew }: { readonly onNew: () => void }) {
  const w = useWords();
  const take = useTakeFiles();
  return (
    <section className="mx-auto max-w-3xl py-10" data-role="empty-shelf">
      <h2 className="mb-1 text-center text-xl font-semibold">{w.shelf.yourPiecesStandHere}</h2>
      <p className="mb-6 text-center text-secondary">{w.shelf.theyStayInThisBrowser}</p>
      <ol className="grid gap-4 sm:grid-cols-3">
        <li className="flex flex-col gap-3 rounded-box border border-base-300 bg-base-100 p-4">
          <h3 className="font-semibold">{w.shelf.fromPaper}</h3>
          <p className="flex-1 text-sm">{w.shelf.putBothHandsInPosition}</p>
          <button type="button" className="btn btn-primary btn-sm h-9" onClick={onNew}>
            <Plus size={16} aria-hidden /> {w.shared.newPieceName}
          </button>
        </li>
        <li className="flex flex-col gap-3 rounded-box border border-base-300 bg-base-100 p-4">
          <h3 className="font-semibold">{w.shelf.fromFiles}</h3>
          <p className="flex-1 text-sm">{w.shelf.musicxmlAbcAndMidiOne}</p>
          <FileButton onFiles={take} />
        </li>
        <li className="flex flex-col gap-3 rounded-box border border-base-300 bg-base-100 p-4">
          <h3 className="font-semibold">{w.shelf.toLookRoundFirst}</h3>
          <p className="flex-1 text-sm">{w.shelf.demoStudioTwelveShortPieces}</p>
          <button
            type="button"
            className="btn btn-sm h-9"
            onClick={() =>
              void loadDemoStudio().then((demo) =>
                change({ kind: 'demo.bring', ...demo }, w.shared.demoStudioBroughtBack),
              )
            }
          >
            {w.shared.bringDemoStudioBack}
          </button>
        </li>
      </ol>
    </section>
  );
}
