'use client';

import Link from 'next/link';
import { ChevronLeft, ChevronRight, GraduationCap } from 'lucide-react';
import { weeksAfter, type FirstDay, type Week } from '@/core/calendar';
import type { PupilRecord } from '@/data';
import { addressOf } from '@/features/shared/address/address-of';
import { HandOverMenu } from '@/features/shared/teaching/hand-over-menu';
import { weekWords } from '@/features/shared/teaching/day-words';
import { changeQuery } from '@/features/shared/address/use-query';
import { useWords } from '@/features/shared/words/use-words';
import { groupsOf } from '../rows';

interface WeekHeadProps {
  readonly pupils: readonly PupilRecord[];
  /** Null for all of them. */
  readonly pupil: PupilRecord | null;
  readonly group: string | null;
  readonly shown: Week;
  readonly thisWeek: Week;
  readonly first: FirstDay;
}

/** Which week, and whose. */
export function WeekHead({ pupils, pupil, group, shown, thisWeek, first }: WeekHeadProps) {
  const w = useWords();
  const groups = groupsOf(pupils, w.says.weekdays);
  const step = (count: number): void => changeQuery({ week: weeksAfter(shown, count) }, 'replace');
  const arrow = 'btn btn-ghost btn-sm btn-square size-9 pointer-coarse:size-11';
  return (
    <div className="mb-3 flex flex-wrap items-center gap-x-4 gap-y-2">
      <h1 className="text-2xl font-semibold">{pupil ? w.week.weeksOf(pupil.name) : w.week.weekOfAll}</h1>
      <span className="flex items-center gap-1">
        <button
          type="button"
          className={arrow}
          aria-label={w.week.weekBefore}
          data-role="week-before"
          onClick={() => step(-1)}
        >
          <ChevronLeft size={18} aria-hidden />
        </button>
        <button
          type="button"
          className="btn btn-sm h-9 min-w-36 font-normal pointer-coarse:h-11"
          data-role="this-week"
          aria-pressed={shown === thisWeek}
          onClick={() => changeQuery({ week: null }, 'replace')}
        >
          {shown === thisWeek ? w.week.thisWeekIs(weekWords(shown, first)) : weekWords(shown, first)}
        </button>
        <button
          type="button"
          className={arrow}
          aria-label={w.week.weekAfter}
          data-role="week-after"
          onClick={() => step(1)}
        >
          <ChevronRight size={18} aria-hidden />
        </button>
      </span>
      <label className="flex items-center gap-1.5 text-sm">
        {w.shared.forLabel}
        <select
          className="select select-sm h-9 w-44 pointer-coarse:h-11"
          data-role="week-pupil"
          value={pupil?.id ?? ''}
          onChange={(event) => changeQuery({ pupil: event.target.value || null }, 'push')}
        >
          <option value="">{w.week.allPupils}</option>
          {pupils.map(({ id, name }) => (
            <option key={id} value={id}>
              {name}
            </option>
          ))}
        </select>
      </label>
      {!pupil && groups.length > 0 ? (
        <label className="flex items-center gap-1.5 text-sm">
          {w.pupils.group}
          <select
            className="select select-sm h-9 w-36 pointer-coarse:h-11"
            data-role="week-group"
            value={group ?? ''}
            onChange={(event) => changeQuery({ group: event.target.value || null }, 'replace')}
          >
            <option value="">{w.week.everyGroup}</option>
            {groups.map((name) => (
              <option key={name} value={name}>
                {name}
              </option>
            ))}
          </select>
        </label>
      ) : null}
      {pupil ? (
        <span className="ml-auto flex flex-wrap gap-2">
          <Link
            className="btn btn-sm h-9 font-normal pointer-coarse:h-11"
            href={addressOf('/pupil', { pupil: pupil.id })}
          >
            {w.pupils.pageOf(pupil.name)}
          </Link>
          <Link
            className="btn btn-sm h-9 font-normal pointer-coarse:h-11"
            href={addressOf('/lesson', { pupil: pupil.id })}
          >
            <GraduationCap size={16} aria-hidden /> {w.pupils.lesson}
          </Link>
          <HandOverMenu pupil={pupil} week={shown} />
        </span>
      ) : null}
    </div>
  );
}
