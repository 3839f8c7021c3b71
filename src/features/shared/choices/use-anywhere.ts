'use client';

import { useRouter } from 'next/navigation';
import { useCallback } from 'react';
import { usePieces, usePupils } from '@/data';
import { addressOf } from '../address/address-of';
import { pieceTitle } from '../pieces/piece-title';
import { PLACES, PUPIL_PAGES } from '../shell/place-list';
import { startTour, TOUR_PIECE } from '../tour/tour-state';
import { useUndo } from '../history/use-undo';
import type { Choice } from './find-choices';
import { useWords } from '@/features/shared/words/use-words';

/** What can be done from every screen: going elsewhere, to a pupil, opening a piece, taking back. Pieces and pupils are read while this is shown. */
export function useAnywhere(): () => readonly Choice[] {
  const w = useWords();
  const router = useRouter();
  const pieces = usePieces();
  const pupils = usePupils();
  const { undoOrRedo } = useUndo();
  return useCallback(
    () => [
      { words: w.shared.takeLastEditBack, key: 'Ctrl + Z', act: () => void undoOrRedo('undo') },
      { words: w.shared.doItAgain, key: 'Ctrl + Shift + Z', act: () => void undoOrRedo('redo') },
      ...PLACES.map(({ href, name }) => ({ words: w.choices.to[name], act: () => router.push(href) })),
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
      ...(pupils ?? []).flatMap((pupil) =>
        PUPIL_PAGES.map(({ href, name }) => ({
          words: w.choices.ofPupil[name](pupil.name),
          act: () => router.push(addressOf(href, { pupil: pupil.id })),
        })),
      ),
    ],
    [w, router, pieces, pupils, undoOrRedo],
  );
}
