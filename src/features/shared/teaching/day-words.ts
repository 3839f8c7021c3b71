import { dateOf, daysOf, type Day, type FirstDay, type Week } from '@/core/calendar';

/** Days as the reader's own calendar writes them. */
export function dayWords(day: Day): string {
  return dateOf(day).toLocaleDateString([], { day: 'numeric', month: 'short' });
}

export function dayWordsLong(day: Day): string {
  return dateOf(day).toLocaleDateString([], { weekday: 'long', day: 'numeric', month: 'long' });
}

export function msWords(atMs: number): string {
  return new Date(atMs).toLocaleDateString([], { day: 'numeric', month: 'short' });
}

/** From the first to the last day of a week, as the reader’s calendar writes it: `Nov 23 – 29`. */
export function weekWords(week: Week, first: FirstDay): string {
  const days = daysOf(week, first);
  const [from, to] = [dateOf(days[0] ?? week), dateOf(days.at(-1) ?? week)];
  return new Intl.DateTimeFormat([], { day: 'numeric', month: 'short' }).formatRange(from, to);
}

export const SAID_DAYS = { ofMs: msWords, ofDay: dayWords } as const;

/** A month, `2026-11`, as the reader writes it. */
export function monthWords(month: string): string {
  return dateOf(`${month}-15`).toLocaleDateString([], { month: 'short', year: 'numeric' });
}
