'use client';

import Link from 'next/link';
import { CalendarCheck } from 'lucide-react';
import { taughtWeeks, weeksAfter, type FirstDay, type Holiday, type Week } from '@/core/calendar';
import { change, type PieceRecord, type PlanEntry, type PupilRecord } from '@/data';
import { addressOf } from '@/features/shared/address/address-of';
import { cardTitle } from '@/features/shared/teaching/card-title';
import { weekWords } from '@/features/shared/teaching/day-words';
import { useWords } from '@/features/shared/words/use-words';

interface NextWeekProps {
  readonly pupil: PupilRecord;
  readonly plan: readonly PlanEntry[];
  readonly pieces: readonly PieceRecord[];
  readonly week: Week;
  readonly firstDay: FirstDay;
  readonly holidays: readonly Holiday[];
}

/** What is set for the next week with a lesson, and one press that sets it: what is not done goes on, and the first thing that waits comes with it. */
export function NextWeek({ pupil, plan, pieces, week, firstDay, holidays }: NextWeekProps) {
  const w = useWords();
  const calendar = { first: firstDay, holidays };
  const next = taughtWeeks(weeksAfter(week, 1), 1, pupil.lessons, calendar)[0] ?? weeksAfter(week, 1);
  const titleOf = (card: PlanEntry): string => cardTitle(w, card, pieces.find(({ id }) => id === card.piece) ?? null);
  const set = plan.filter((card) => card.week === next);
  const open = plan.filter((card) => card.week !== null && card.week <= week && card.state === 'open');
  const [waiting] = plan.filter((card) => card.week === null && card.state === 'open');
  const coming = [...open, ...(waiting ? [waiting] : [])];
  return (
    <section
      aria-label={w.lesson.nextWeek}
      className="flex flex-col gap-2 rounded-box border border-base-300 bg-base-100 p-3"
      data-role="next-week"
      data-week={next}
    >
      <h2 className="text-lg font-semibold">{w.lesson.nextWeekIs(weekWords(next, firstDay))}</h2>
      {set.length === 0 ? (
        <p className="text-secondary">{w.week.nothingSet}</p>
      ) : (
        <ul className="list-disc pl-5">
          {set.map((card) => (
            <li key={card.id}>{titleOf(card)}</li>
          ))}
        </ul>
      )}
      {coming.length > 0 ? (
        <>
          <button
            type="button"
            className="btn btn-primary h-12"
            data-role="set-next-week"
            onClick={() =>
              void change(
                { kind: 'plan.carry', cards: coming.map(({ id }) => ({ id, to: next })) },
                w.lesson.setNextWeek(pupil.name),
              )
            }
          >
            <CalendarCheck size={18} aria-hidden /> {w.lesson.setIt}
          </button>
          <p className="text-sm text-secondary">
            {[
              ...open.map((card) => w.lesson.goesOn(titleOf(card))),
              ...(waiting ? [w.lesson.comesNew(titleOf(waiting))] : []),
            ].join(' · ')}
          </p>
        </>
      ) : (
        <p className="text-sm">
          {w.lesson.nothingToSet}{' '}
          <Link className="link" href={addressOf('/pupil', { pupil: pupil.id })}>
            {w.lesson.nextKeyThere}
          </Link>
        </p>
      )}
    </section>
  );
}
