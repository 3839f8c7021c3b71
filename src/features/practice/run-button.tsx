'use client';

import { CircleCheck, Play, RotateCcw } from 'lucide-react';
import { useWords } from '@/features/shared/words/use-words';
import type { RunState } from './use-run';

interface RunButtonProps {
  readonly state: RunState;
  readonly onBegin: () => void;
  readonly onFinish: () => void;
}

/** The one large button: begins, ends, and begins once more. */
export function RunButton({ state, onBegin, onFinish }: RunButtonProps) {
  const w = useWords();
  const isListening = state.is === 'listening';
  const isBusy = state.is === 'getting-ready' || state.is === 'judging';
  const Icon = isListening ? CircleCheck : state.is === 'judged' ? RotateCcw : Play;
  return (
    <button
      type="button"
      className="btn btn-primary h-14 min-w-48 text-lg"
      data-role="run"
      data-state={state.is}
      disabled={isBusy}
      onClick={isListening ? onFinish : onBegin}
    >
      <Icon size={22} aria-hidden />
      {isListening ? w.practice.done : state.is === 'judged' ? w.practice.again : w.practice.begin}
    </button>
  );
}
