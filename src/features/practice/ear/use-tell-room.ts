'use client';

import { useCallback } from 'react';
import { useMessages } from '@/features/shared/shell/messages';
import { useWords } from '@/features/shared/words/use-words';

/** Tells where there was no room for the sound of a run. */
export function useTellRoom(): (hadRoom: boolean) => void {
  const w = useWords();
  const { say } = useMessages();
  return useCallback(
    (hadRoom) => {
      if (!hadRoom) say({ kind: 'trouble', text: w.ear.noRoomForSound });
    },
    [say, w],
  );
}
