'use client';

import { useMemo } from 'react';
import type { MarkKind } from '@/core/annotate';
import type { Finger } from '@/core/score';
import { change, type Command, type Whose } from '@/data';
import { addressNow, note } from '../bench-address';

/** A finger for a note. */
export interface NoteFinger {
  readonly note: string;
  readonly finger: Finger;
}

/** Where a decision counts: in the key that is shown, or in every key. */
export type Reach = 'here' | 'everywhere';

/** What a teacher can decide on the Bench. Each is one edit that can be undone. */
export interface DecisionActions {
  readonly fingers: (fingers: readonly NoteFinger[], reach: Reach, words: string) => void;
  readonly letGo: (notes: readonly string[], words: string) => void;
  readonly putAside: (flag: string, reason: string, reach: Reach, words: string) => void;
  readonly bringBack: (flag: string, words: string) => void;
  readonly mark: (kind: MarkKind, notes: readonly string[], text: string, words: string) => void;
}

/** `key` is the one that is shown; where another one is asked for and on its way, what is decided counts there. */
export function useDecide(pieceId: string, pupil: string | null, key: string): DecisionActions {
  return useMemo(() => {
    const keyNow = (): string => addressNow().key ?? key;
    const whoseOf = (reach: Reach): Whose => ({ pupil, key: reach === 'here' ? keyNow() : null });
    const make = (command: Command, words: string): void => {
      // Where the address names no key, the decision is what makes this one meant.
      if (addressNow().key === null) note({ key });
      void change(command, words);
    };
    return {
      // A finger that is put in while a stage is shown belongs to that stage alone.
      fingers: (fingers, reach, words) => {
        const { stage } = addressNow();
        const [whose, wanted] = [whoseOf(reach), fingers];
        if (stage === null) make({ kind: 'piece.fingers', id: pieceId, whose, wanted }, words);
        else make({ kind: 'piece.stage-fingers', id: pieceId, stage, whose, wanted }, words);
      },
      letGo: (notes, words) => {
        const { stage } = addressNow();
        const whose = whoseOf('here');
        if (stage === null) make({ kind: 'piece.let-go', id: pieceId, whose, notes }, words);
        else make({ kind: 'piece.stage-let-go', id: pieceId, stage, whose, notes }, words);
      },
      putAside: (flag, reason, reach, words) =>
        make({ kind: 'piece.put-aside', id: pieceId, whose: whoseOf(reach), flag, reason }, words),
      bringBack: (flag, words) =>
        make({ kind: 'piece.put-aside', id: pieceId, whose: whoseOf('here'), flag, reason: null }, words),
      mark: (kind, notes, text, words) =>
        make({ kind: 'piece.mark', id: pieceId, whose: whoseOf('here'), mark: kind, notes, text }, words),
    };
  }, [pieceId, pupil, key]);
}
