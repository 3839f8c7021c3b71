import { dateOf, daysOf, type Day, type FirstDay, type Week } from '@/core/calendar';

/** What writes days as the reader's own calendar does. Making one takes far longer than using it, and pictures write hundreds of days. */
const SHORT = new Intl.DateTimeFormat([], { day: 'numeric', month: 'short' });
const LONG = new Intl.DateTimeFormat([], { weekday: 'long', day: 'numeric', month: 'long' });
const MONTH = new Intl.DateTimeFormat([], { month: 'short', year: 'numeric' });

export function dayWords(day: Day): string {
  return SHORT.format(dateOf(day));
}

export function dayWordsLong(day: Day): string {
  return LONG.format(dateOf(day));
}

export function msWords(atMs: number): string {
  return SHORT.format(atMs);
}

/** From the first to the last day of a week, as the reader’s calendar writes it: `Nov 23 – 29`. */
export function weekWords(week: Week, first: FirstDay): string {
  const days = daysOf(week, first);
  const [from, to] = [dateOf(days[0] ?? week), dateOf(days.at(-1) ?? week)];
  return SHORT.formatRange(from, to);
}

export const SAID_DAYS = { ofMs: msWords, ofDay: dayWords } as const;

/** A month, `2026-11`, as the reader writes it. */
export function monthWords(month: string): string {
  return MONTH.format(dateOf(`${month}-15`));
}
