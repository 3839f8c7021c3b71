'use client';

import { memo, useEffect, useRef } from 'react';
import { ListTree } from 'lucide-react';
import type { StageView } from '@/core/views';
import type { Desk } from '@/data';
import { withKey } from '@/features/shared/keys/key-caps';
import { useWords } from '@/features/shared/words/use-words';
import { go } from '../bench-address';
import { BENCH_KEYS } from '../keys/key-names';
import { leave } from '../paper/paper-tools';
import { railEntry, railIsSeen, type StagesAnswers } from './use-stages';

interface StageRailProps {
  readonly stages: StagesAnswers;
  /** The stage that the address names; null for the whole piece. */
  readonly shown: string | null;
  readonly desk: Desk;
  readonly onArrange: () => void;
}

/** Shows a stage; the whole piece is none. */
export function goToStage(id: string): void {
  go({ stage: id === 'whole' ? null : id });
}

/** Opens the rail, or puts it away: without it the whole piece is shown, as nothing would say what is left out. */
export function toggleRail(desk: Pick<Desk, 'rail'>, shown: string | null): void {
  const isSeen = railIsSeen(desk, shown);
  if (shown !== null) goToStage('whole');
  leave({ rail: isSeen ? 'folded' : 'open' });
}

/** The stages in a row, from the first to the whole, and what is easier in the one that is shown. Away until it is wanted, or until a stage is shown. */
export function StageRail(props: StageRailProps) {
  return railIsSeen(props.desk, props.shown) ? <Rail {...props} /> : null;
}

const Rail = memo(function Rail({ stages, shown, desk, onArrange }: StageRailProps) {
  const w = useWords();
  const { view, chosen, isMissing } = stages;
  const row = useRef<HTMLOListElement>(null);
  const entry = view ? railEntry(view, shown) : undefined;
  useEffect(() => {
    row.current?.querySelector('[aria-current]')?.scrollIntoView({ block: 'nearest', inline: 'nearest' });
  }, [entry?.id]);
  if (!view) {
    return (
      <p className="px-4 pb-1 text-sm text-secondary max-sm:px-2" role="status">
        {w.stages.lookingForStages}
      </p>
    );
  }
  const line = isMissing ? w.stages.notInThisKey : (chosen ?? entry)?.line;
  return (
    <section
      aria-label={w.stages.railTitle}
      className="shrink-0 px-4 pb-1 max-sm:px-2 print:hidden"
      data-role="stage-rail"
    >
      <div className="flex items-center gap-2">
        <ol
          ref={row}
          className="flex min-w-0 flex-1 items-center overflow-x-auto overscroll-x-contain [scrollbar-width:thin]"
        >
          {view.stages.map((stage, i) => (
            <Stop
              key={stage.id}
              stage={stage}
              number={i + 1}
              isShown={stage === entry}
              isLast={i === view.stages.length - 1}
            />
          ))}
        </ol>
        <button
          type="button"
          className="btn btn-sm h-9 shrink-0 px-2.5 font-normal pointer-coarse:h-11"
          data-role="arrange-stages"
          onClick={onArrange}
        >
          <ListTree size={16} aria-hidden /> {w.stages.arrange}
        </button>
      </div>
      <div className="flex min-h-8 flex-wrap items-center gap-x-4 text-sm">
        <p className="min-w-0 flex-1 basis-80" data-role="stage-line" role="status">
          {line}
        </p>
        {chosen && (entry?.pair ?? null) !== null ? <LandingTime entry={entry as StageView} shown={shown} /> : null}
        {chosen?.leftOut && chosen.leftOut.length > 0 ? <LeftOut leftOut={desk.leftOut} /> : null}
      </div>
    </section>
  );
});

interface StopProps {
  readonly stage: StageView;
  readonly number: number;
  readonly isShown: boolean;
  readonly isLast: boolean;
}

/** A stage on the rail: one press shows it. */
const Stop = memo(function Stop({ stage, number, isShown, isLast }: StopProps) {
  return (
    <li className="flex shrink-0 items-center">
      <button
        type="button"
        data-stage={stage.id}
        aria-current={isShown ? 'step' : undefined}
        title={stage.why}
        className={`flex h-9 cursor-pointer items-center gap-1.5 rounded-field px-2 text-sm whitespace-nowrap pointer-coarse:h-11 ${
          isShown ? 'bg-base-300 font-semibold' : 'hover:bg-base-200'
        }`}
        onClick={() => goToStage(stage.id)}
      >
        <span
          className={`flex size-5 items-center justify-center rounded-full border text-xs ${
            isShown ? 'border-primary bg-primary text-primary-content' : 'border-secondary'
          }`}
          aria-hidden
        >
          {number}
        </span>
        {stage.title}
      </button>
      {isLast ? null : <span aria-hidden className="h-px w-3 bg-secondary" />}
    </li>
  );
});

/** A landing is drilled in its rhythm, or as two long notes. */
function LandingTime({ entry, shown }: { readonly entry: StageView; readonly shown: string | null }) {
  const w = useWords();
  return (
    <span className="join" role="group">
      {[
        [entry.id, w.stages.inItsRhythm],
        [entry.pair ?? '', w.stages.onLongNotes],
      ].map(([id = '', words]) => (
        <button
          key={id}
          type="button"
          data-stage-time={id}
          aria-pressed={shown === id}
          className="btn btn-sm join-item h-8 px-2 font-normal aria-pressed:bg-base-300 aria-pressed:font-semibold pointer-coarse:h-11"
          onClick={() => goToStage(id)}
        >
          {words}
        </button>
      ))}
    </span>
  );
}

function LeftOut({ leftOut }: Pick<Desk, 'leftOut'>) {
  const w = useWords();
  return (
    <label className="flex items-center gap-1.5 max-sm:hidden">
      {w.stages.leftOutIs}
      <select
        className="select select-sm h-8 w-28 pointer-coarse:h-11"
        data-role="left-out"
        value={leftOut}
        onChange={(event) => leave({ leftOut: event.target.value as Desk['leftOut'] })}
      >
        <option value="absent">{w.stages.absent}</option>
        <option value="faint">{w.stages.faint}</option>
      </select>
    </label>
  );
}

/** Opens the rail and puts it away. */
export function RailButton({ desk, shown }: Pick<StageRailProps, 'desk' | 'shown'>) {
  const w = useWords();
  const isSeen = railIsSeen(desk, shown);
  return (
    <button
      type="button"
      aria-expanded={isSeen}
      data-role="stages"
      title={withKey(w.stages.showRail, BENCH_KEYS.stages)}
      className={`btn btn-sm h-9 px-2.5 max-xl:w-9 max-xl:px-0 ${isSeen ? 'btn-neutral' : ''}`}
      onClick={() => toggleRail(desk, shown)}
    >
      <ListTree size={16} aria-hidden /> <span className="max-xl:sr-only">{w.stages.rail}</span>
    </button>
  );
}
