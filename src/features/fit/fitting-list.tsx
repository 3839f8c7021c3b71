'use client';

import Link from 'next/link';
import { useState } from 'react';
import { parseKey } from '@/core/pitch';
import type { FitKey, Fitting } from '@/core/survey';
import type { PupilRecord } from '@/data';
import { HandsGlyph } from '@/features/shared/music/hand-glyph';
import { placeNamed } from './place-named';
import { useWords } from '@/features/shared/words/use-words';

interface FittingListProps {
  readonly fitting: readonly Fitting[];
  readonly pupil: PupilRecord | null;
  /** How many pieces were asked so far, and whether all were. */
  readonly known: number;
  readonly isDone: boolean;
}

/** So many pieces are shown at first, and so many keys of each. */
const SHOWN_PIECES = 20;
const SHOWN_KEYS = 6;

/** The pieces that fit, each with the keys in which it does. */
export function FittingList({ fitting, pupil, known, isDone }: FittingListProps) {
  const w = useWords();
  const [shown, setShown] = useState(SHOWN_PIECES);
  return (
    <section aria-label={w.fit.piecesThatFit} data-role="fitting" data-count={fitting.length}>
      <h2 className="mb-2 text-lg font-semibold">{w.fit.fittingOf(fitting.length, known)}</h2>
      {fitting.length === 0 && isDone ? (
        <p className="rounded-box border border-base-300 bg-base-100 px-4 py-6">{w.fit.noPieceIsLikeThis}</p>
      ) : null}
      <ul className="flex flex-col rounded-box border-base-300 bg-base-100 not-empty:border">
        {fitting.slice(0, shown).map(({ piece, title, keys }) => (
          <li
            key={piece}
            className="flex flex-wrap items-center gap-x-4 gap-y-1 border-base-300 px-4 py-2 not-last:border-b"
            data-fitting={piece}
          >
            <span className="w-56 min-w-0 flex-1 font-serif font-semibold">{title || piece}</span>
            <span className="flex flex-wrap items-center gap-1">
              {easiest(keys)
                .slice(0, SHOWN_KEYS)
                .map((key) => (
                  <KeyLink key={key.key} piece={piece} shown={key} pupil={pupil} />
                ))}
              {keys.length > SHOWN_KEYS ? (
                <span className="text-sm text-secondary">{w.fit.andMoreKeys(keys.length - SHOWN_KEYS)}</span>
              ) : null}
              <Link
                className="btn btn-ghost btn-sm h-9 px-2 font-normal"
                href={`/survey?piece=${encodeURIComponent(piece)}`}
                aria-label={w.fit.allKeysOf(title)}
              >
                {w.fit.allKeys}
              </Link>
            </span>
          </li>
        ))}
      </ul>
      {fitting.length > shown ? (
        <button
          type="button"
          className="btn btn-sm mt-3 h-9 font-normal"
          onClick={() => setShown(shown + SHOWN_PIECES)}
        >
          {w.fit.showMore(Math.min(SHOWN_PIECES, fitting.length - shown))}
        </button>
      ) : null}
    </section>
  );
}

/** Fewest fingers on black keys first, then fewest moves. */
function easiest(keys: readonly FitKey[]): readonly FitKey[] {
  const black = ({ hands }: FitKey): number => hands.reduce((sum, { onBlack }) => sum + onBlack.length, 0);
  const moves = ({ hands }: FitKey): number => hands.reduce((sum, hand) => sum + hand.moves, 0);
  return keys.toSorted((a, b) => black(a) - black(b) || moves(a) - moves(b));
}

function KeyLink({
  piece,
  shown,
  pupil,
}: {
  readonly piece: string;
  readonly shown: FitKey;
  readonly pupil: PupilRecord | null;
}) {
  const w = useWords();
  const { key, hands } = shown;
  const found = parseKey(key, 'major');
  const words = found ? w.says.key(found) : key;
  const onBlack = (hand: 'right' | 'left') => hands.find((one) => one.hand === hand)?.onBlack ?? [];
  const moves = hands.reduce((sum, hand) => sum + hand.moves, 0);
  const places = hands
    .map(({ hand, positions }) =>
      w.fit.positionsOf(
        hand,
        positions
          .slice(0, 3)
          .map((one) => placeNamed(w, one))
          .join(', '),
      ),
    )
    .join('; ');
  return (
    <Link
      className="flex h-10 items-center gap-1.5 rounded-field border border-base-300 px-2 text-sm hover:border-primary"
      href={`/bench?piece=${encodeURIComponent(piece)}&key=${encodeURIComponent(key)}${pupil ? `&pupil=${encodeURIComponent(pupil.id)}` : ''}`}
      title={`${places}; ${moves === 0 ? w.fit.noMove : moves === 1 ? w.shared.oneMove : w.shared.moves(moves)}`}
      data-fit-key={key}
    >
      <HandsGlyph right={onBlack('right')} left={onBlack('left')} size={24} /> {words}
    </Link>
  );
}
