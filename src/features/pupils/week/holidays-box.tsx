'use client';

import { yupResolver } from '@hookform/resolvers/yup';
import { Trash2 } from 'lucide-react';
import { useForm } from 'react-hook-form';
import { object, string, type InferType } from 'yup';
import { isDay } from '@/core/calendar';
import { change, type Settings } from '@/data';
import { dayWords } from '@/features/shared/teaching/day-words';
import { useKeptForm } from '@/features/shared/parts/use-kept-form';
import { useWords, type Words } from '@/features/shared/words/use-words';

const MOST_NAME_LETTERS = 60;

const formSchema = (w: Words) =>
  object({
    name: string().trim().defined().max(MOST_NAME_LETTERS, w.week.nameHasAtMost(MOST_NAME_LETTERS)),
    from: string()
      .required(w.pupils.whichDay)
      .test('day', w.pupils.whichDay, (typed) => isDay(typed ?? '')),
    to: string()
      .required(w.pupils.whichDay)
      .test('day', w.pupils.whichDay, (typed) => isDay(typed ?? ''))
      .test(
        'order',
        w.week.endsBeforeItBegins,
        (typed, { parent }) => (typed ?? '') >= (parent as { from: string }).from,
      ),
  });
type Typed = InferType<ReturnType<typeof formSchema>>;

const NOTHING: Typed = { name: '', from: '', to: '' };

/** When there are no lessons: those weeks are left out wherever weeks are planned. */
export function HolidaysBox({ holidays }: Pick<Settings, 'holidays'>) {
  const w = useWords();
  const form = useForm<Typed>({ resolver: yupResolver(formSchema(w)), defaultValues: NOTHING });
  const { register, handleSubmit, reset, formState } = form;
  const { errors } = formState;
  const forget = useKeptForm('holiday', form);
  const put = (next: Settings['holidays'], words: string) =>
    change({ kind: 'settings.change', change: { holidays: next } }, words);
  const add = async (typed: Typed): Promise<void> => {
    const next = [...holidays, typed].toSorted((a, b) => (a.from < b.from ? -1 : 1));
    if (await put(next, w.week.holidayAdded(typed.name, dayWords(typed.from)))) return;
    reset(NOTHING);
    forget();
  };
  const trouble = errors.name?.message ?? errors.from?.message ?? errors.to?.message;
  const field = 'input input-sm h-9 pointer-coarse:h-11';
  return (
    <section
      aria-label={w.week.holidays(holidays.length)}
      className="flex flex-col gap-2 rounded-box border border-base-300 bg-base-100 p-3 text-sm"
      data-role="holidays-box"
    >
      <ul className="flex flex-wrap gap-1">
        {holidays.map((holiday) => {
          const words = w.week.holidayIs(holiday.name, dayWords(holiday.from), dayWords(holiday.to));
          return (
            <li
              key={`${holiday.from}/${holiday.name}`}
              className="flex items-center rounded-field border border-base-300 pl-2"
            >
              {words}
              <button
                type="button"
                className="btn btn-ghost btn-sm btn-square size-8 pointer-coarse:size-11"
                aria-label={w.week.takeHolidayOut(words)}
                onClick={() =>
                  void put(
                    holidays.filter((other) => other !== holiday),
                    w.week.holidayTakenOut(words),
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
        className="flex flex-wrap items-center gap-2"
        noValidate
        onSubmit={(event) => void handleSubmit(add)(event)}
      >
        <input
          className={`${field} w-40`}
          aria-label={w.week.holidayName}
          placeholder={w.week.holidayName}
          {...register('name')}
        />
        <input
          type="date"
          className={`${field} w-40`}
          aria-label={w.week.holidayFrom}
          aria-invalid={!!errors.from}
          {...register('from')}
        />
        {w.shared.toLabel}
        <input
          type="date"
          className={`${field} w-40`}
          aria-label={w.week.holidayTo}
          aria-invalid={!!errors.to}
          {...register('to')}
        />
        <button type="submit" className="btn btn-sm h-9 pointer-coarse:h-11" data-role="add-holiday">
          {w.week.addHoliday}
        </button>
      </form>
      {trouble ? (
        <p role="alert" className="text-error">
          {trouble}
        </p>
      ) : null}
    </section>
  );
}
