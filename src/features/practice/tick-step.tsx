'use client';

import { useMemo } from 'react';
import { Check } from 'lucide-react';
import type { PracticeView } from '@/core/views';
import { ScreenKeys } from '@/features/shared/keys/key-help';
import { useWords } from '@/features/shared/words/use-words';
import { PracticeMusic } from './practice-music';
import { Cautions } from './cautions';
import { NOT_BEGUN, wantedMoments } from './follow';
import { OnwardButton, type Onward } from './run-button';

interface TickStepProps {
  readonly view: PracticeView;
  readonly isDone: boolean;
  readonly onTick: () => void;
  readonly onward: Onward | null;
}

/** A step that nobody can hear: the pupil ticks it. */
export function TickStep({ view, isDone, onTick, onward }: TickStepProps) {
  const w = useWords();
  const goesOn = isDone ? onward : null;
  const still = useMemo(
    () => ({ state: { is: 'still' as const }, followed: NOT_BEGUN, moments: wantedMoments(view.moments, 'both') }),
    [view],
  );
  const shortcuts = useMemo(
    () => [
      goesOn
        ? { key: 'Enter', does: goesOn.words, act: goesOn.go }
        : { key: 'Enter', does: w.practice.tickIt, act: onTick },
    ],
    [w, goesOn, onTick],
  );
  return (
    <>
      <ScreenKeys keys={shortcuts} />
      <PracticeMusic view={view} run={still} shown={[]} isAway={false} onTouch={() => undefined} />
      <Cautions view={view} isLong={false} />
      {goesOn ? (
        <OnwardButton onward={goesOn} />
      ) : (
        <button
          type="button"
          className="btn btn-primary h-14 min-w-48 self-start text-lg"
          data-role="tick"
          onClick={onTick}
        >
          <Check size={22} aria-hidden /> {w.practice.tickIt}
        </button>
      )}
    </>
  );
}
