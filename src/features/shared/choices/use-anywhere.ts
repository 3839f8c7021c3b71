'use client';

import { useRouter } from 'next/navigation';
import { useCallback } from 'react';
import { usePieces } from '@/data';
import { pieceTitle } from '../piece-title';
import { startTour, TOUR_PIECE } from '../tour/tour-state';
import { useUndo } from '../use-undo';
import type { Choice } from './find-choices';

const PLACES = [
  ['to the Shelf', '/'],
  ['to the Bench', '/bench'],
  ['to the Survey', '/survey'],
  ['to the Atlas', '/atlas'],
  ['to What fits?', '/fit'],
  ['to Settings', '/settings'],
] as const;

/** What can be done from every screen: going elsewhere, opening a piece, taking back. Pieces are read while this is shown. */
export function useAnywhere(): () => readonly Choice[] {
  const router = useRouter();
  const pieces = usePieces();
  const { undoOrRedo } = useUndo();
  return useCallback(
    () => [
      { words: 'take the last edit back', key: 'Ctrl + Z', act: () => void undoOrRedo('undo') },
      { words: 'do it again', key: 'Ctrl + Shift + Z', act: () => void undoOrRedo('redo') },
      ...PLACES.map(([words, path]) => ({ words, act: () => router.push(path) })),
      ...((pieces ?? []).some(({ id }) => id === TOUR_PIECE)
        ? [{ words: 'show me round: a tour of five stops', act: () => router.push(startTour()) }]
        : []),
      ...(pieces ?? []).flatMap((piece) => {
        const id = encodeURIComponent(piece.id);
        const key = piece.lastKey ? `&key=${encodeURIComponent(piece.lastKey)}` : '';
        const title = pieceTitle(piece);
        return [
          { words: `open “${title}” on the Bench`, act: () => router.push(`/bench?piece=${id}${key}`) },
          { words: `put “${title}” on the music stand`, act: () => router.push(`/stand?piece=${id}${key}`) },
        ];
      }),
    ],
    [router, pieces, undoOrRedo],
  );
}
