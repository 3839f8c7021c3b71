'use client';

import Link from 'next/link';
import { useState } from 'react';
import { CalendarPlus, KeyRound } from 'lucide-react';
import { weekAt, weeksAfter } from '@/core/calendar';
import type { NextKey } from '@/core/teaching';
import { change, useSettings, type PupilRecord } from '@/data';
import { addressOf } from '@/features/shared/address/address-of';
import { useMessages } from '@/features/shared/shell/messages';
import { keyWords } from '@/features/shared/teaching/key-words';
import { weekWords } from '@/features/shared/teaching/day-words';
import { useWords } from '@/features/shared/words/use-words';
import type { Standings } from './use-key-standings';

/** So many others are listed. */
const OTHERS = 5;

interface NextKeyBoxProps {
  readonly pupil: PupilRecord;
  readonly standings: Standings;
  readonly onChoose: (key: string) => void;
}

/** The key that is proposed next, why, and the others in their order. */
export function NextKeyBox({ pupil, standings: { next, isWhole }, onChoose }: NextKeyBoxProps) {
  const w = useWords();
  const [first, ...others] = next;
  return (
    <section
      aria-label={w.pupils.nextKey}
      className="flex flex-col gap-2 rounded-box border border-base-300 bg-base-100 p-3"
      data-role="next-key"
      data-key={first?.key}
      data-whole={isWhole}
    >
      <h2 className="flex items-center gap-2 font-semibold">
        <KeyRound size={18} aria-hidden /> {w.pupils.nextKey}
      </h2>
      {!isWhole ? (
        <p role="status" className="text-sm text-secondary">
          {w.pupils.lookingAtPieces}
        </p>
      ) : null}
      {first ? <Proposed pupil={pupil} next={first} /> : <p className="text-sm">{w.pupils.noNextKey}</p>}
      {others.length > 0 ? (
        <div className="flex flex-col gap-1 text-sm">
          <span>{w.pupils.otherKeys}</span>
          <span className="flex flex-wrap gap-1">
            {others.slice(0, OTHERS).map(({ key }) => (
              <button
                key={key}
                type="button"
                className="btn btn-sm h-9 font-normal pointer-coarse:h-11"
                data-candidate={key}
                onClick={() => onChoose(key)}
              >
                {keyWords(w, key)}
              </button>
            ))}
          </span>
        </div>
      ) : null}
    </section>
  );
}

function Proposed({ pupil, next }: { readonly pupil: PupilRecord; readonly next: NextKey }) {
  const w = useWords();
  const { say } = useMessages();
  const first = useSettings()?.firstDay ?? 'monday';
  const [nowMs] = useState(() => Date.now());
  const { key, readiness, pieces } = next;
  // The easiest of the pupil's pieces there.
  const piece = pieces.find(({ limits }) => limits === 0) ?? null;
  const plan = async (): Promise<void> => {
    if (!piece) return;
    const week = weeksAfter(weekAt(nowMs, first), 1);
    const card = { id: crypto.randomUUID(), pupil: pupil.id, piece: piece.piece, key, week };
    const words = w.week.setFor(w.week.pieceInKey(piece.title, keyWords(w, key)), weekWords(week, first));
    if (await change({ kind: 'plan.cards', cards: [card], atMs: nowMs }, words)) return;
    say({ kind: 'done', text: words });
  };
  return (
    <>
      <p className="font-serif text-2xl font-semibold">{keyWords(w, key)}</p>
      <ul className="list-disc pl-5 text-sm" data-role="reasons">
        {w.says.nextKeyWords(next).map((words) => (
          <li key={words}>{words}</li>
        ))}
      </ul>
      <div className="flex flex-wrap gap-2">
        {piece && readiness !== 'piece-first' ? (
          <button
            type="button"
            className="btn btn-primary btn-sm h-9 pointer-coarse:h-11"
            data-role="plan-next-key"
            onClick={() => void plan()}
          >
            <CalendarPlus size={16} aria-hidden /> {w.pupils.setForNextWeek(piece.title)}
          </button>
        ) : null}
        <Link
          className="btn btn-sm h-9 font-normal pointer-coarse:h-11"
          href={addressOf('/atlas', { part: 'cards', key })}
        >
          {w.shared.keyCardOf(keyWords(w, key))}
        </Link>
      </div>
    </>
  );
}
