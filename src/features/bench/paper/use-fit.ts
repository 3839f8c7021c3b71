'use client';

import { useCallback, useState } from 'react';
import type { Engraved } from '@/features/shared/music/engraved-page';
import { shownZoom } from '@/features/shared/music/paper-size';
import { fitAfter, fitAtFirst, questionOf, type Fit, type PaperSpace } from './fit';

/** How large the music can be in a space, in per cent, and where it is told what came of it. */
export function useFit(space: PaperSpace | null): readonly [number, (engraved: Engraved) => void] {
  const [kept, setKept] = useState<Fit | null>(null);
  const fit = space === null ? null : kept?.question === questionOf(space) ? kept : fitAtFirst(space);
  const onEngraved = useCallback(
    ({ zoom, systems }: Engraved): void => {
      if (!space) return;
      const tallestPx = Math.max(...systems.map(({ heightPx }) => heightPx));
      setKept((before) => {
        const current = before?.question === questionOf(space) ? before : fitAtFirst(space);
        return fitAfter(current, space, { zoom: shownZoom(zoom), tallestPx });
      });
    },
    [space],
  );
  return [fit?.zoom ?? 100, onEngraved];
}
