'use client';

import { useEffect, useEffectEvent, useState } from 'react';
import { GREATEST_SPAN_MM, LEAST_SPAN_MM, ROUGH_SPANS } from '@/core/keyboard';
import { change } from '@/data';
import { reachTyped } from '@/features/shared/pupils/reach-typed';
import { useWords } from '@/features/shared/words/use-words';

/** How long after the last key a figure is kept: the 9 of 99 is none. Unit: ms. */
const PAUSE_MS = 900;

/** How far the pupil's hand reaches: measured, or roughly by age. A wrong figure is told and changes nothing. */
export function SpanBox({ spanMm }: { readonly spanMm: number }) {
  const w = useWords();
  const [typed, setTyped] = useState<string | null>(null);
  const isWrong = typed !== null && reachTyped(w.wording, typed) === null;
  const keep = (value: number): void =>
    void change({ kind: 'settings.change', change: { spanMm: value } }, w.settings.reachOfHandIs(value));
  const keepTyped = (): void => {
    const mm = typed === null ? null : reachTyped(w.wording, typed);
    if (mm !== null && mm !== spanMm) keep(mm);
  };
  const pause = useEffectEvent(keepTyped);
  useEffect(() => {
    if (typed === null) return undefined;
    const timer = setTimeout(pause, PAUSE_MS);
    return () => clearTimeout(timer);
  }, [typed]);
  const leave = (): void => {
    keepTyped();
    setTyped(null);
  };
  return (
    <fieldset>
      <legend className="font-serif text-lg font-semibold">{w.settings.reachOfHand}</legend>
      <p className="mb-1 text-sm text-secondary">{w.settings.fromTipOfThumbTo}</p>
      <div className="flex flex-wrap items-center gap-2">
        <label className="flex items-center gap-2">
          <input
            type="text"
            inputMode="decimal"
            className={`input input-sm h-9 w-20 ${isWrong ? 'input-error' : ''}`}
            aria-label={w.shared.reachIn}
            aria-invalid={isWrong}
            aria-describedby={isWrong ? 'span-wrong' : undefined}
            value={typed ?? String(w.says.lengthNumber(spanMm))}
            onChange={(event) => setTyped(event.target.value)}
            onKeyDown={({ key }) => {
              if (key === 'Enter') leave();
            }}
            onBlur={leave}
          />
          {w.says.lengthUnit}
        </label>
        {ROUGH_SPANS.map(({ age, spanMm: rough }) => (
          <button
            key={age}
            type="button"
            aria-pressed={spanMm === rough}
            className={`btn btn-sm h-9 font-normal ${spanMm === rough ? 'btn-neutral' : ''}`}
            onClick={() => keep(rough)}
          >
            {age === 'adult' ? w.shared.adult : w.shared.age(age)}
          </button>
        ))}
      </div>
      {isWrong ? (
        <p id="span-wrong" role="alert" className="mt-1 text-sm text-error">
          {w.settings.reachFromTo(LEAST_SPAN_MM, GREATEST_SPAN_MM, spanMm)}
        </p>
      ) : null}
      <p className="mt-2 text-sm text-secondary">{w.settings.stretchingMustNeverHurtStop}</p>
    </fieldset>
  );
}
