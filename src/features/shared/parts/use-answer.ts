'use client';

import { useEffect, useState } from 'react';
import type { Answer, Trouble } from '@/contract/answer';
import { useWords, type Words } from '@/features/shared/words/use-words';

/** What a worker said to the last question; `value` is the last good answer, kept while the next one is on its way. */
export interface Answered<T> {
  readonly value: T | null;
  readonly trouble: Trouble | null;
}

/** A question that could not even be asked. */
const noAnswer = (w: Words): Trouble => ({
  code: 'worker.no-answer',
  message: w.shared.thisCouldNotBeWorked,
  hint: w.shared.everythingIsKeptReloadPage,
  line: null,
});

interface State<T> extends Answered<T> {
  readonly subject: string | null;
}

/** Asks a worker whenever the question changes. A late answer to an old question is dropped, and so is the last
 * answer when the subject changes (another piece). `ask` is null while there is nothing to ask yet; it must keep its
 * identity while the question is the same. */
export function useAnswer<T>(subject: string | null, ask: (() => Promise<Answer<T>>) | null): Answered<T> {
  const w = useWords();
  const [state, setState] = useState<State<T>>({ subject: null, value: null, trouble: null });
  useEffect(() => {
    if (!ask) return;
    let isWanted = true;
    void ask()
      .catch((): Answer<T> => ({ ok: false, trouble: noAnswer(w) }))
      .then((answer) => {
        if (!isWanted) return;
        setState((before) => {
          if (answer.ok) return { subject, value: answer.value, trouble: null };
          return { subject, value: before.subject === subject ? before.value : null, trouble: answer.trouble };
        });
      });
    return () => {
      isWanted = false;
    };
  }, [w, subject, ask]);
  return state.subject === subject ? state : { value: null, trouble: null };
}
