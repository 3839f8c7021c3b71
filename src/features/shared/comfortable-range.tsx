'use client';

import { useState } from 'react';
import { midiNumber, parsePitch, pitchPrint } from '@/core/pitch';
import type { Range } from '@/core/survey';

/** The notes between which someone sings or plays at ease, as they are typed. */
export interface ComfortableRange {
  readonly low: string;
  readonly high: string;
  readonly setLow: (name: string) => void;
  readonly setHigh: (name: string) => void;
  /** What was typed, as keys; null where it is no range, and `trouble` then says why. */
  readonly range: Range | null;
  readonly words: string;
  readonly trouble: string | null;
}

export function useComfortableRange(): ComfortableRange {
  const [low, setLow] = useState('C4');
  const [high, setHigh] = useState('D5');
  const [from, to] = [parsePitch(low), parsePitch(high)];
  const own = { low, high, setLow, setHigh, range: null, words: '' };
  if (!from) return { ...own, trouble: `“${low}” is no note: write it as C4 or B♭3.` };
  if (!to) return { ...own, trouble: `“${high}” is no note: write it as D5 or F♯5.` };
  const range = { low: midiNumber(from), high: midiNumber(to) };
  if (range.low > range.high) return { ...own, trouble: 'The lowest note is above the highest.' };
  return { ...own, range, words: `${pitchPrint(from)} to ${pitchPrint(to)}`, trouble: null };
}

/** Two fields for the range, and what is wrong with it. */
export function RangeFields({ range: { low, high, setLow, setHigh, trouble } }: { readonly range: ComfortableRange }) {
  return (
    <>
      <div className="flex items-center justify-between gap-2">
        <span>comfortable from</span>
        <span className="flex items-center gap-2">
          <input
            className="input input-sm h-9 w-20"
            aria-label="Lowest comfortable note"
            aria-invalid={!parsePitch(low)}
            value={low}
            onChange={(event) => setLow(event.target.value)}
          />
          to
          <input
            className="input input-sm h-9 w-20"
            aria-label="Highest comfortable note"
            aria-invalid={!parsePitch(high)}
            value={high}
            onChange={(event) => setHigh(event.target.value)}
          />
        </span>
      </div>
      {trouble ? (
        <p role="alert" className="text-error">
          {trouble}
        </p>
      ) : null}
    </>
  );
}
