'use client';

import { memo, useMemo, useState } from 'react';
import { ChevronLeft, ChevronRight } from 'lucide-react';
import type { BenchView } from '@/core/job';
import { KeyboardMap, keyboardRange } from './keyboard-map';

interface KeyboardDockProps {
  readonly view: BenchView;
  readonly at: number | null;
  readonly onWalk: (by: number) => void;
  /** Writes a note under its other letter. */
  readonly onRespell: (noteId: string, from: string, to: string) => void;
}

/** The keyboard at the foot of the Bench: both hands at the selected moment, before or after the move. */
export const KeyboardDock = memo(function KeyboardDock({ view, at, onWalk, onRespell }: KeyboardDockProps) {
  const [shows, setShows] = useState<'before' | 'after'>('after');
  const range = useMemo(() => keyboardRange([...view.momentsBefore, ...view.momentsAfter]), [view]);
  const moments = shows === 'before' ? view.momentsBefore : view.momentsAfter;
  const moment = moments[at ?? 0] ?? null;
  return (
    <section aria-label="Keyboard map" className="sticky bottom-0 z-20 flex items-center gap-4 border-t border-base-300 bg-base-100 px-4 py-1.5">
      <div className="flex w-44 shrink-0 flex-col gap-1 text-sm">
        <div className="flex items-center gap-1">
          <button type="button" className="btn btn-sm btn-square size-9" aria-label="The moment before" onClick={() => onWalk(-1)}>
            <ChevronLeft size={18} aria-hidden />
          </button>
          <span className="flex-1 text-center" aria-live="polite" data-role="moment">
            {moment ? `bar ${moment.bar}, beat ${moment.beat}` : ''}
          </span>
          <button type="button" className="btn btn-sm btn-square size-9" aria-label="The next moment" onClick={() => onWalk(1)}>
            <ChevronRight size={18} aria-hidden />
          </button>
        </div>
        <div role="group" aria-label="Which version the keyboard shows" className="join w-full">
          {(['before', 'after'] as const).map((which) => (
            <button key={which} type="button" aria-pressed={shows === which} className={`btn btn-sm join-item h-8 flex-1 font-normal ${shows === which ? 'btn-neutral' : ''}`} onClick={() => setShows(which)}>
              {which === 'before' ? 'Before' : 'After'}
            </button>
          ))}
        </div>
        <p className="text-xs text-secondary">round: right hand · square: left</p>
      </div>
      <div className="min-w-0 flex-1">
        <KeyboardMap moment={moment} range={range} />
      </div>
      <ul aria-label="Notes struck now" className="flex w-40 shrink-0 flex-col gap-1 max-lg:hidden">
        {(view.momentsAfter[at ?? 0]?.keys ?? [])
          .filter(({ isStruck }) => isStruck)
          .toReversed()
          .slice(0, 4)
          .map(({ noteId, name, otherName }) => (
            <li key={noteId} className="flex items-center justify-between text-sm">
              <span className="font-semibold">{name}</span>
              {otherName ? (
                <button type="button" className="btn btn-sm h-8 font-normal" onClick={() => onRespell(noteId, name, otherName)}>
                  write as {otherName}
                </button>
              ) : null}
            </li>
          ))}
      </ul>
    </section>
  );
});
