'use client';

import { useWindowVirtualizer } from '@tanstack/react-virtual';
import { useCallback, useEffect, useLayoutEffect, useRef, useState } from 'react';
import type { PieceRecord } from '@/data';
import { useWidth } from '@/features/shared/parts/use-size';
import { PieceCard } from './piece-card';
import type { PieceFacts } from './use-piece-facts';

interface CardGridProps {
  readonly pieces: readonly PieceRecord[];
  readonly facts: ReadonlyMap<string, PieceFacts>;
  readonly tags: readonly string[];
  /** Told which cards are in sight, or nearly. */
  readonly onSeen: (ids: readonly string[]) => void;
}

/** A card is at least so wide; more than so many do not stand side by side. Unit: px. */
const CARD_PX = 340;
const MOST_COLUMNS = 3;
const GAP_PX = 16;

/** How high a row of cards usually is, until it is measured. Unit: px. */
const ROW_PX = 272;

/** Rows that are there above and below what is seen, so that scrolling finds them engraved. */
const ROWS_AHEAD = 2;

/** The cards, of which only those in sight are there: a shelf of a thousand pieces scrolls like one of ten. */
export function CardGrid({ pieces, facts, tags, onSeen }: CardGridProps) {
  const grid = useRef<HTMLUListElement>(null);
  const width = useWidth(grid);
  const columns = Math.min(MOST_COLUMNS, Math.max(1, Math.floor(((width ?? 0) + GAP_PX) / (CARD_PX + GAP_PX))));
  const [top, setTop] = useState(0);
  // What stands above the cards comes and goes with the words that are looked for.
  useLayoutEffect(
    () => setTop(grid.current ? grid.current.getBoundingClientRect().top + window.scrollY : 0),
    [width, pieces],
  );
  const rows = useWindowVirtualizer({
    count: width === null ? 0 : Math.ceil(pieces.length / columns),
    estimateSize: () => ROW_PX,
    gap: GAP_PX,
    overscan: ROWS_AHEAD,
    scrollMargin: top,
  });
  const isMoving = useCallback(() => rows.isScrolling, [rows]);
  const shown = rows.getVirtualItems();
  const inRow = (row: number): readonly PieceRecord[] => pieces.slice(row * columns, (row + 1) * columns);
  const seenIds = shown
    .filter(
      ({ start, end }) =>
        end > (rows.scrollOffset ?? 0) && start < (rows.scrollOffset ?? 0) + (rows.scrollRect?.height ?? 0),
    )
    .flatMap(({ index }) => inRow(index).map(({ id }) => id))
    .join('\n');
  useEffect(() => onSeen(seenIds.split('\n')), [seenIds, onSeen]);
  return (
    <ul ref={grid} className="relative" style={{ height: rows.getTotalSize() }}>
      {shown.map(({ key, index, start }) => (
        <li
          key={key}
          data-index={index}
          ref={rows.measureElement}
          className="absolute inset-x-0 top-0"
          style={{ transform: `translateY(${start - top}px)` }}
        >
          <ul className="grid gap-4" style={{ gridTemplateColumns: `repeat(${columns}, minmax(0, 1fr))` }}>
            {inRow(index).map((piece) => (
              <PieceCard key={piece.id} piece={piece} facts={facts.get(piece.id)} allTags={tags} isMoving={isMoving} />
            ))}
          </ul>
        </li>
      ))}
    </ul>
  );
}
