'use client';

import { useCallback, useMemo, useRef, useState } from 'react';
import type { Ladder } from '@/core/views';
import type { Mode } from '@/core/pitch';
import type { KeyOrder } from '@/core/survey';
import { useAnswer, type Answered } from '@/features/shared/parts/use-answer';
import type { BenchOptions, PieceSource } from '@/contract/piece-asked';
import { askLadder, type LadderOnTheWay } from '@/workers/questions';

/** How many keys are done; `isStopped` where the teacher ended the work. */
export interface Progress {
  readonly done: number;
  readonly of: number;
  readonly isStopped: boolean;
}

/** All keys of a piece, and how far the work on them is. */
export interface LadderAnswers {
  readonly ladder: Answered<Ladder>;
  readonly progress: Progress;
  readonly stop: () => void;
  readonly goOn: () => void;
}

const NONE: Progress = { done: 0, of: 15, isStopped: false };

/** Asks for the keys of a piece. A new question ends the work on the one before. */
export function useLadder(
  subject: string,
  {
    source,
    options,
    order,
    mode,
  }: {
    readonly source: PieceSource;
    readonly options: BenchOptions;
    readonly order: KeyOrder;
    readonly mode: Mode | null;
  },
): LadderAnswers {
  const [progress, setProgress] = useState(NONE);
  const [attempt, setAttempt] = useState(0);
  const onTheWay = useRef<LadderOnTheWay | null>(null);
  const ask = useMemo(
    () => () => {
      void attempt;
      onTheWay.current?.stop();
      setProgress(NONE);
      const asked = askLadder(source, options, {
        order,
        mode,
        onKey: (done, of) => setProgress({ done, of, isStopped: false }),
      });
      onTheWay.current = asked;
      void asked.answer.then(() => {
        if (onTheWay.current === asked) onTheWay.current = null;
      });
      return asked.answer;
    },
    [source, options, order, mode, attempt],
  );
  const stop = useCallback(() => {
    onTheWay.current?.stop();
    onTheWay.current = null;
    setProgress((before) => ({ ...before, isStopped: true }));
  }, []);
  const goOn = useCallback(() => setAttempt((before) => before + 1), []);
  return { ladder: useAnswer(subject, ask), progress, stop, goOn };
}
