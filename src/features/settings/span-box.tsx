'use client';

import { useState } from 'react';
import { number } from 'yup';
import { GREATEST_SPAN_MM, LEAST_SPAN_MM, ROUGH_SPANS } from '@/core/keyboard';
import { change } from '@/data';

const spanSchema = number().typeError('not a number').integer().min(LEAST_SPAN_MM).max(GREATEST_SPAN_MM).required();

/** How far the pupil's hand reaches: measured, or roughly by age. A wrong figure is told and changes nothing. */
export function SpanBox({ spanMm }: { readonly spanMm: number }) {
  const [typed, setTyped] = useState<string | null>(null);
  const isWrong = typed !== null && !spanSchema.isValidSync(typed);
  const keep = (value: number): void =>
    void change({ kind: 'settings.change', change: { spanMm: value } }, `Reach of the hand: ${value} mm`);
  const type = (text: string): void => {
    setTyped(text);
    if (spanSchema.isValidSync(text) && Number(text) !== spanMm) keep(Number(text));
  };
  return (
    <fieldset>
      <legend className="font-serif text-lg font-semibold">Reach of the hand</legend>
      <p className="mb-1 text-sm text-secondary">
        From the tip of the thumb to the tip of finger 5, the hand spread on a ruler without straining. Measure the
        pupil: children’s hands are smaller than any table says, and the ages below are rough.
      </p>
      <div className="flex flex-wrap items-center gap-2">
        <label className="flex items-center gap-2">
          <input
            type="text"
            inputMode="numeric"
            className={`input input-sm h-9 w-20 ${isWrong ? 'input-error' : ''}`}
            aria-label="Reach in millimetres"
            aria-invalid={isWrong}
            aria-describedby={isWrong ? 'span-wrong' : undefined}
            value={typed ?? String(spanMm)}
            onChange={(event) => type(event.target.value)}
            onBlur={() => setTyped(null)}
          />
          mm
        </label>
        {ROUGH_SPANS.map(({ age, spanMm: rough }) => (
          <button
            key={age}
            type="button"
            aria-pressed={spanMm === rough}
            className={`btn btn-sm h-9 font-normal ${spanMm === rough ? 'btn-neutral' : ''}`}
            onClick={() => keep(rough)}
          >
            {age === 'adult' ? 'adult' : `age ${age}`}
          </button>
        ))}
      </div>
      {isWrong ? (
        <p id="span-wrong" role="alert" className="mt-1 text-sm text-error">
          A reach is a whole number of millimetres from {LEAST_SPAN_MM} to {GREATEST_SPAN_MM}. It stays at {spanMm} mm.
        </p>
      ) : null}
      <p className="mt-2 text-sm text-secondary">
        Stretching must never hurt. Stop and rest when a hand hurts; where pain stays, ask a doctor or a qualified
        teacher.
      </p>
    </fieldset>
  );
}
