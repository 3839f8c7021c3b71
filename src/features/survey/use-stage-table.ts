'use client';

import { useEffect, useState } from 'react';
import type { StageRowView, StageTable } from '@/contract/core-questions';
import type { Trouble } from '@/contract/answer';
import { askStageTable, type StageTableAsked } from '@/workers/questions';

/** What is known of the stages in all keys so far. */
export interface StageTableState {
  readonly question: StageTableAsked | null;
  readonly rows: readonly StageRowView[];
  /** Null until all stages are there. */
  readonly table: StageTable | null;
  readonly trouble: Trouble | null;
}

const NOTHING: StageTableState = { question: null, rows: [], table: null, trouble: null };

/** Asks how the stages lie in all keys; they come one by one. `question` must keep its identity while it asks the same; null where there is nothing to ask yet. */
export function useStageTable(question: StageTableAsked | null): StageTableState {
  const [state, setState] = useState(NOTHING);
  useEffect(() => {
    if (!question) return;
    let isWanted = true;
    const ifWanted = (change: (before: StageTableState) => StageTableState): void => {
      if (isWanted) setState((before) => change(before.question === question ? before : { ...NOTHING, question }));
    };
    const asked = askStageTable(question, (row) => ifWanted((before) => ({ ...before, rows: [...before.rows, row] })));
    void asked.answer.then((answer) =>
      ifWanted((before) => (answer.ok ? { ...before, table: answer.value } : { ...before, trouble: answer.trouble })),
    );
    return () => {
      isWanted = false;
      asked.stop();
    };
  }, [question]);
  return state.question === question ? state : NOTHING;
}
