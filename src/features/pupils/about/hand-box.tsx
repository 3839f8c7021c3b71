'use client';

import dynamic from 'next/dynamic';
import { yupResolver } from '@hookform/resolvers/yup';
import { Trash2 } from 'lucide-react';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { object, string } from 'yup';
import { dayOf, isDay } from '@/core/calendar';
import { GREATEST_SPAN_MM, LEAST_SPAN_MM, ROUGH_SPANS } from '@/core/keyboard';
import { ABILITIES, change, type Ability, type PupilRecord } from '@/data';
import { Labelled } from '@/features/shared/parts/labelled';
import { reachTyped } from '@/features/shared/pupils/reach-typed';
import { dayWords } from '@/features/shared/teaching/day-words';
import { useKeptForm } from '@/features/shared/parts/use-kept-form';
import { useWords, type Words } from '@/features/shared/words/use-words';
import { Checkbox } from '@/features/shared/parts/checkbox';

// Charts bring a large script along: it comes with the first of them.
const SpanChart = dynamic(() => import('../charts/span-chart').then((part) => part.SpanChart));

/** The hand of a pupil: how far it reaches, measured by date, and what it can do. */
export function HandBox({ pupil }: { readonly pupil: PupilRecord }) {
  const w = useWords();
  return (
    <section aria-labelledby="the-hand" className="flex flex-col gap-3">
      <h2 id="the-hand" className="border-b border-base-300 pb-1 text-xl font-semibold">
        {w.pupils.theHand}
      </h2>
      <p className="text-sm">
        {pupil.spans.length === 0
          ? w.pupils.notMeasured(w.says.length(pupil.spanMm))
          : w.pupils.reachNow(w.says.length(pupil.spanMm))}
      </p>
      <MeasureForm pupil={pupil} />
      <p className="text-sm text-secondary">{w.pupils.howToMeasure}</p>
      <p className="text-sm font-semibold" role="note">
        {w.settings.stretchingMustNeverHurtStop}
      </p>
      {pupil.spans.length > 0 ? (
        <>
          <SpanChart spans={pupil.spans} />
          <ul className="flex flex-wrap gap-1 text-sm" aria-label={w.pupils.measures} data-role="measures">
            {pupil.spans.map(({ day, mm }) => (
              <li key={day} className="flex items-center rounded-field border border-base-300 pl-2">
                {w.pupils.measure(w.says.length(mm), dayWords(day))}
                <button
                  type="button"
                  className="btn btn-ghost btn-sm btn-square size-8 pointer-coarse:size-11"
                  aria-label={w.pupils.takeMeasureOut(w.says.length(mm), dayWords(day))}
                  onClick={() =>
                    void change(
                      { kind: 'pupil.measure', id: pupil.id, day, mm: null },
                      w.pupils.measureTakenOut(pupil.name, dayWords(day)),
                    )
                  }
                >
                  <Trash2 size={14} aria-hidden />
                </button>
              </li>
            ))}
          </ul>
        </>
      ) : null}
      <Abilities pupil={pupil} />
    </section>
  );
}

const measureSchema = (w: Words) =>
  object({
    reach: string()
      .required(w.pupils.reachFromTo(LEAST_SPAN_MM, GREATEST_SPAN_MM))
      .test(
        'reach',
        w.pupils.reachFromTo(LEAST_SPAN_MM, GREATEST_SPAN_MM),
        (typed) => reachTyped(w.wording, typed ?? '') !== null,
      ),
    day: string()
      .required(w.pupils.whichDay)
      .test('day', w.pupils.whichDay, (typed) => isDay(typed ?? '')),
  });

