'use client';

import { useCallback, useState } from 'react';
import type { Engraved } from '@/features/shared/engraved-page';
import { shownZoom } from '@/features/shared/paper-size';
import { fitAfter, fitAtFirst, questionOf, type Fit, type Room } from './fit';

/** How large the music can be in a room, in per cent, and where it is told what came of it. */
export function useFit(room: Room | null): readonly [number, (engraved: Engraved) => void] {
  const [kept, setKept] = useState<Fit | null>(null);
  const fit = room === null ? null : kept?.question === questionOf(room) ? kept : fitAtFirst(room);
  const onEngraved = useCallback(
    ({ zoom, systems }: Engraved): void => {
      if (!room) return;
      const tallestPx = Math.max(...systems.map(({ heightPx }) => heightPx));
      setKept((before) => {
        const current = before?.question === questionOf(room) ? before : fitAtFirst(room);
        return fitAfter(current, room, { zoom: shownZoom(zoom), tallestPx });
      });
    },
    [room],
  );
  return [fit?.zoom ?? 100, onEngraved];
}
