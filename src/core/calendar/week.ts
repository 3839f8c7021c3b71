import { addDays, getDay } from 'date-fns';
import { dateOf, dayOf, daysAfter, daysBetween, weekdayOf, type Day } from './day';

/** Which day a week begins on. */
export type FirstDay = 'monday' | 'sunday';

/** A week, named by its Thursday. A Thursday lies in the same week whether weeks begin on Sunday or on Monday, so that what was planned stays where it is
 * when a teacher changes that. */
export type Week = Day;

const THURSDAY = 4;

/** The week in which a day lies. */
export function weekOf(day: Day, first: FirstDay): Week {
  return weekAt(dateOf(day).getTime(), first);
}

/** The week of a moment by the local clock. */
export function weekAt(atMs: number, first: FirstDay): Week {
  const weekday = getDay(atMs);
  // Where weeks begin on Monday, a Sunday is the last day of the one before.
  const place = first === 'monday' && weekday === 0 ? 7 : weekday;
  return dayOf(addDays(atMs, THURSDAY - place).getTime());
}

/** The seven days of a week, in order. */
export function daysOf(week: Week, first: FirstDay): readonly Day[] {
  const begin = daysAfter(week, first === 'monday' ? -3 : -4);
  return Array.from({ length: 7 }, (_, i) => daysAfter(begin, i));
}

export function weeksAfter(week: Week, count: number): Week {
  return daysAfter(week, 7 * count);
}

/** How many weeks lie from one to another. */
export function weeksBetween(from: Week, to: Week): number {
  return daysBetween(from, to) / 7;
}

/** Whether a day can name a week. */
export function isWeek(day: Day): boolean {
  return weekdayOf(day) === THURSDAY;
}
