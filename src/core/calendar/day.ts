import { addDays, differenceInCalendarDays, formatISO, isValid, parseISO, startOfDay } from 'date-fns';

/** A day of the calendar, as `2026-11-28`: the same day wherever it is read, whatever the clock does there. */
export type Day = string;

/** Whether a text is a day that the calendar has: 2028-02-29 is one, 2027-02-29 is none. */
export function isDay(text: string): boolean {
  return /^\d{4}-\d{2}-\d{2}$/.test(text) && isValid(dateOf(text));
}

/** A day as a moment of the local clock: noon, since no clock is put forward or back then. */
export function dateOf(day: Day): Date {
  return parseISO(`${day}T12:00`);
}

/** The first moment of a day by the local clock. Unit: ms since 1970. */
export function startOf(day: Day): number {
  return startOfDay(dateOf(day)).getTime();
}

/** The day of a moment by the local clock. Unit: ms since 1970. */
export function dayOf(atMs: number): Day {
  return written(atMs);
}

export function daysAfter(day: Day, count: number): Day {
  return written(addDays(dateOf(day), count));
}

function written(date: Date | number): Day {
  return formatISO(date, { representation: 'date' });
}

/** How many days lie from one to another; below 0 where the other is earlier. */
export function daysBetween(from: Day, to: Day): number {
  return differenceInCalendarDays(dateOf(to), dateOf(from));
}

/** 0 for Sunday to 6 for Saturday. */
export function weekdayOf(day: Day): number {
  return dateOf(day).getDay();
}