function MeasureForm({ pupil }: { readonly pupil: PupilRecord }) {
  const w = useWords();
  const [today] = useState(() => dayOf(Date.now()));
  const form = useForm({
    resolver: yupResolver(measureSchema(w)),
    defaultValues: { reach: '', day: today },
  });
  const { register, handleSubmit, setValue, reset, formState } = form;
  const { errors } = formState;
  const forget = useKeptForm(`measure/${pupil.id}`, form);
  const keep = async ({ reach, day }: { readonly reach: string; readonly day: string }): Promise<void> => {
    const mm = reachTyped(w.wording, reach);
    const words = w.pupils.measuredAs(pupil.name, w.says.length(mm ?? 0));
    if (await change({ kind: 'pupil.measure', id: pupil.id, day, mm }, words)) return;
    reset({ reach: '', day });
    forget();
  };
  return (
    <form className="flex flex-col gap-2" noValidate onSubmit={(event) => void handleSubmit(keep)(event)}>
      <Labelled label={w.pupils.reachLabel} trouble={errors.reach?.message}>
        <input
          className="input input-sm h-9 w-20 pointer-coarse:h-11"
          inputMode="decimal"
          aria-label={w.shared.reachIn}
          aria-invalid={errors.reach !== undefined}
          {...register('reach')}
        />
        {ROUGH_SPANS.map(({ age, spanMm }) => (
          <button
            key={age}
            type="button"
            className="btn btn-sm h-8 px-2 font-normal pointer-coarse:h-11"
            onClick={() => setValue('reach', String(w.says.lengthNumber(spanMm)), { shouldValidate: true })}
          >
            {age === 'adult' ? w.shared.adult : w.shared.age(age)}
          </button>
        ))}
      </Labelled>
      <Labelled label={w.pupils.measuredOn} trouble={errors.day?.message}>
        <input
          type="date"
          className="input input-sm h-9 w-44 pointer-coarse:h-11"
          aria-label={w.pupils.measuredOn}
          aria-invalid={errors.day !== undefined}
          {...register('day')}
        />
        <button type="submit" className="btn btn-sm h-9 pointer-coarse:h-11" data-role="keep-measure">
          {w.pupils.keepMeasure}
        </button>
      </Labelled>
    </form>
  );
}

/** What each hand can do, ticked off. */
function Abilities({ pupil }: { readonly pupil: PupilRecord }) {
  const w = useWords();
  const toggle = (hand: 'right' | 'left', ability: Ability): void => {
    const has = pupil.hands[hand];
    const next = ABILITIES.filter((one) => (one === ability ? !has.includes(one) : has.includes(one)));
    void change(
      { kind: 'pupil.change', id: pupil.id, change: { hands: { ...pupil.hands, [hand]: next } } },
      w.pupils.changed(pupil.name),
    );
  };
  return (
    <table className="w-full max-w-xl text-sm" data-role="abilities">
      <caption className="pb-1 text-left font-semibold">{w.pupils.whatHandsCan}</caption>
      <thead>
        <tr>
          <th scope="col" className="sr-only">
            {w.pupils.whatHandsCan}
          </th>
          <th scope="col" className="w-24 font-normal">
            {w.shared.leftHand}
          </th>
          <th scope="col" className="w-24 font-normal">
            {w.shared.rightHand}
          </th>
        </tr>
      </thead>
      <tbody>
        {ABILITIES.map((ability) => (
          <tr key={ability} className="border-t border-base-300">
            <th scope="row" className="py-1 text-left font-normal">
              {w.pupils.abilities[ability]}
            </th>
            {(['left', 'right'] as const).map((hand) => (
              <td key={hand} className="text-center">
                <label className="inline-flex size-9 cursor-pointer items-center justify-center pointer-coarse:size-11">
                  <Checkbox
                    aria-label={w.pupils.abilityOf(
                      w.pupils.abilities[ability],
                      hand === 'left' ? w.shared.leftHand : w.shared.rightHand,
                    )}
                    checked={pupil.hands[hand].includes(ability)}
                    onChange={() => toggle(hand, ability)}
                  />
                </label>
              </td>
            ))}
          </tr>
        ))}
      </tbody>
    </table>
  );
}
