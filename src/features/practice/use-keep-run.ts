'use client';

import { useCallback, useState } from 'react';
import type { JudgedView } from '@/core/views';
import type { PupilRecord } from '@/data';
import { useMessages } from '@/features/shared/shell/messages';
import { useWords } from '@/features/shared/words/use-words';
import { keepRun, runOf, type RunOfWhat } from './keep-run';
import type { PlayedKeys } from './use-run';

/** What is said once the store has a run, and of which one. */
export interface KeptWords {
  readonly of: JudgedView;
  readonly words: string;
}

/** Puts what was judged into the record of who plays, and says so once it is there. */
export function useKeepRun(pupil: PupilRecord | null): {
  readonly kept: KeptWords | null;
  readonly keep: (what: RunOfWhat, judged: JudgedView, played: PlayedKeys) => void;
} {
  const w = useWords();
  const { say } = useMessages();
  const [kept, setKept] = useState<KeptWords | null>(null);
  const name = pupil?.name ?? null;
  const keep = useCallback(
    (what: RunOfWhat, judged: JudgedView, played: PlayedKeys): void => {
      const run = runOf(what, judged, played, Date.now());
      void keepRun(run, played.keys, played.sound).then(({ isKept, hadRoom }) => {
        if (isKept) setKept({ of: judged, words: name === null ? w.practice.keptForNobody : w.practice.keptFor(name) });
        if (!hadRoom) say({ kind: 'trouble', text: w.ear.noRoomForSound });
      });
    },
    [say, w, name],
  );
  return { kept, keep };
}
