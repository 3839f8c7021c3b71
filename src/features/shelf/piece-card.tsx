'use client';

import Link from 'next/link';
import { memo } from 'react';
import { Archive, ArchiveRestore, PencilLine, Trash2 } from 'lucide-react';
import type { ShelfView } from '@/core/views';
import { change, type PieceRecord } from '@/data';
import { EngravedPage } from '@/features/shared/music/engraved-page';
import { HandsGlyph } from '@/features/shared/music/hand-glyph';
import { entrySettled } from '@/features/shared/files/live-entry';
import { useMessages } from '@/features/shared/shell/messages';
import { SeverityMark } from '@/features/shared/music/severity-mark';
import { CardTags } from './card-tags';
import { CARD_LAYOUT } from './card-layout';
import type { PieceFacts } from './use-piece-facts';
import { useQuiet } from './use-quiet';
import { useWords, type Words } from '@/features/shared/words/use-words';

interface PieceCardProps {
  readonly piece: PieceRecord;
  readonly facts: PieceFacts | undefined;
  readonly allTags: readonly string[];
  /** Whether the shelf is being scrolled just now. */
  readonly isMoving: () => boolean;
}

/** A piece on the shelf. What comes into sight while the shelf is scrolled is a title first, and the rest in an idle moment. */
export const PieceCard = memo(function PieceCard({ piece, facts, allTags, isMoving }: PieceCardProps) {
  const w = useWords();
  const isQuiet = useQuiet(isMoving);
  const view = facts?.view ?? null;
  const title = view?.title || piece.fileName;
  // A piece without notes has nothing to show on the Bench: it is opened where notes are entered.
  const address = facts?.isBlank
    ? enterAddress(piece.id)
    : `/bench?piece=${encodeURIComponent(piece.id)}${piece.lastKey ? `&key=${encodeURIComponent(piece.lastKey)}` : ''}`;
  return (
    <li
      className="relative flex min-h-68 flex-col rounded-box border border-base-300 bg-base-100 focus-within:border-primary hover:border-primary"
      data-piece={piece.id}
    >
      <div className="flex items-start gap-3 px-4 pt-3">
        <div className="min-w-0 flex-1">
          <h2 className="truncate text-lg font-semibold">
            <Link href={address} prefetch={false} className="after:absolute after:inset-0">
              {title}
            </Link>
          </h2>
          <p className="text-sm text-secondary">
            {view ? aboutWords(w, piece, view) : (facts?.trouble ?? w.shelf.reading)}
          </p>
        </div>
        {view && isQuiet ? (
          <HandsGlyph right={view.blackFingers.right} left={view.blackFingers.left} size={34} />
        ) : null}
      </div>
      {isQuiet ? <CardBody piece={piece} view={view} title={title} allTags={allTags} /> : null}
    </li>
  );
});

/** Key, meter and length, and whose piece it is. */
function aboutWords(w: Words, { origin }: PieceRecord, { key, meter, bars, composer }: ShelfView): string {
  return [key, meter, w.shelf.bars(bars), ...(composer && origin === 'own' ? [composer] : [])].join(' · ');
}

interface CardBodyProps extends Pick<PieceCardProps, 'piece' | 'allTags'> {
  readonly view: ShelfView | null;
  readonly title: string;
}

