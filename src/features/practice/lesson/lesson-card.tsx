'use client';

import Link from 'next/link';
import { Check, Ear, FastForward, Music4, Play } from 'lucide-react';
import { weeksAfter, type Week } from '@/core/calendar';
import { faultsByBar } from '@/core/teaching';
import { change, factOf, type PieceRecord, type PlanEntry, type RunRecord } from '@/data';
import { addressOf } from '@/features/shared/address/address-of';
import { cardTitle } from '@/features/shared/teaching/card-title';
import { changeQuery } from '@/features/shared/address/use-query';
import { useWords } from '@/features/shared/words/use-words';
import type { ForWhom } from '@/features/shared/pupils/for-whom';
import { RecordRun } from '../record/record-run';
import { RunLine } from '../record/run-line';

interface LessonCardProps {
  readonly card: PlanEntry;
  readonly piece: PieceRecord | null;
  /** The runs through it since the last lesson, the last first. */
  readonly runs: readonly RunRecord[];
  readonly week: Week;
  /** The run that is heard again. */
  readonly shown: RunRecord | null;
  readonly whom: ForWhom;
}

/** So many runs of a card are listed. */
const LISTED = 3;

/** Something that was set: how it went, what stuck, and what becomes of it. */
export function LessonCard({ card, piece, runs, week, shown, whom }: LessonCardProps) {
  const w = useWords();
  const title = cardTitle(w, card, piece);
  const clean = runs.filter(({ outcome }) => outcome === 'clean');
  const tempo = Math.max(0, ...clean.map((run) => run.tempo));
  const bars = faultsByBar(runs.map(factOf));
  const isDone = card.state === 'done';
  return (
    <article
      aria-label={title}
      data-card={card.id}
      data-state={card.state}
      className="flex flex-col gap-2 rounded-box border border-base-300 bg-base-100 p-3"
    >
      <h3 className={`text-lg font-semibold ${isDone ? 'text-secondary line-through' : ''}`}>{title}</h3>
      {card.piece !== null && card.note !== '' ? (
        <p className="text-secondary" data-own-words>
          {card.note}
        </p>
      ) : null}
      {card.piece === null ? null : (
        <p data-role="how-it-went">
          {runs.length === 0 ? w.lesson.notPlayed : w.lesson.wentSo(runs.length, clean.length, tempo)}
        </p>
      )}
      {bars.length > 0 ? <p data-role="what-stuck">{w.says.faultyBarWords(bars)}</p> : null}
      {runs.length > 0 ? (
        <ul className="flex flex-col gap-1" aria-label={w.record.runs}>
          {runs.slice(0, LISTED).map((run) => (
            <li key={run.id}>
              <button
                type="button"
                data-run={run.id}
                aria-pressed={run.id === shown?.id}
                className={`flex min-h-11 w-full cursor-pointer items-center gap-3 rounded-box border border-base-300 px-3 py-1.5 text-left ${run.id === shown?.id ? 'bg-base-200' : ''}`}
                onClick={() => changeQuery({ run: run.id === shown?.id ? null : run.id }, 'replace')}
              >
                <RunLine run={run} piece={piece} />
                {run.midi === null ? null : <Ear size={16} aria-hidden className="shrink-0 text-secondary" />}
              </button>
              {run.id === shown?.id ? (
                <div className="py-2">
                  <RecordRun key={run.id} run={run} piece={piece} whom={whom} />
                </div>
              ) : null}
            </li>
          ))}
        </ul>
      ) : null}
      <CardDeeds card={card} title={title} week={week} />
    </article>
  );
}

/** What becomes of a card, and where its piece is. */
function CardDeeds({ card, title, week }: Pick<LessonCardProps, 'card' | 'week'> & { readonly title: string }) {
  const w = useWords();
  const isDone = card.state === 'done';
  const button = 'btn h-11 font-normal';
  return (
    <div className="flex flex-wrap gap-2">
      <button
        type="button"
        className={`${button} aria-pressed:btn-neutral`}
        data-role="card-done"
        aria-pressed={isDone}
        onClick={() =>
          void change(
            { kind: 'plan.change', ids: [card.id], change: { state: isDone ? 'open' : 'done' } },
            isDone ? w.week.openAgain(title) : w.week.isDone(title),
          )
        }
      >
        <Check size={18} aria-hidden /> {w.lesson.done}
      </button>
      <button
        type="button"
        className={button}
        data-role="card-again"
        disabled={isDone}
        onClick={() =>
          void change({ kind: 'plan.carry', cards: [{ id: card.id, to: weeksAfter(week, 1) }] }, w.week.carriedOver(1))
        }
      >
        <FastForward size={18} aria-hidden /> {w.lesson.again}
      </button>
      {card.piece === null ? null : (
        <>
          <Link
            className={button}
            data-role="to-bench"
            href={addressOf('/bench', { piece: card.piece, key: card.key, stage: card.stage, pupil: card.pupil })}
          >
            <Music4 size={18} aria-hidden /> {w.lesson.onBench}
          </Link>
          <Link
            className={button}
            href={addressOf('/practice', {
              piece: card.piece,
              key: card.key,
              stage: card.stage,
              pupil: card.pupil,
              step: 'next',
            })}
          >
            <Play size={18} aria-hidden /> {w.lesson.play}
          </Link>
        </>
      )}
    </div>
  );
}
