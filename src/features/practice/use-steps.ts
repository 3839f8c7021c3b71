'use client';

import { useMemo } from 'react';
import { nextStep, progressOf, type StepProgress } from '@/core/homework';
import type { StepsView, StepView } from '@/core/views';
import { useRuns, type PieceRecord } from '@/data';
import type { ForWhom } from '@/features/shared/pupils/for-whom';
import { keptFor } from '@/features/shared/pieces/kept-steps';
import { useAnswer } from '@/features/shared/parts/use-answer';
import { useSame } from '@/features/shared/parts/use-same';
import { coreWorker } from '@/workers/client';
import type { Trouble } from '@/contract/answer';
import type { PracticeAddress } from './practice-address';
import { usePractisedPiece } from './use-practised';

/** A step with how it stands. */
export interface StepNow extends StepView {
  readonly number: number;
  readonly progress: StepProgress;
}

/** The steps of a piece for a pupil. */
export interface Steps {
  readonly view: StepsView;
  readonly steps: readonly StepNow[];
  /** The step that the address names, or the next one; null where all are done. */
  readonly shown: StepNow | null;
}

/** The first step behind this one that is not done; null where there is none. */
export function stepBehind({ steps }: Pick<Steps, 'steps'>, id: string): string | null {
  const at = steps.findIndex(({ step }) => step.id === id);
  return steps.slice(at + 1).find(({ progress }) => !progress.isDone)?.step.id ?? null;
}

/** The steps and how they stand; null until they are known. */
export function useSteps(
  piece: PieceRecord,
  whom: ForWhom,
  { key, stage, step: named }: Pick<PracticeAddress, 'key' | 'stage' | 'step'>,
): { readonly steps: Steps | null; readonly trouble: Trouble | null } {
  const { source, options } = usePractisedPiece(piece, whom, { key, stage });
  const kept = useSame(keptFor(piece, whom.pupil, key)?.steps ?? null);
  const ownStages = useSame(piece.ownStages.map(({ id, title }) => ({ id, title })));
  const ask = useMemo(
    () => () => coreWorker().steps(source, options, { kept, ownStages }),
    [source, options, kept, ownStages],
  );
  const { value: view, trouble } = useAnswer(`${piece.id}/${key}/${stage}`, ask);
  const runs = useRuns(piece.id, whom.pupil?.id ?? null);
  const steps = useMemo((): Steps | null => {
    if (!view || !runs) return null;
    const list = view.steps.map(({ step }) => step);
    const own = runs.flatMap((run) => {
      const step = list.find(({ id }) => id === run.step);
      const isOfThis = step && run.key === (step.key ?? view.keyText) && run.stage === (step.stage ?? stage);
      return isOfThis ? [{ step: step.id, atMs: run.atMs, outcome: run.outcome }] : [];
    });
    const progress = progressOf(list, own);
    const now = view.steps.map((one, i): StepNow => ({ ...one, number: i + 1, progress: progress[i] as StepProgress }));
    const next = now.find(({ step }) => step.id === nextStep(progress)?.id) ?? null;
    const shown = now.find(({ step, progress: { isOpen } }) => step.id === named && isOpen) ?? next;
    return { view, steps: now, shown };
  }, [view, runs, stage, named]);
  return { steps, trouble };
}
