import { daysOf, lessonsIn, weeksAfter, type CalendarEntry, type Holiday, type Week } from '@/core/calendar';
import type { PieceRecord, PlanEntry, PupilRecord } from '@/data';
import { cardTitle } from '@/features/shared/teaching/card-title';
import type { Words } from '@/features/shared/words/use-words';

/** So far ahead a calendar file goes. Unit: weeks. */
export const CALENDAR_WEEKS = 12;

export interface CalendarAsked {
  readonly pupils: readonly PupilRecord[];
  readonly plan: readonly PlanEntry[];
  readonly pieces: readonly PieceRecord[];
  readonly holidays: readonly Holiday[];
  readonly from: Week;
}

/** The lessons and weeks of some pupils, as entries of a calendar. */
export function calendarOf(
  w: Words,
  { pupils, plan, pieces, holidays, from }: CalendarAsked,
): readonly CalendarEntry[] {
  const first = w.wording.week;
  const weeks = Array.from({ length: CALENDAR_WEEKS }, (_, i) => weeksAfter(from, i));
  const titleOf = (card: PlanEntry): string => cardTitle(w, card, pieces.find(({ id }) => id === card.piece) ?? null);
  // A card without a piece is its note.
  const wordsOf = (card: PlanEntry): string =>
    card.piece === null && card.note !== '' ? card.note : [titleOf(card), card.note].filter(Boolean).join('\n');
  return pupils.flatMap(({ id, name, lessons }) =>
    weeks.flatMap((week): readonly CalendarEntry[] => {
      const cards = plan.filter((card) => card.pupil === id && card.week === week);
      const words = cards.map(wordsOf).join('\n');
      const days = daysOf(week, first);
      const own = lessonsIn(week, lessons, { first, holidays }).map(({ day, at, minutes }): CalendarEntry => ({
        id: `lesson-${id}-${day}-${at.replace(':', '')}@new-thumb`,
        title: w.pupils.lessonOf(name),
        words,
        when: { kind: 'time', day, at, minutes },
      }));
      if (cards.length === 0) return own;
      return [
        ...own,
        {
          id: `week-${id}-${week}@new-thumb`,
          title: w.week.weekFor(name),
          words,
          when: { kind: 'days', from: days[0] ?? week, to: days.at(-1) ?? week },
        },
      ];
    }),
  );
}
