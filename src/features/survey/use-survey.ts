'use client';

import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import type { PieceOptions } from '@/features/shared/pieces/piece-options';
import type { SurveyKey, Surveyed, SurveyMode, SurveyUnwritable } from '@/contract/core-questions';
import type { Trouble } from '@/contract/answer';
import { askSurvey, type SurveyOnTheWay } from '@/workers/questions';

/** What is known of the keys so far. `of` is how many there will be. */
export interface Survey {
  readonly keys: readonly SurveyKey[];
  readonly unwritable: readonly SurveyUnwritable[];
  readonly of: number;
  readonly surveyed: Surveyed | null;
  readonly trouble: Trouble | null;
  readonly isStopped: boolean;
  readonly stop: () => void;
  readonly goOn: () => void;
}

interface State {
  readonly question: object | null;
  readonly keys: readonly SurveyKey[];
  readonly unwritable: readonly SurveyUnwritable[];
  readonly surveyed: Surveyed | null;
  readonly trouble: Trouble | null;
  readonly isStopped: boolean;
}

const NOTHING: State = { question: null, keys: [], unwritable: [], surveyed: null, trouble: null, isStopped: false };
const KEYS_OF_A_MODE = 15;

/** Asks what the keys of some modes cost. They come one by one; a new question ends the work on the one before. `modes` must keep its identity
 * while it says the same. */
export function useSurvey({ source, options }: PieceOptions, modes: readonly SurveyMode[]): Survey {
  const [state, setState] = useState(NOTHING);
  const [attempt, setAttempt] = useState(0);
  const onTheWay = useRef<SurveyOnTheWay | null>(null);
  const question = useMemo(() => ({ source, options, modes, attempt }), [source, options, modes, attempt]);
  useEffect(() => {
    let isWanted = true;
    const ifWanted = (change: (before: State) => State): void => {
      if (isWanted) setState((before) => change(before.question === question ? before : { ...NOTHING, question }));
    };
    const asked = askSurvey(source, options, modes, (key) =>
      ifWanted((before) =>
        'reason' in key
          ? { ...before, unwritable: [...before.unwritable, key] }
          : { ...before, keys: [...before.keys, key] },
      ),
    );
    onTheWay.current = asked;
    void asked.answer.then((answer) => {
      if (onTheWay.current === asked) onTheWay.current = null;
      ifWanted((before) =>
        answer.ok
          ? { ...before, surveyed: answer.value }
          : answer.trouble.code === 'job.stopped'
            ? { ...before, isStopped: true }
            : { ...before, trouble: answer.trouble },
      );
    });
    return () => {
      isWanted = false;
      // Only a question that is still being answered can be ended.
      if (onTheWay.current === asked) asked.stop();
      onTheWay.current = null;
    };
  }, [source, options, modes, question]);
  const stop = useCallback(() => onTheWay.current?.stop(), []);
  const goOn = useCallback(() => setAttempt((before) => before + 1), []);
  return { ...(state.question === question ? state : NOTHING), of: modes.length * KEYS_OF_A_MODE, stop, goOn };
}
