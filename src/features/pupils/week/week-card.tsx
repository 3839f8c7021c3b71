'use client';

import Link from 'next/link';
import { useState } from 'react';
import { Check, Pencil, Play } from 'lucide-react';
import { parseKey } from '@/core/pitch';
import { fiveFingers } from '@/core/reference';
import { weekAt, type Week } from '@/core/calendar';
import type { RunFact } from '@/core/teaching';
import { change, type PieceRecord, type PlanEntry, type PupilRecord, type Settings } from '@/data';
import { addressOf } from '@/features/shared/address/address-of';
import { HandsGlyph } from '@/features/shared/music/hand-glyph';
import { Grip, useSortableEntry } from '@/features/shared/parts/sortable-list';
import { cardTitle } from '@/features/shared/teaching/card-title';
import { useWords } from '@/features/shared/words/use-words';
import { CardForm } from './card-form';

interface WeekCardProps {
  readonly card: PlanEntry;
  readonly piece: PieceRecord | null;
  readonly pupils: readonly PupilRecord[];
  readonly runs: readonly RunFact[];
  readonly settings: Settings;
  readonly thisWeek: Week;
}

/** One thing that is set: what, how far it is, and what can be done with it. */
export function WeekCard({ card, piece, pupils, runs, settings, thisWeek }: WeekCardProps) {
  const w = useWords();
  const { place, grip } = useSortableEntry(card.id);
  const [isOpen, setOpen] = useState(false);
  const title = cardTitle(w, card, piece);
  const isDone = card.state === 'done';
  const tools = 'btn btn-ghost btn-sm btn-square size-8 pointer-coarse:size-11';
  return (
    <li
      {...place}
      data-card={card.id}
      data-state={card.state}
      className="flex min-w-0 flex-col rounded-box border border-base-300 bg-base-100 text-sm"
    >
      <div className="flex items-start gap-1 p-1">
        <Grip grip={grip} label={w.week.carry(title)} />
        <div className="min-w-0 flex-1 py-1">
          <p className={`font-semibold break-words ${isDone ? 'text-secondary line-through' : ''}`}>{title}</p>
          {card.piece !== null && card.note !== '' ? (
            <p className="text-secondary" data-own-words>
              {card.note}
            </p>
          ) : null}
          {card.steps ? <p className="text-secondary">{w.week.stepsOf(card.steps.length)}</p> : null}
          <Progress card={card} runs={runs} first={settings.firstDay} />
        </div>
        {card.key === null ? null : <CardGlyph name={card.key} />}
      </div>
      <div className="flex items-center border-t border-base-300 px-1">
        <button
          type="button"
          className={tools}
          data-role="card-done"
          aria-pressed={isDone}
          aria-label={isDone ? w.week.notDone(title) : w.week.done(title)}
          title={isDone ? w.week.notDone(title) : w.week.done(title)}
          onClick={() =>
            void change(
              { kind: 'plan.change', ids: [card.id], change: { state: isDone ? 'open' : 'done' } },
              isDone ? w.week.openAgain(title) : w.week.isDone(title),
            )
          }
        >
          <Check size={16} strokeWidth={isDone ? 4 : 2} aria-hidden />
        </button>
        <button
          type="button"
          className={tools}
          data-role="card-edit"
          aria-expanded={isOpen}
          aria-label={w.week.change(title)}
          title={w.week.change(title)}
          onClick={() => setOpen(!isOpen)}
        >
          <Pencil size={16} aria-hidden />
        </button>
        {card.piece === null ? null : (
          <Link
            className={tools}
            data-role="card-play"
            aria-label={w.week.practiceOf(title)}
            title={w.week.practiceOf(title)}
            href={addressOf('/practice', {
              piece: card.piece,
              key: card.key,
              stage: card.stage,
              pupil: card.pupil,
              step: card.steps?.[0] ?? 'next',
            })}
          >
            <Play size={16} aria-hidden />
          </Link>
        )}
      </div>
      {isOpen ? (
        <CardForm {...{ card, piece, pupils, settings, thisWeek, title }} onClose={() => setOpen(false)} />
      ) : null}
    </li>
  );
}

/** How the hands lie in the key of a card. */
function CardGlyph({ name }: { readonly name: string }) {
  const key = parseKey(name, 'major');
  if (!key || (key.mode !== 'major' && key.mode !== 'minor')) return null;
  const { black } = fiveFingers(key);
  return (
    <span className="p-1">
      <HandsGlyph left={black.left} right={black.right} size={22} />
    </span>
  );
}

/** What was played of it in its week. */
function Progress({
  card,
  runs,
  first,
}: {
  readonly card: PlanEntry;
  readonly runs: readonly RunFact[];
  readonly first: Settings['firstDay'];
}) {
  const w = useWords();
  const { piece, key, week } = card;
  if (piece === null || week === null) return null;
  const own = runs.filter((run) => run.piece === piece && run.key === key && weekAt(run.atMs, first) === week);
  if (own.length === 0) return null;
  return <p>{w.week.runsClean(own.length, own.filter(({ outcome }) => outcome === 'clean').length)}</p>;
}

/** A card while it is carried. */
export function CardLine({ title }: { readonly title: string }) {
  return (
    <div className="rounded-box border-2 border-primary bg-base-100 px-3 py-2 text-sm font-semibold shadow-lg">
      {title}
    </div>
  );
}
