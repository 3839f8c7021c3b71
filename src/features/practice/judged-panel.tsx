'use client';

import { useEffect, useRef } from 'react';
import { ArrowRight } from 'lucide-react';
import type { StruckKey } from '@/core/asked';
import type { JudgedNext, JudgedView } from '@/core/views';
import { useWords } from '@/features/shared/words/use-words';
import { HearAgain } from './hear-again';
import type { KeptWords } from './use-keep-run';

interface JudgedPanelProps {
  readonly judged: JudgedView;
  readonly keys: readonly StruckKey[];
  /** What is said of the run that the store has; null where it was kept long ago. */
  readonly kept: KeptWords | null;
  readonly onShow: (notes: readonly string[]) => void;
  /** Goes to what comes next; null where there is no way to it, or nobody is to play now. */
  readonly onNext: ((next: JudgedNext) => void) | null;
}

/** What was heard: what was right first, then each place to look at again, and one thing to do next. */
export function JudgedPanel({ judged, keys, kept, onShow, onNext }: JudgedPanelProps) {
  const w = useWords();
  const { right, faults, beside, next, clean, unclear } = judged;
  const told = useRef<HTMLElement>(null);
  // Read out at once, without moving the music away.
  useEffect(() => told.current?.focus({ preventScroll: true }), [judged]);
  const scored = faults.filter(({ weighs }) => weighs);
  const extra = [...faults.filter(({ weighs }) => !weighs).map(({ words }) => words), ...beside];
  return (
    <section
      ref={told}
      tabIndex={-1}
      aria-label={w.practice.toldFirst}
      className="flex flex-col gap-3 rounded-box border border-base-300 bg-base-100 p-4 focus:outline-none"
      data-role="judged"
      data-clean={clean}
    >
      <div className="flex flex-wrap items-center gap-3">
        <p className="flex-1 text-lg font-semibold" aria-live="polite">
          {right.join(' ')}
        </p>
        {keys.length > 0 ? <HearAgain keys={keys} /> : null}
      </div>
      {scored.length > 0 ? (
        <div>
          <h2 className="mb-1 text-sm font-semibold">{w.practice.faults}</h2>
          <ol className="flex flex-col">
            {scored.map(({ words, notes, kind }, i) => (
              <li key={`${i}/${words}`}>
                <button
                  type="button"
                  className="btn btn-ghost h-auto min-h-9 w-full justify-start py-1 text-left font-normal pointer-coarse:min-h-11"
                  data-fault={kind}
                  title={w.practice.showsNote}
                  disabled={notes.length === 0}
                  onClick={() => onShow(notes)}
                >
                  {words}
                </button>
              </li>
            ))}
          </ol>
        </div>
      ) : null}
      {unclear.length > 0 ? (
        <button
          type="button"
          className="btn btn-ghost h-auto min-h-9 justify-start py-1 text-left font-normal pointer-coarse:min-h-11"
          data-role="unclear"
          title={w.practice.showsNote}
          onClick={() => onShow(unclear)}
        >
          {w.ear.unclear(unclear.length)}
        </button>
      ) : null}
      {next ? (
        <div className="flex flex-wrap items-center gap-3 rounded-box bg-base-200 p-3" data-role="next-thing">
          <p className="flex-1">
            <span className="font-semibold">{w.practice.next}:</span> {next.words}
          </p>
          {onNext ? (
            <button type="button" className="btn btn-primary h-11" data-role="go-next" onClick={() => onNext(next)}>
              {w.practice.goThere} <ArrowRight size={18} aria-hidden />
            </button>
          ) : null}
        </div>
      ) : null}
      {extra.length > 0 ? (
        <div className="text-sm text-secondary">
          <h2 className="font-semibold">{w.practice.beside}</h2>
          <ul>
            {extra.map((words) => (
              <li key={words}>{words}</li>
            ))}
          </ul>
        </div>
      ) : null}
      {kept?.of === judged ? (
        <p className="text-sm text-secondary" role="status" data-role="kept-for">
          {kept.words}
        </p>
      ) : null}
    </section>
  );
}