/** The opening of a piece, what stands in the way of it, and what can be done with it. */
function CardBody({ piece, view, title, allTags }: CardBodyProps) {
  const w = useWords();
  const { say } = useMessages();
  const takeOff = async (): Promise<void> => {
    await entrySettled();
    if (await change({ kind: 'piece.remove', id: piece.id }, w.shelf.takenOffShelf(title))) return;
    say({ kind: 'done', text: w.shelf.isOffShelf(title), hint: w.shelf.undoPutsItBack });
  };
  return (
    <>
      <div className="h-36 px-3 pt-1">
        {view ? (
          <EngravedPage page={view.opening} layout={CARD_LAYOUT} fits="height" label={w.shelf.openingOf(title)} />
        ) : null}
      </div>
      <div className="mt-auto flex items-end gap-2 px-4 pb-3">
        <div className="min-w-0 flex-1 text-sm">
          {view ? <Standing view={view} /> : null}
          {piece.tags.length > 0 ? (
            <p className="truncate text-xs text-secondary" data-role="tags">
              {piece.tags.join(' · ')}
            </p>
          ) : null}
        </div>
        <div className="relative z-10 flex">
          <CardTags piece={piece} title={title} allTags={allTags} />
          <PlaceButton piece={piece} title={title} />
        </div>
        <Link
          prefetch={false}
          className="btn btn-ghost btn-sm btn-square relative z-10 size-9"
          href={enterAddress(piece.id)}
          aria-label={w.shelf.enterOrChangeNotesOf(title)}
          title={w.shelf.enterOrChangeNotes}
        >
          <PencilLine size={16} />
        </Link>
        <button
          type="button"
          className="btn btn-ghost btn-sm btn-square relative z-10 size-9"
          aria-label={w.shelf.takeOffShelf(title)}
          title={w.shelf.takeOffShelfCanBe}
          onClick={() => void takeOff()}
        >
          <Trash2 size={16} />
        </button>
      </div>
    </>
  );
}

/** Puts a piece away that is not needed now, and back. */
function PlaceButton({ piece, title }: Pick<PieceCardProps, 'piece'> & { readonly title: string }) {
  const w = useWords();
  const { say } = useMessages();
  const isAway = piece.place === 'archive';
  const words = isAway ? w.shelf.putBackOnShelf(title) : w.shelf.putIntoArchive(title);
  const Icon = isAway ? ArchiveRestore : Archive;
  const put = async (): Promise<void> => {
    const fault = await change(
      { kind: 'piece.place', id: piece.id, place: isAway ? 'shelf' : 'archive' },
      isAway ? w.shelf.backOnShelf(title) : w.shelf.archivedEdit(title),
    );
    if (fault) return;
    say(
      isAway
        ? { kind: 'done', text: w.shelf.isBackOnShelf(title) }
        : { kind: 'done', text: w.shelf.isInArchive(title), hint: w.shelf.shelfShowsItUnderIn },
    );
  };
  return (
    <button
      type="button"
      className="btn btn-ghost btn-sm btn-square size-9"
      aria-label={words}
      title={isAway ? w.shelf.backOnShelfButton : w.shelf.intoArchive}
      onClick={() => void put()}
    >
      <Icon size={16} aria-hidden />
    </button>
  );
}

function enterAddress(id: string): string {
  return `/enter?piece=${encodeURIComponent(id)}`;
}

function Standing({ view }: { readonly view: ShelfView }) {
  const w = useWords();
  const moves = (['right', 'left'] as const).filter(
    (hand) => view.positions.filter((position) => position.hand === hand).length > 1,
  );
  const known = new Set(view.positions.map(({ hand }) => hand));
  const names = (['left', 'right'] as const)
    .filter((hand) => known.has(hand))
    .map((hand) => view.positions.find((position) => position.hand === hand)?.name ?? '');
  const stays =
    known.size === 0
      ? w.shelf.noFingersPrinted
      : moves.length === 0
        ? w.shelf.handsStayPutIn(w.says.listed([...new Set(names)]))
        : `${moves.length === 2 ? w.shelf.bothHandsMove : w.shelf.handMoves(moves[0] ?? '')}`;
  const first = view.handNotes[0];
  return (
    <>
      <p>{stays}</p>
      {first ? (
        <p className="flex items-baseline gap-1.5">
          <SeverityMark severity={first.severity} size={12} />
          <span>
            {first.title}
            {view.handNotes.length > 1 ? w.shelf.more(view.handNotes.length) : ''}
          </span>
        </p>
      ) : (
        <p className="text-secondary">{w.shelf.nothingInWay}</p>
      )}
    </>
  );
}
