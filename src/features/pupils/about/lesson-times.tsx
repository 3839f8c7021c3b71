'use client';

import { yupResolver } from '@hookform/resolvers/yup';
import { Trash2 } from 'lucide-react';
import { useForm } from 'react-hook-form';
import { number, object, string, type InferType } from 'yup';
import { change, type PupilRecord } from '@/data';
import { useKeptForm } from '@/features/shared/parts/use-kept-form';
import { useWords, type Words } from '@/features/shared/words/use-words';

const formSchema = (w: Words) =>
  object({
    weekday: number().integer().min(0).max(6).required(),
    at: string()
      .required(w.pupils.whichTime)
      .matches(/^([01]\d|2[0-3]):[0-5]\d$/, w.pupils.whichTime),
    minutes: number()
      .typeError(w.pupils.minutesFromTo)
      .integer(w.pupils.minutesFromTo)
      .min(5, w.pupils.minutesFromTo)
      .max(600, w.pupils.minutesFromTo)
      .required(),
  });
type Time = InferType<ReturnType<typeof formSchema>>;

/** When the pupil comes: several times a week where that is so. */
export function LessonTimes({ pupil }: { readonly pupil: PupilRecord }) {
  const w = useWords();
  const form = useForm<Time>({
    resolver: yupResolver(formSchema(w)),
    defaultValues: { weekday: 2, at: '15:30', minutes: 45 },
  });
  const { register, handleSubmit, formState } = form;
  const { errors } = formState;
  const forget = useKeptForm(`lesson-time/${pupil.id}`, form);
  const put = (lessons: PupilRecord['lessons'], words: string) =>
    change({ kind: 'pupil.change', id: pupil.id, change: { lessons } }, words);
  const add = async (time: Time): Promise<void> => {
    const others = pupil.lessons.filter((other) => other.weekday !== time.weekday || other.at !== time.at);
    const lessons = [...others, time].toSorted((a, b) => a.weekday - b.weekday || (a.at < b.at ? -1 : 1));
    if (!(await put(lessons, w.pupils.comesOn(pupil.name, dayName(w, time.weekday), time.at)))) forget();
  };
  const trouble = errors.at?.message ?? errors.minutes?.message;
  return (
    <section aria-labelledby="the-times" className="flex flex-col gap-2">
      <h2 id="the-times" className="border-b border-base-300 pb-1 text-xl font-semibold">
        {w.pupils.lessonTimes}
      </h2>
      {pupil.lessons.length === 0 ? <p className="text-sm text-secondary">{w.pupils.noTimes}</p> : null}
      <ul className="flex flex-wrap gap-1 text-sm" data-role="lesson-times">
        {pupil.lessons.map((time) => {
          const words = w.pupils.lessonTime(dayName(w, time.weekday), time.at, time.minutes);
          return (
            <li
              key={`${time.weekday}/${time.at}`}
              className="flex items-center rounded-field border border-base-300 pl-2"
            >
              {words}
              <button
                type="button"
                className="btn btn-ghost btn-sm btn-square size-8 pointer-coarse:size-11"
                aria-label={w.pupils.takeTimeOut(words)}
                onClick={() =>
                  void put(
                    pupil.lessons.filter((other) => other !== time),
                    w.pupils.timeTakenOut(pupil.name, words),
                  )
                }
              >
                <Trash2 size={14} aria-hidden />
              </button>
            </li>
          );
        })}
      </ul>
      <form
        className="flex flex-wrap items-center gap-2 text-sm"
        noValidate
        onSubmit={(event) => void handleSubmit(add)(event)}
      >
        <select
          className="select select-sm h-9 w-36 pointer-coarse:h-11"
          aria-label={w.pupils.weekday}
          {...register('weekday', { valueAsNumber: true })}
        >
          {weekdaysInOrder(w).map((weekday) => (
            <option key={weekday} value={weekday}>
              {dayName(w, weekday)}
            </option>
          ))}
        </select>
        <input
          type="time"
          className="input input-sm h-9 w-32 pointer-coarse:h-11"
          aria-label={w.pupils.time}
          aria-invalid={!!errors.at}
          {...register('at')}
        />
        <input
          type="number"
          className="input input-sm h-9 w-20 pointer-coarse:h-11"
          aria-label={w.pupils.minutes}
          aria-invalid={!!errors.minutes}
          {...register('minutes', { valueAsNumber: true })}
        />
        {w.pupils.minutes}
        <button type="submit" className="btn btn-sm h-9 pointer-coarse:h-11" data-role="add-time">
          {w.pupils.addTime}
        </button>
      </form>
      {trouble ? (
        <p role="alert" className="text-sm text-error">
          {trouble}
        </p>
      ) : null}
    </section>
  );
}

/** 0 for Sunday to 6 for Saturday, from the teacher’s first day on. */
function weekdaysInOrder(w: Words): readonly number[] {
  const first = w.wording.week === 'monday' ? 1 : 0;
  return Array.from({ length: 7 }, (_, i) => (first + i) % 7);
}

function dayName(w: Words, weekday: number): string {
  return w.says.weekdays[weekdaysInOrder(w).indexOf(weekday)] ?? '';
}
