'use client';

import Link from 'next/link';
import { memo } from 'react';
import { BellOff, CalendarDays, GraduationCap, KeyRound } from 'lucide-react';
import type { PieceRecord } from '@/data';
import { addressOf } from '@/features/shared/address/address-of';
import { cardTitle } from '@/features/shared/teaching/card-title';
import { msWords } from '@/features/shared/teaching/day-words';
import { keyWords } from '@/features/shared/teaching/key-words';
import { useWords } from '@/features/shared/words/use-words';
import type { PupilRow } from './rows';

interface PupilLineProps {
  readonly row: PupilRow;
  readonly pieces: readonly PieceRecord[];
}

/** One pupil in a line of the list. */
export const PupilLine = memo(function PupilLine({ row, pieces }: PupilLineProps) {
  const w = useWords();
  const { pupil, glance, cards } = row;
  const cell = 'px-3 py-2 align-top';
  return (
    <tr className="border-base-300 not-last:border-b" data-pupil={pupil.id} data-quiet={glance.isQuiet}>
      <th scope="row" className={`${cell} text-left font-normal`}>
        <Link
          className="link flex min-h-8 items-center font-serif text-base font-semibold pointer-coarse:min-h-11"
          href={addressOf('/pupil', { pupil: pupil.id })}
        >
          {pupil.name}
        </Link>
        <span className="text-xs text-secondary">
          {[...pupil.groups, w.pupils.levelShort(pupil.level)].join(' · ')}
        </span>
      </th>
      <td className={cell}>
        {cards.length === 0 ? (
          <span className="text-secondary">{w.pupils.nothingSet}</span>
        ) : (
          <ul>
            {cards.map((card) => (
              <li key={card.id} className={card.state === 'done' ? 'text-secondary line-through' : ''}>
                {cardTitle(w, card, pieces.find(({ id }) => id === card.piece) ?? null)}
              </li>
            ))}
          </ul>
        )}
      </td>
      <td className={`${cell} whitespace-nowrap`}>
        {glance.runs === 0 ? w.pupils.notYetThisWeek : w.pupils.runsAndMinutes(glance.runs, glance.minutes)}
      </td>
      <td className={`${cell} whitespace-nowrap`}>
        {glance.isQuiet ? (
          <span className="flex items-center gap-1.5 font-semibold">
            <BellOff size={16} aria-hidden />
            {glance.quietDays === null ? w.pupils.neverHeard : w.pupils.quietFor(glance.quietDays)}
          </span>
        ) : (
          msWords(glance.lastMs ?? 0)
        )}
      </td>
      <td className={cell}>
        <span className="block whitespace-nowrap">{w.pupils.secureKeys(glance.secureKeys)}</span>
        {glance.readyKeys.map((key) => (
          <span key={key} className="flex items-center gap-1.5 font-semibold" data-ready={key}>
            <KeyRound size={16} aria-hidden /> {w.pupils.readyFor(keyWords(w, key))}
          </span>
        ))}
      </td>
      <td className={`${cell} whitespace-nowrap`}>
        <Link
          className="btn btn-sm h-9 font-normal pointer-coarse:h-11"
          href={addressOf('/lesson', { pupil: pupil.id })}
          aria-label={w.pupils.lessonOf(pupil.name)}
        >
          <GraduationCap size={16} aria-hidden /> {w.pupils.lesson}
        </Link>{' '}
        <Link
          className="btn btn-ghost btn-sm h-9 font-normal pointer-coarse:h-11"
          href={addressOf('/week', { pupil: pupil.id })}
          aria-label={w.pupils.weeksOf(pupil.name)}
        >
          <CalendarDays size={16} aria-hidden /> {w.pupils.weeks}
        </Link>
      </td>
    </tr>
  );
});
