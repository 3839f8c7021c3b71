'use client';

import { useState } from 'react';
import { typedAsLetters } from '@/core/explain';
import { midiNumber, parsePitch, spellKey, type Pitch } from '@/core/pitch';
import type { Range } from '@/core/survey';
import { useWords } from '@/features/shared/words/use-words';

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

/** A voice that has not been asked: from middle C a ninth up. */
const LOW: Pitch = { step: 0, alter: 0, octave: 4 };
const HIGH: Pitch = { step: 1, alter: 0, octave: 5 };

/** `known` is the range of the pupil’s voice; null where nobody asked. */
export function useComfortableRange(known: Range | null): ComfortableRange {
  const w = useWords();
  const said = (midi: number | undefined, otherwise: Pitch): string =>
    w.says.pitch(midi === undefined ? otherwise : spellKey({ midi, next: null, before: null }, 0, 'major'));
  const [low, setLow] = useState(() => said(known?.low, LOW));
  const [high, setHigh] = useState(() => said(known?.high, HIGH));
  const [from, to] = [low, high].map((name) => parsePitch(typedAsLetters(name, w.wording.names)));
  const own = { low, high, setLow, setHigh, range: null, words: '' };
  if (!from) return { ...own, trouble: w.shared.isNoNoteWriteIt(low) };
  if (!to) return { ...own, trouble: w.shared.isNoNoteWriteItAs(high) };
  const range = { low: midiNumber(from), high: midiNumber(to) };
  if (range.low > range.high) return { ...own, trouble: w.shared.lowestNoteIsAboveHighest };
  return { ...own, range, words: w.shared.rangeText(w.says.pitch(from), w.says.pitch(to)), trouble: null };
}

/** Two fields for the range, and what is wrong with it. */
export function RangeFields({ range: { low, high, setLow, setHigh, trouble } }: { readonly range: ComfortableRange }) {
  const w = useWords();
  return (
    <>
      <div className="flex items-center justify-between gap-2">
        <span>{w.shared.comfortableFrom}</span>
        <span className="flex items-center gap-2">
          <input
            className="input input-sm h-9 w-20"
            aria-label={w.shared.lowestComfortableNote}
            aria-invalid={!parsePitch(low)}
            value={low}
            onChange={(event) => setLow(event.target.value)}
          />
          {w.shared.toLabel}
          <input
            className="input input-sm h-9 w-20"
            aria-label={w.shared.highestComfortableNote}
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
