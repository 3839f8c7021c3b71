'use client';

import { ArrowRight, CircleCheck, Play, RotateCcw } from 'lucide-react';
import { useWords } from '@/features/shared/words/use-words';
import type { RunState } from './use-run';

/** Where it goes from here. */
export interface Onward {
  readonly words: string;
  readonly go: () => void;
}

interface RunButtonProps {
  readonly state: RunState;
  /** Where it goes once it was played; playing once more is then the smaller button. */
  readonly onward: Onward | null;
  /** Whether there is something to listen with. */
  readonly isReady: boolean;
  readonly onBegin: () => void;
  readonly onFinish: () => void;
}

/** Goes on to what comes next. */
export function OnwardButton({ onward }: { readonly onward: Onward }) {
  return (
    <button
      type="button"
      className="btn btn-primary h-14 min-w-48 self-start text-lg"
      data-role="onward"
      onClick={onward.go}
    >
      {onward.words} <ArrowRight size={22} aria-hidden />
    </button>
  );
}

/** The one large button: begins, ends, begins once more or goes on. */
export function RunButton({ state, onward, isReady, onBegin, onFinish }: RunButtonProps) {
  const w = useWords();
  const isListening = state.is === 'listening';
  const isBusy = state.is === 'getting-ready' || state.is === 'judging';
  const Icon = isListening ? CircleCheck : state.is === 'judged' ? RotateCcw : Play;
  if (onward)
    return (
      <>
        <OnwardButton onward={onward} />
        <button type="button" className="btn h-14" data-role="run" data-state={state.is} onClick={onBegin}>
          <RotateCcw size={18} aria-hidden /> {w.practice.again}
        </button>
      </>
    );
  return (
    <button
      type="button"
      className="btn btn-primary h-14 min-w-48 text-lg"
      data-role="run"
      data-state={state.is}
      disabled={isBusy || !isReady}
      onClick={isListening ? onFinish : onBegin}
    >
      <Icon size={22} aria-hidden />
      {isListening ? w.practice.done : state.is === 'judged' ? w.practice.again : w.practice.begin}
    </button>
  );
}
