'use client';

import type { Ref } from 'react';
import type { PupilRecord, Settings } from '@/data';

/** In an address: no pupil, but the hand that Settings describe. */
export const ANY_HAND = 'any';

interface PupilSelectProps {
  readonly pupils: readonly PupilRecord[];
  readonly chosen: PupilRecord | null;
  readonly settings: Settings;
  /** Told the pupil's id, or `any`. */
  readonly onChoose: (id: string) => void;
  readonly ref?: Ref<HTMLSelectElement>;
}

/** For whom something is asked. */
export function PupilSelect({ pupils, chosen, settings, onChoose, ref }: PupilSelectProps) {
  const { level, spanMm } = chosen ?? settings;
  return (
    <span className="flex items-center gap-2 text-sm">
      <label className="flex items-center gap-1.5">
        for
        <select
          ref={ref}
          className="select select-sm h-9 w-44"
          data-role="pupil"
          value={chosen?.id ?? ANY_HAND}
          onChange={(event) => onChoose(event.target.value)}
        >
          <option value={ANY_HAND}>any hand</option>
          {pupils.map(({ id, name }) => (
            <option key={id} value={id}>
              {name}
            </option>
          ))}
        </select>
      </label>
      <span className="text-xs whitespace-nowrap text-secondary" data-role="hand-facts">
        level {level}, {spanMm} mm
      </span>
    </span>
  );
}
