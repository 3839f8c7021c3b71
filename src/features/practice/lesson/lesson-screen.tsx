'use client';

import Link from 'next/link';
import { useMemo, useState } from 'react';
import { CalendarDays, ListMusic, UserRound } from 'lucide-react';
import { dayOf, daysAfter, daysOf, isDay, nextLesson, startOf, weekOf, type Day } from '@/core/calendar';
import { useLessons, usePieces, usePlan, useRunsBetween, type PupilRecord } from '@/data';
import { addressOf } from '@/features/shared/address/address-of';
import { useForWhom, type ForWhom } from '@/features/shared/pupils/for-whom';
import { text, type FieldReader } from '@/features/shared/address/query-fields';
import { dayWords, dayWordsLong } from '@/features/shared/teaching/day-words';
import { HandOverMenu } from '@/features/shared/teaching/hand-over-menu';
import { changeQuery, useQuery } from '@/features/shared/address/use-query';
import { useWords } from '@/features/shared/words/use-words';
import { LessonCard } from './lesson-card';
import { LessonNote } from './lesson-note';
import { NextWeek } from './next-week';

const day: FieldReader<Day | null> = (said) => (said !== null && isDay(said) ? said : null);
const SHAPE = { pupil: text, day, run: text };

/** One lesson: what was set and how it went, what is noted now, what comes next week. */
export function LessonScreen() {
  const w = useWords();
  const address = useQuery(SHAPE);
  const whom = useForWhom(address.pupil);
  const [today] = useState(() => dayOf(Date.now()));
  if (!whom) return <p className="p-8">{w.lesson.opening}</p>;
  const { pupil, pupils } = whom;
  if (!pupil) {
    return (
      <div className="mx-auto flex max-w-3xl flex-col gap-3 px-4 py-8" data-role="lesson-whose">
        <h1 className="text-2xl font-semibold">{pupils.length > 0 ? w.lesson.whose : w.pupils.nobodyYet}</h1>
        <div className="flex flex-wrap gap-2">
          {pupils.map(({ id, name }) => (
            <Link key={id} className="btn h-12" href={addressOf('/lesson', { pupil: id })}>
              {name}
            </Link>
          ))}
        </div>
      </div>
    );
  }
  return <Lesson key={pupil.id} whom={whom} pupil={pupil} onDay={address.day ?? today} run={address.run} />;
}

interface LessonProps {
  readonly whom: ForWhom;
  readonly pupil: PupilRecord;
  readonly onDay: Day;
  /** The run that is heard again. */
  readonly run: string | null;
}

/** So far back runs are looked at where there was no lesson before. Unit: days. */
const LOOK_BACK = 14;
/** So many earlier notes are seen. */
const NOTES = 4;

function Lesson({ whom, pupil, onDay, run }: LessonProps) {
  const w = useWords();
  const { firstDay, holidays } = whom.settings;
  const plan = usePlan(pupil.id);
  const lessons = useLessons(pupil.id);
  const pieces = usePieces();
  const week = weekOf(onDay, firstDay);
  const last = lessons?.find((lesson) => lesson.day < onDay) ?? null;
  const since = last?.day ?? daysAfter(onDay, -LOOK_BACK);
  const [fromMs, toMs] = useMemo(() => [startOf(since), startOf(daysAfter(onDay, 1))], [since, onDay]);
  const runs = useRunsBetween(pupil.id, fromMs, toMs);
  if (!plan || !lessons || !pieces || !runs) return <p className="p-8">{w.lesson.opening}</p>;
  // What was set for the week that ends with this lesson stands in it, or in the week before.
  const before = weekOf(daysAfter(daysOf(week, firstDay)[0] ?? onDay, -1), firstDay);
  const cards = plan.filter(
    (card) =>
      card.week !== null && card.week <= week && (card.state === 'open' || card.week === week || card.week === before),
  );
  const shown = runs.find(({ id }) => id === run) ?? null;
  const now = lessons.find((lesson) => lesson.day === onDay);
  const next = nextLesson(daysAfter(onDay, 1), pupil.lessons, holidays);
  const minutes = Math.round(runs.reduce((sum, { tookMs }) => sum + tookMs, 0) / 60_000);
  const link = 'btn btn-sm h-10 font-normal pointer-coarse:h-11';
  return (
    <div className="mx-auto max-w-7xl px-4 py-4" data-role="lesson" data-pupil={pupil.id} data-day={onDay}>
      <div className="mb-3 flex flex-wrap items-center gap-x-4 gap-y-2">
        <div>
          <h1 className="text-2xl font-semibold">{w.pupils.lessonOf(pupil.name)}</h1>
          <p className="text-secondary">
            {dayWordsLong(onDay)}
            {next ? ` · ${w.lesson.nextOn(dayWords(next.day), next.at)}` : ''}
          </p>
        </div>
        <span className="ml-auto flex flex-wrap gap-2">
          <Link className={link} href={addressOf('/pupil', { pupil: pupil.id })}>
            <UserRound size={16} aria-hidden /> {w.pupils.pageOf(pupil.name)}
          </Link>
          <Link className={link} href={addressOf('/week', { pupil: pupil.id })}>
            <CalendarDays size={16} aria-hidden /> {w.pupils.weeks}
          </Link>
          <Link className={link} href={addressOf('/record', { pupil: pupil.id })}>
            <ListMusic size={16} aria-hidden /> {w.practice.record}
          </Link>
          <HandOverMenu pupil={pupil} week={null} />
        </span>
      </div>
      <div className="grid items-start gap-4 lg:grid-cols-2">
        <div className="flex min-w-0 flex-col gap-4">
          <section aria-label={w.lesson.whatWasSet} className="flex flex-col gap-2">
            <h2 className="text-lg font-semibold">{w.lesson.whatWasSet}</h2>
            <p data-role="since">
              {runs.length === 0
                ? w.lesson.nothingSince(dayWords(since))
                : w.lesson.since(dayWords(since), runs.length, minutes)}
            </p>
            {cards.length === 0 ? <p className="text-secondary">{w.lesson.nothingWasSet}</p> : null}
            {cards.map((card) => (
              <LessonCard
                key={card.id}
                {...{ card, week, shown, whom }}
                piece={pieces.find(({ id }) => id === card.piece) ?? null}
                runs={runs.filter(({ piece, key }) => piece === card.piece && key === card.key)}
              />
            ))}
          </section>
          <NextWeek {...{ pupil, plan, pieces, week, firstDay, holidays }} />
        </div>
        <div className="flex min-w-0 flex-col gap-4">
          <LessonNote key={onDay} pupil={pupil} day={onDay} kept={now?.note ?? ''} />
          <section aria-label={w.lesson.earlier} className="flex flex-col gap-1">
            <h2 className="font-semibold">{w.lesson.earlier}</h2>
            {lessons
              .filter((lesson) => lesson.day < onDay && lesson.note !== '')
              .slice(0, NOTES)
              .map((lesson) => (
                <p key={lesson.id} className="text-sm">
                  <button
                    type="button"
                    className="link min-h-8 pointer-coarse:min-h-11"
                    onClick={() => changeQuery({ day: lesson.day, run: null }, 'push')}
                  >
                    {dayWords(lesson.day)}
                  </button>{' '}
                  <span data-own-words>{lesson.note}</span>
                </p>
              ))}
          </section>
        </div>
      </div>
    </div>
  );
}
