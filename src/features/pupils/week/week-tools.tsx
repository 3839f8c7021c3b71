'use client';

import { CalendarArrowDown, CalendarOff, FastForward, Plus, Printer, Rows3 } from 'lucide-react';
import { useState } from 'react';
import { calendarFile, taughtWeeks, weeksAfter, type Week } from '@/core/calendar';
import { change, planAhead, type PieceRecord, type PlanEntry, type PupilRecord, type Settings } from '@/data';
import { useMessages } from '@/features/shared/shell/messages';
import { saveFile } from '@/features/shared/files/save-file';
import { fileWord } from '@/features/shared/teaching/file-word';
import { useWords } from '@/features/shared/words/use-words';
import { CALENDAR_WEEKS, calendarOf } from './calendar-of';
import { ClassSheetsMenu } from './class-sheets-menu';
import { HolidaysBox } from './holidays-box';
import { leftBefore } from './lanes';

interface WeekToolsProps {
  readonly pupils: readonly PupilRecord[];
  readonly pieces: readonly PieceRecord[];
  readonly plan: readonly PlanEntry[];
  readonly settings: Settings;
  readonly shown: Week;
  readonly thisWeek: Week;
  readonly isAdding: boolean;
  /** Null where cards are not added. */
  readonly onAdd: (() => void) | null;
}

/** What can be done with weeks as a whole. */
export function WeekTools({ pupils, pieces, plan, settings, shown, thisWeek, isAdding, onAdd }: WeekToolsProps) {
  const w = useWords();
  const { say } = useMessages();
  const [hasHolidays, setHolidays] = useState(false);
  const left = leftBefore(plan, thisWeek);
  const waiting = plan.filter(({ week, state }) => week === null && state === 'open');
  const [only] = pupils;
  const calendar = { first: settings.firstDay, holidays: settings.holidays, times: only?.lessons ?? [] };
  const carry = (): void =>
    void change(
      { kind: 'plan.carry', cards: left.map(({ id }) => ({ id, to: thisWeek })) },
      w.week.carriedOver(left.length),
    );
  const spread = (): void => {
    const weeks = taughtWeeks(shown, waiting.length, calendar.times, calendar);
    const cards = waiting.flatMap(({ id }, i) => (weeks[i] === undefined ? [] : [{ id, to: weeks[i] }]));
    void change({ kind: 'plan.carry', cards }, w.week.spreadOver(cards.length));
  };
  const save = async (): Promise<void> => {
    const name = pupils.length === 1 && only ? fileWord(only.name) : 'lessons';
    const { holidays } = settings;
    const ahead = await planAhead(thisWeek, weeksAfter(thisWeek, CALENDAR_WEEKS));
    const file = calendarFile(
      w.week.calendarName,
      calendarOf(w, { pupils, plan: ahead, pieces, holidays, from: thisWeek }),
    );
    if (!file.ok) return say({ kind: 'trouble', text: w.week.noCalendar, hint: file.error });
    saveFile(`${name}.ics`, 'text/calendar;charset=utf-8', file.value);
  };
  const button = 'btn btn-sm h-9 font-normal pointer-coarse:h-11';
  return (
    <div className="mb-3 flex flex-col gap-2">
      <div className="flex flex-wrap gap-2">
        {onAdd ? (
          <button
            type="button"
            className="btn btn-primary btn-sm h-9 pointer-coarse:h-11"
            aria-expanded={isAdding}
            data-role="new-card"
            onClick={onAdd}
          >
            <Plus size={16} aria-hidden /> {w.week.newCard}
          </button>
        ) : null}
        {left.length > 0 ? (
          <button type="button" className={button} data-role="carry-over" onClick={carry}>
            <FastForward size={16} aria-hidden /> {w.week.carryOver(left.length)}
          </button>
        ) : null}
        {onAdd && waiting.length > 0 ? (
          <button type="button" className={button} data-role="spread" onClick={spread}>
            <Rows3 size={16} aria-hidden /> {w.week.spread(waiting.length)}
          </button>
        ) : null}
        <button type="button" className={button} data-role="print-week" onClick={() => window.print()}>
          <Printer size={16} aria-hidden /> {w.week.printSheet}
        </button>
        <ClassSheetsMenu week={{ pupils, plan, pieces, settings, shown }} />
        <button type="button" className={button} data-role="calendar" onClick={() => void save()}>
          <CalendarArrowDown size={16} aria-hidden /> {w.week.calendarFile}
        </button>
        <button
          type="button"
          className={button}
          aria-expanded={hasHolidays}
          data-role="holidays"
          onClick={() => setHolidays(!hasHolidays)}
        >
          <CalendarOff size={16} aria-hidden /> {w.week.holidays(settings.holidays.length)}
        </button>
      </div>
      {hasHolidays ? <HolidaysBox holidays={settings.holidays} /> : null}
    </div>
  );
}
