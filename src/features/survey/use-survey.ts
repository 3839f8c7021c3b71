'use client';

import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import type { PieceWish } from '@/features/shared/piece-wish';
import type { SurveyKey, Surveyed, SurveyMode, Trouble } from '@/workers/protocol';
import { askSurvey, type SurveyOnTheWay } from '@/workers/questions';

/** What is known of the keys so far. `of` is how many there will be. */
export interface Survey {
  readonly keys: readonly SurveyKey[];
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
  readonly surveyed: Surveyed | null;
  readonly trouble: Trouble | null;
  readonly isStopped: boolean;
}

const NOTHING: State = { question: null, keys: [], surveyed: null, trouble: null, isStopped: false };
const KEYS_OF_A_MODE = 15;

/** Asks what the keys of some modes cost. They come one by one; a new question ends the work on the one before. `modes` must keep its identity
 * while it says the same. */
export function useSurvey({ source, wish }: PieceWish, modes: readonly SurveyMode[]): Survey {
  const [state, setState] = useState(NOTHING);
  const [attempt, setAttempt] = useState(0);
  const onTheWay = useRef<SurveyOnTheWay | null>(null);
  const question = useMemo(() => ({ source, wish, modes, attempt }), [source, wish, modes, attempt]);
  useEffect(() => {
    let isWanted = true;
    const ifWanted = (change: (before: State) => State): void => {
      if (isWanted) setState((before) => change(before.question === question ? before : { ...NOTHING, question }));
    };
    const asked = askSurvey(source, wish, modes, (key) => ifWanted((before) => ({ ...before, keys: [...before.keys, key] })));
    onTheWay.current = asked;
    void asked.answer.then((answer) => {
      if (onTheWay.current === asked) onTheWay.current = null;
      ifWanted((before) => (answer.ok ? { ...before, surveyed: answer.value } : answer.trouble.code === 'job.stopped' ? { ...before, isStopped: true } : { ...before, trouble: answer.trouble }));
    });
    return () => {
      isWanted = false;
      // Only a question that is still being answered can be ended.
      if (onTheWay.current === asked) asked.stop();
      onTheWay.current = null;
    };
  }, [source, wish, modes, question]);
  const stop = useCallback(() => onTheWay.current?.stop(), []);
  const goOn = useCallback(() => setAttempt((before) => before + 1), []);
  return { ...(state.question === question ? state : NOTHING), of: modes.length * KEYS_OF_A_MODE, stop, goOn };
}
