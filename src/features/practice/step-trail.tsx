'use client';

import { useEffect, useRef } from 'react';
import { Check } from 'lucide-react';
import { useWords } from '@/features/shared/words/use-words';
import { practise } from './practice-address';
import type { StepNow } from './use-steps';

interface StepTrailProps {
  readonly steps: readonly StepNow[];
  readonly shown: StepNow | null;
}

/** How a step looks that is not the one shown: told apart by its edge, too. */
const LOOKS = {
  done: 'border-secondary bg-base-100',
  open: 'border-secondary bg-base-100',
  shut: 'border-dashed border-base-content/30 bg-transparent text-base-content/60',
} as const;

/** All steps in their order: done, open or still shut. One that is open can be gone to. */
export function StepTrail({ steps, shown }: StepTrailProps) {
  const w = useWords();
  const trail = useRef<HTMLOListElement>(null);
  const id = shown?.step.id;
  // On a phone it is one row: the step that is shown is brought into sight, and nothing else is moved.
  useEffect(() => {
    const list = trail.current;
    const current = list?.querySelector<HTMLElement>('[aria-current=step]');
    if (list && current) list.scrollLeft = current.offsetLeft - list.offsetLeft - list.clientWidth / 2;
  }, [id]);
  return (
    <nav aria-label={w.practice.steps}>
      <ol ref={trail} className="flex flex-wrap gap-1 max-sm:flex-nowrap max-sm:overflow-x-auto" data-role="step-trail">
        {steps.map((one) => {
          const { step, title, number, progress } = one;
          const isShown = step.id === id;
          const state = progress.isDone ? 'done' : progress.isOpen ? 'open' : 'shut';
          return (
            <li key={step.id} className="shrink-0">
              <button
                type="button"
                className={`btn btn-sm size-9 min-h-0 px-0 font-normal pointer-coarse:size-11 ${isShown ? 'btn-neutral' : LOOKS[state]}`}
                data-step={step.id}
                data-state={state}
                aria-current={isShown ? 'step' : undefined}
                aria-label={w.practice.stepInTrail(number, title, w.practice.stepStates[state])}
                title={title}
                disabled={state === 'shut'}
                onClick={() => practise({ step: step.id }, 'push')}
              >
                {state === 'done' ? <Check size={16} aria-hidden /> : number}
              </button>
            </li>
          );
        })}
      </ol>
    </nav>
  );
}
