'use client';

import { useEffect, useState } from 'react';
import type { Player } from '@/core/fingering';
import type { PieceFit } from '@/core/survey';
import type { PieceRecord } from '@/data';
import { fitWorker } from '@/workers/client';

/** The pieces of a pupil in all keys for this hand, as far as they are known; `isWhole` once all of them are. */
export interface Ladders {
  readonly ladders: readonly PieceFit[];
  readonly isWhole: boolean;
}

const NOTHING: Ladders = { ladders: [], isWhole: false };

/** Asks for one piece after the other. `pieces` and `player` must keep their identity while they say the same. */
export function useLadders(pieces: readonly PieceRecord[] | undefined, player: Player): Ladders {
  const [state, setState] = useState<{ readonly of: object | undefined; readonly known: Ladders }>({
    of: undefined,
    known: NOTHING,
  });
  useEffect(() => {
    if (!pieces) return undefined;
    let isWanted = true;
    const ask = async (): Promise<void> => {
      const ladders: PieceFit[] = [];
      for (const [i, { id, musicXml, ownKey, part }] of pieces.entries()) {
        const answer = await fitWorker(0).fit(id, { musicXml, ownKey, part: part ?? null }, player);
        if (!isWanted) return;
        if (answer.ok) ladders.push(answer.value);
        setState({ of: pieces, known: { ladders: [...ladders], isWhole: i === pieces.length - 1 } });
      }
      if (pieces.length === 0) setState({ of: pieces, known: { ladders: [], isWhole: true } });
    };
    void ask().catch(() => undefined);
    return () => {
      isWanted = false;
    };
  }, [pieces, player]);
  return state.of === pieces ? state.known : NOTHING;
}
