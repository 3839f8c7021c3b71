import { daysAfter, weekdayOf, type Day } from './day';
import { daysOf, weeksAfter, type FirstDay, type Week } from './week';

/** When a pupil comes, week by week. */
export interface LessonTime {
  /** 0 for Sunday to 6 for Saturday. */
  readonly weekday: number;
  /** By the local clock, as `15:30`. */
  readonly at: string;
  readonly minutes: number;
}

/** Days on which there are no lessons, the first and the last included. */
export interface Holiday {
  readonly from: Day;
  readonly to: Day;
  readonly name: string;
}

/** One lesson as it stands in the calendar. */
export interface Lesson {
  readonly day: Day;
  readonly at: string;
  readonly minutes: number;
}

/** The holiday in which a day lies; null where there are lessons. */
export function holidayOn(day: Day, holidays: readonly Holiday[]): Holiday | null {
  return holidays.find(({ from, to }) => from <= day && day <= to) ?? null;
}

/** The lessons of a week that are not in a holiday, in order. */
export function lessonsIn(
  week: Week,
  times: readonly LessonTime[],
  { first, holidays }: { readonly first: FirstDay; readonly holidays: readonly Holiday[] },
): readonly Lesson[] {
  return daysOf(week, first)
    .filter((day) => !holidayOn(day, holidays))
    .flatMap((day) =>
      times
        .filter(({ weekday }) => weekday === weekdayOf(day))
        .toSorted((a, b) => (a.at < b.at ? -1 : 1))
        .map(({ at, minutes }) => ({ day, at, minutes })),
    );
}

const SCHOOL_DAYS = [1, 2, 3, 4, 5];

/** Whether nothing is taught in a week: all its lessons fall into holidays; of a pupil without lesson times, all days from Monday to Friday. */
export function isFree(
  week: Week,
  times: readonly LessonTime[],
  { first, holidays }: { readonly first: FirstDay; readonly holidays: readonly Holiday[] },
): boolean {
  const taught = times.length > 0 ? times.map(({ weekday }) => weekday) : SCHOOL_DAYS;
  return daysOf(week, first)
    .filter((day) => taught.includes(weekdayOf(day)))
    .every((day) => holidayOn(day, holidays) !== null);
}

/** Longer than any holiday: whoever has no weeks to teach is told so rather than waited for. Unit: weeks. */
const FURTHEST = 520;

/** The next weeks in which there is a lesson, the given one first where it has one. Fewer than asked for where holidays have no end. */
export function taughtWeeks(
  from: Week,
  count: number,
  times: readonly LessonTime[],
  calendar: { readonly first: FirstDay; readonly holidays: readonly Holiday[] },
): readonly Week[] {
  const found: Week[] = [];
  for (let i = 0; found.length < count && i < FURTHEST; i += 1) {
    const week = weeksAfter(from, i);
    if (!isFree(week, times, calendar)) found.push(week);
  }
  return found;
}

/** The day of the next lesson from a day on, that day included; null where there is none within a year. */
export function nextLesson(from: Day, times: readonly LessonTime[], holidays: readonly Holiday[]): Lesson | null {
  for (let i = 0; i < 366; i += 1) {
    const day = daysAfter(from, i);
    if (holidayOn(day, holidays)) continue;
    const time = times
      .filter(({ weekday }) => weekday === weekdayOf(day))
      .toSorted((a, b) => (a.at < b.at ? -1 : 1))[0];
    if (time) return { day, at: time.at, minutes: time.minutes };
  }
  return null;
}
