import { dayOf, daysAfter, daysBetween, weekAt, type Day } from '@/core/calendar';
import type { DemoRecords } from '@/data';

/** The last weeks of the simulated year as they ship: `week` is the last of them. */
type Term = Omit<DemoRecords, 'pieces'> & { readonly week: Day };

/** The term moved so that its last week is the week of now; what would then lie in the future is left out. */
export function inThePresent({ week, pupils, plan, lessons, runs }: Term, nowMs: number): Omit<DemoRecords, 'pieces'> {
  const days = daysBetween(week, weekAt(nowMs, 'monday'));
  const moved = (day: Day): Day => daysAfter(day, days);
  return {
    pupils: pupils.map((pupil) => ({
      ...pupil,
      spans: pupil.spans.map(({ day, mm }) => ({ day: moved(day), mm })),
      judged: pupil.judged.map((one) => ({ ...one, day: moved(one.day) })),
    })),
    plan: plan.map((card) => ({
      ...card,
      week: card.week && moved(card.week),
      carried: card.carried.map(moved),
      addedAt: movedMs(card.addedAt, days),
    })),
    lessons: lessons
      .map((lesson) => ({ ...lesson, day: moved(lesson.day), id: `${lesson.pupil}/${moved(lesson.day)}` }))
      .filter(({ day }) => day <= dayOf(nowMs)),
    runs: runs.map((run) => ({ ...run, atMs: movedMs(run.atMs, days) })).filter(({ atMs }) => atMs <= nowMs),
  };
}

/** The same time of another day by the local clock, also where that was put forward or back meanwhile. */
function movedMs(atMs: number, days: number): number {
  const at = new Date(atMs);
  return new Date(
    at.getFullYear(),
    at.getMonth(),
    at.getDate() + days,
    at.getHours(),
    at.getMinutes(),
    at.getSeconds(),
  ).getTime();
}
