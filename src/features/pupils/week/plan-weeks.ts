import { taughtWeeks, type FirstDay, type Holiday, type LessonTime, type Week } from '@/core/calendar';
import { cutIntoWeeks, type Cut } from '@/core/teaching';
import type { PartsView } from '@/core/views';
import type { NewCard, PlanEntry } from '@/data';

/** A piece that is to be spread over weeks. */
export interface Spread {
  readonly pupil: string;
  readonly piece: string;
  /** Key after key: a key a week once the first is easy. */
  readonly keys: readonly string[];
  readonly stage: string | null;
  readonly cut: Cut;
  readonly note: string;
  /** The first week; null where the cards are to wait. */
  readonly from: Week | null;
}

export interface TeacherCalendar {
  readonly first: FirstDay;
  readonly holidays: readonly Holiday[];
  readonly times: readonly LessonTime[];
}

/** One card a week, holidays left out. The first key is cut as it is wanted; the others come whole, since the piece is known by then. */
export function cardsOver(
  spread: Spread,
  parts: PartsView,
  calendar: TeacherCalendar,
  id: () => string,
): readonly NewCard[] {
  const { pupil, piece, keys, stage, cut, note, from } = spread;
  const weeks = keys.flatMap((key, i) =>
    cutIntoWeeks(i === 0 ? cut : 'whole', parts).map(({ bars }) => ({ key, bars: printed(bars, parts.numbers) })),
  );
  const taught = from === null ? [] : taughtWeeks(from, weeks.length, calendar.times, calendar);
  return weeks.map(({ key, bars }, i) => ({
    ...{ id: id(), pupil, piece, key, stage, bars },
    note: i === 0 ? note : '',
    week: from === null ? null : (taught[i] ?? taught.at(-1) ?? from),
  }));
}

/** Bars with the numbers that are printed over them. */
export function printed(
  bars: { readonly from: number; readonly to: number } | null,
  numbers: readonly string[],
): PlanEntry['bars'] {
  return bars && { ...bars, first: numbers[bars.from], last: numbers[bars.to] };
}
