import type { Wording } from '@/core/explain';

export type Week = 'this' | 'last' | 'earlier';

/** The week of a moment as seen from another, in local time: weeks begin on the teacher's first day, at midnight, also where a clock was put forward or back
 * meanwhile. What is yet to come counts as this week. */
export function weekOf(atMs: number, now: Date, { week }: Pick<Wording, 'week'>): Week {
  const begin = weekBegins(now, week);
  if (atMs >= begin.getTime()) return 'this';
  const before = new Date(begin.getFullYear(), begin.getMonth(), begin.getDate() - 7);
  return atMs >= before.getTime() ? 'last' : 'earlier';
}

function weekBegins(now: Date, first: Wording['week']): Date {
  const day = (now.getDay() + (first === 'monday' ? 6 : 0)) % 7;
  return new Date(now.getFullYear(), now.getMonth(), now.getDate() - day);
}
