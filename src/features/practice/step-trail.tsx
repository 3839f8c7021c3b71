'use client';

import { Check, Lock } from 'lucide-react';
import { useWords } from '@/features/shared/words/use-words';
import { practise } from './practice-address';
import type { StepNow } from './use-steps';

interface StepTrailProps {
  readonly steps: readonly StepNow[];
  readonly shown: StepNow | null;
}

/** All steps in their order: done, open or still shut. One that is open can be gone to. */
export function StepTrail({ steps, shown }: StepTrailProps) {
  const w = useWords();
  return (
    <nav aria-label={w.practice.steps}>
      <ol className="flex flex-wrap gap-1" data-role="step-trail">
        {steps.map((one) => {
          const { step, title, number, progress } = one;
          const isShown = step.id === shown?.step.id;
          const state = progress.isDone ? 'done' : progress.isOpen ? 'open' : 'shut';
          return (
            <li key={step.id}>
              <button
                type="button"
                className={`btn btn-sm size-9 min-h-0 px-0 font-normal pointer-coarse:size-11 ${isShown ? 'btn-neutral' : ''}`}
                data-step={step.id}
                data-state={state}
                aria-current={isShown ? 'step' : undefined}
                aria-label={w.practice.stepInTrail(number, title, state)}
                title={title}
                disabled={state === 'shut'}
                onClick={() => practise({ step: step.id }, 'push')}
              >
                {state === 'done' ? (
                  <Check size={16} aria-hidden />
                ) : state === 'shut' ? (
                  <Lock size={14} aria-hidden />
                ) : (
                  number
                )}
              </button>
            </li>
          );
        })}
      </ol>
    </nav>
  );
}
