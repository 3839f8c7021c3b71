'use client';

import { useCallback, useMemo } from 'react';
import { addressNow } from '../bench-address';
import { goToStage } from './stage-rail';
import { useKeysAhead } from '../keys/use-keys-ahead';
import { railEntry, type StagesAnswers } from './use-stages';

const NONE: readonly string[] = [];

async function nothing(): Promise<void> {
  // Until the piece is there no stage of it can be prepared.
}

/** Steps along the rail of stages; the neighbours of the one that is shown are made ahead, so that one press shows them at once. */
export function useRail(
  { view }: StagesAnswers,
  shown: string | null,
  prepare: ((stage: string) => Promise<void>) | null,
): { readonly step: (by: number) => void } {
  const ids = useMemo(() => view?.stages.map(({ id }) => id) ?? NONE, [view]);
  const entry = view ? (railEntry(view, shown)?.id ?? null) : null;
  useKeysAhead(prepare ? ids : NONE, entry, prepare ?? nothing);
  const step = useCallback(
    (by: number): void => {
      const now = view ? railEntry(view, addressNow().stage) : undefined;
      const at = now ? ids.indexOf(now.id) : ids.length - 1;
      const next = ids[(at + by + ids.length) % ids.length];
      if (next !== undefined) goToStage(next);
    },
    [view, ids],
  );
  return { step };
}
