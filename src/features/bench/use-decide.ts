'use client';

import { useMemo } from 'react';
import type { MarkKind } from '@/core/mark';
import type { Finger } from '@/core/score';
import { decide, studioDatabase, withAside, withFingers, withMarks, withoutFingers, type Decided, type Whose } from '@/data';
import { addressNow, note } from './use-bench-address';

/** A finger for a note. */
export interface NoteFinger {
  readonly note: string;
  readonly finger: Finger;
}

/** Where a decision counts: in the key that is shown, or in every key. */
export type Reach = 'here' | 'everywhere';

/** What a teacher can decide on the Bench. Each is one edit that can be undone. */
export interface DecideDeeds {
  readonly fingers: (fingers: readonly NoteFinger[], reach: Reach, words: string) => void;
  readonly letGo: (notes: readonly string[], words: string) => void;
  readonly putAside: (flag: string, reason: string, reach: Reach, words: string) => void;
  readonly bringBack: (flag: string, words: string) => void;
  readonly mark: (kind: MarkKind, notes: readonly string[], text: string, words: string) => void;
}

export function useDecide(pieceId: string, pupil: string | null, key: string): DecideDeeds {
  return useMemo(() => {
    const here: Whose = { pupil, key };
    const whoseOf = (reach: Reach): Whose => ({ pupil, key: reach === 'here' ? key : null });
    const make = (change: (decided: Decided) => Decided, words: string): void => {
      // Where the address names no key, the decision is what makes this one meant.
      if (addressNow().key === null) note({ key });
      void decide(studioDatabase(), pieceId, change, words);
    };
    return {
      fingers: (fingers, reach, words) => make((decided) => withFingers(decided, whoseOf(reach), fingers), words),
      letGo: (notes, words) => make((decided) => withoutFingers(decided, here, notes), words),
      putAside: (flag, reason, reach, words) => make((decided) => withAside(decided, whoseOf(reach), flag, reason), words),
      bringBack: (flag, words) => make((decided) => withAside(decided, here, flag, null), words),
      mark: (kind, notes, text, words) => make((decided) => withMarks(decided, here, kind, notes, text), words),
    };
  }, [pieceId, pupil, key]);
}
