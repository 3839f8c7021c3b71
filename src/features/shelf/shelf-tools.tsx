'use client';

import type { RefObject } from 'react';
import { Search } from 'lucide-react';
import { change, SHELF_ORDERS, type ShelfOrder } from '@/data';
import type { ShelfWish } from './shelf-order';
import { useWords, type Words } from '@/features/shared/words/use-words';

/** What is asked of the shelf, beside its order. */
export type Asked = Omit<ShelfWish, 'order'>;

interface ShelfToolsProps {
  readonly search: RefObject<HTMLInputElement | null>;
  readonly asked: Asked;
  readonly order: ShelfOrder;
  /** All tags, with how many cards have each. */
  readonly tags: ReadonlyMap<string, number>;
  /** How many pieces are in the archive. */
  readonly archived: number;
  readonly onAsk: (asked: Asked) => void;
}

const orderWords = (w: Words): Readonly<Record<ShelfOrder, string>> => ({
  added: w.shelf.asTheyCame,
  title: w.shelf.byTitle,
  key: w.shelf.byKeyFewestSignsFirst,
  level: w.shelf.byHandTheyAskFor,
  used: w.shelf.lastUsedFirst,
});

/** Finding pieces by words and tags, and the order of the cards. */
export function ShelfTools({ search, asked, order, tags, archived, onAsk }: ShelfToolsProps) {
  const w = useWords();
  return (
    <>
      <label className="input input-sm h-9 w-64 max-sm:w-full">
        <Search size={16} aria-hidden />
        <input
          ref={search}
          type="search"
          placeholder={w.shelf.titleKeyTagOrWhat}
          aria-label={w.shelf.findPiece}
          value={asked.words}
          onChange={(event) => onAsk({ ...asked, words: event.target.value })}
        />
      </label>
      <select
        className="select select-sm h-9 w-44"
        aria-label={w.shelf.orderOfCards}
        data-role="shelf-order"
        value={order}
        onChange={(event) => {
          const shelfOrder = SHELF_ORDERS[event.target.selectedIndex];
          if (shelfOrder) void change({ kind: 'note.desk', change: { shelfOrder } });
        }}
      >
        {SHELF_ORDERS.map((one) => (
          <option key={one} value={one}>
            {orderWords(w)[one]}
          </option>
        ))}
      </select>
      {tags.size > 0 ? (
        <select
          className="select select-sm h-9 w-36"
          aria-label={w.shelf.withWhichTag}
          data-role="shelf-tag"
          value={asked.tag ?? ''}
          onChange={(event) => onAsk({ ...asked, tag: event.target.value === '' ? null : event.target.value })}
        >
          <option value="">{w.shelf.allTags}</option>
          {[...tags].map(([tag, count]) => (
            <option key={tag} value={tag}>
              {tag} ({count})
            </option>
          ))}
        </select>
      ) : null}
      {archived > 0 || asked.place === 'archive' ? (
        <button
          type="button"
          aria-pressed={asked.place === 'archive'}
          className={`btn btn-sm h-9 font-normal ${asked.place === 'archive' ? 'btn-neutral' : ''}`}
          data-role="archive"
          onClick={() => onAsk({ ...asked, place: asked.place === 'archive' ? 'shelf' : 'archive' })}
        >
          {w.shelf.inArchive(archived)}
        </button>
      ) : null}
    </>
  );
}
