'use client';

import type { Ref } from 'react';
import type { PupilRecord, Settings } from '@/data';
import { useWords } from '@/features/shared/words/use-words';

/** In an address: no pupil, but the hand that Settings describe. */
export const ANY_HAND = 'any';

interface PupilSelectProps {
  readonly pupils: readonly PupilRecord[];
  readonly chosen: PupilRecord | null;
  readonly settings: Settings;
  /** Told the pupil's id, or `any`. */
  readonly onChoose: (id: string) => void;
  /** Where there is one line for everything, what the hand can do is told on pointing at it. */
  readonly room?: 'usual' | 'tight';
  /** What the choice is called, where it is not for whom something is. */
  readonly label?: string;
  readonly ref?: Ref<HTMLSelectElement>;
}

/** For whom something is asked. */
export function PupilSelect({ pupils, chosen, settings, onChoose, room = 'usual', label, ref }: PupilSelectProps) {
  const w = useWords();
  const { level, spanMm } = chosen ?? settings;
  const isTight = room === 'tight';
  return (
    <span className="flex items-center gap-2 text-sm">
      <label className="flex items-center gap-1.5">
        <span className={isTight ? 'max-xl:sr-only' : ''}>{label ?? w.shared.forLabel}</span>
        <select
          ref={ref}
          className={`select select-sm h-9 ${isTight ? 'w-32 pe-7 text-ellipsis max-sm:w-28' : 'w-44'}`}
          title={w.shared.levelAndReach(level, spanMm)}
          data-role="pupil"
          value={chosen?.id ?? ANY_HAND}
          onChange={(event) => onChoose(event.target.value)}
        >
          <option value={ANY_HAND}>{w.shared.anyHand}</option>
          {pupils.map(({ id, name }) => (
            <option key={id} value={id}>
              {name}
            </option>
          ))}
        </select>
      </label>
      <span className={`text-xs whitespace-nowrap text-secondary ${isTight ? 'sr-only' : ''}`} data-role="hand-facts">
        {w.shared.levelAndReach(level, spanMm)}
      </span>
    </span>
  );
}
