'use client';

import { useRouter } from 'next/navigation';
import { useCallback } from 'react';
import { usePieces } from '@/data';
import { pieceTitle } from '../piece-title';
import { startTour, TOUR_PIECE } from '../tour/tour-state';
import { useUndo } from '../use-undo';
import type { Choice } from './find-choices';
import { useWords, type Words } from '@/features/shared/words/use-words';

const places = (w: Words) =>
  [
    [w.choices.toShelf, '/'],
    [w.choices.toBench, '/bench'],
    [w.choices.toSurvey, '/survey'],
    [w.choices.toAtlas, '/atlas'],
    [w.choices.toWhatFits, '/fit'],
    [w.choices.toSettings, '/settings'],
  ] as const;

/** What can be done from every screen: going elsewhere, opening a piece, taking back. Pieces are read while this is shown. */
export function useAnywhere(): () => readonly Choice[] {
  const w = useWords();
  const router = useRouter();
  const pieces = usePieces();
  const { undoOrRedo } = useUndo();
  return useCallback(
    () => [
      { words: w.shared.takeLastEditBack, key: 'Ctrl + Z', act: () => void undoOrRedo('undo') },
      { words: w.shared.doItAgain, key: 'Ctrl + Shift + Z', act: () => void undoOrRedo('redo') },
      ...places(w).map(([words, path]) => ({ words, act: () => router.push(path) })),
      ...((pieces ?? []).some(({ id }) => id === TOUR_PIECE)
        ? [{ words: w.choices.showMeRoundTourOf, act: () => router.push(startTour()) }]
        : []),
      ...(pieces ?? []).flatMap((piece) => {
        const id = encodeURIComponent(piece.id);
        const key = piece.lastKey ? `&key=${encodeURIComponent(piece.lastKey)}` : '';
        const title = pieceTitle(piece);
        return [
          { words: w.choices.openOnBench(title), act: () => router.push(`/bench?piece=${id}${key}`) },
          { words: w.choices.putOnMusicStand(title), act: () => router.push(`/stand?piece=${id}${key}`) },
        ];
      }),
    ],
    [w, router, pieces, undoOrRedo],
  );
}
