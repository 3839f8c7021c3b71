import { weekAt, weeksBetween } from '@/core/calendar';
import type { Wording } from '@/core/explain';

export type Week = 'this' | 'last' | 'earlier';

/** The week of a moment as seen from another, in local time: weeks begin on the teacher's first day, at midnight, also where a clock was put forward or back
 * meanwhile. What is yet to come counts as this week. */
export function weekOf(atMs: number, now: Date, { week }: Pick<Wording, 'week'>): Week {
  const back = weeksBetween(weekAt(atMs, week), weekAt(now.getTime(), week));
  return back <= 0 ? 'this' : back === 1 ? 'last' : 'earlier';
}
