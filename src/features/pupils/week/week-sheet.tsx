'use client';

import { parseKey } from '@/core/pitch';
import { fiveFingers } from '@/core/reference';
import type { FirstDay, Week } from '@/core/calendar';
import type { PieceRecord, PlanEntry, PupilRecord } from '@/data';
import { HandsGlyph } from '@/features/shared/music/hand-glyph';
import { cardTitle } from '@/features/shared/teaching/card-title';
import { weekWords } from '@/features/shared/teaching/day-words';
import { useWords } from '@/features/shared/words/use-words';

interface WeekSheetProps {
  readonly pupils: readonly PupilRecord[];
  readonly plan: readonly PlanEntry[];
  readonly pieces: readonly PieceRecord[];
  readonly shown: Week;
  readonly first: FirstDay;
}

/** The week on paper, a pupil a page: seen only in print. */
export function WeekSheet({ pupils, plan, pieces, shown, first }: WeekSheetProps) {
  const w = useWords();
  return (
    <div className="hidden print:block" data-role="week-sheet">
      {pupils.map((pupil) => {
        const cards = plan.filter((card) => card.pupil === pupil.id && card.week === shown);
        if (cards.length === 0) return null;
        return (
          <section key={pupil.id} className="break-after-page text-black">
            <h1 className="text-2xl font-semibold">{w.week.weekFor(pupil.name)}</h1>
            <p className="mb-4">{weekWords(shown, first)}</p>
            <ul className="flex flex-col gap-4">
              {cards.map((card) => (
                <li key={card.id} className="flex items-start gap-4 border-b border-black pb-3">
                  <span className="mt-1 size-6 shrink-0 border-2 border-black" aria-hidden />
                  <div className="flex-1">
                    <p className="text-lg font-semibold">
                      {cardTitle(w, card, pieces.find(({ id }) => id === card.piece) ?? null)}
                    </p>
                    {card.piece === null ? null : <p className="whitespace-pre-line">{card.note}</p>}
                  </div>
                  <SheetGlyph name={card.key} />
                </li>
              ))}
            </ul>
            <p className="mt-6 flex gap-6">
              {w.says.weekdays.map((weekday) => (
                <span key={weekday} className="flex flex-col items-center gap-1 text-sm">
                  {weekday.slice(0, 2)}
                  <span className="size-8 border border-black" aria-hidden />
                </span>
              ))}
            </p>
          </section>
        );
      })}
    </div>
  );
}

function SheetGlyph({ name }: { readonly name: string | null }) {
  const key = name === null ? null : parseKey(name, 'major');
  if (!key || (key.mode !== 'major' && key.mode !== 'minor')) return null;
  const { black } = fiveFingers(key);
  return <HandsGlyph left={black.left} right={black.right} size={44} />;
}
