'use client';

import { useCallback, useDeferredValue, useEffect, useRef, useState } from 'react';
import type { Player } from '@/core/fingering';
import { usePieceCount } from '@/data';
import { askShelf, type Known, type ReadAhead } from './ask-shelf';

/** What is known of the shelf so far, and how to stop and go on. */
export interface ShelfFits extends Known {
  readonly stop: () => void;
  readonly goOn: () => void;
}

const NOTHING: Known = { fits: [], pieces: 0, asked: 0, state: 'reading', unreadable: [] };

/** What is known, and for which hand. */
interface KnownFor {
  readonly player: Player;
  readonly known: Known;
}

/** The answers for another hand are never shown under this one's name, not even until the first of its own are there. */
function knownOf(told: KnownFor, player: Player): Known {
  return told.player === player ? told.known : NOTHING;
}

/** Asks the whole shelf for one hand: first what is kept, then in a pool of workers what is new or was changed. `player` must keep its identity
 * while it says the same. */
export function useFits(player: Player, ahead: ReadAhead): ShelfFits {
  const count = usePieceCount();
  const [told, setTold] = useState<KnownFor>({ player, known: NOTHING });
  const known = knownOf(told, player);
  // While answers come in, what is shown may lag a little behind: a press is answered first.
  const { fits } = knownOf(useDeferredValue(told), player);
  const [attempt, setAttempt] = useState(0);
  const isStopped = useRef(false);
  // Pieces that come or go while the screen is open are asked about too.
  const changed = known.state !== 'reading' && count !== undefined && count !== known.pieces ? count : null;
  useEffect(() => {
    let isWanted = true;
    isStopped.current = false;
    void askShelf({
      player,
      ahead,
      isStopped: () => isStopped.current,
      isWanted: () => isWanted,
      tell: (change) => {
        if (!isWanted) return;
        setTold((before) => ({
          player,
          known: { ...(before.player === player ? before.known : NOTHING), ...change },
        }));
      },
    });
    return () => {
      isWanted = false;
    };
  }, [player, ahead, changed, attempt]);
  const stop = useCallback(() => {
    isStopped.current = true;
  }, []);
  const goOn = useCallback(() => setAttempt((before) => before + 1), []);
  return { ...known, fits, state: fits === known.fits ? known.state : 'working', stop, goOn };
}
