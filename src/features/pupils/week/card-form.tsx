'use client';

import Link from 'next/link';
import { useState } from 'react';
import { Copy, FastForward, Trash2 } from 'lucide-react';
import { weeksAfter, type Week } from '@/core/calendar';
import {
  change,
  MOST_CARD_LETTERS,
  type CardChange,
  type PieceRecord,
  type PlanEntry,
  type PupilRecord,
  type Settings,
} from '@/data';
import { addressOf } from '@/features/shared/address/address-of';
import { stageTitleOf } from '@/features/shared/pieces/stage-title';
import { keyWords } from '@/features/shared/teaching/key-words';
import { useTypedNote } from '@/features/shared/parts/use-typed-note';
import { useWords } from '@/features/shared/words/use-words';
import { POSITIONS } from '../keys/use-key-standings';
import { copyFor } from './lanes';
import { printed } from './plan-weeks';
import { useParts } from './use-parts';
import { Checkbox } from '@/features/shared/parts/checkbox';

interface CardFormProps {
  readonly card: PlanEntry;
  readonly piece: PieceRecord | null;
  readonly pupils: readonly PupilRecord[];
  readonly settings: Settings;
  readonly thisWeek: Week;
  readonly title: string;
  readonly onClose: () => void;
}

/** Everything about one card. Each change is kept at once. */
export function CardForm({ card, piece, pupils, settings, thisWeek, title, onClose }: CardFormProps) {
  const w = useWords();
  const put = async (said: CardChange, isTyped = false): Promise<boolean> =>
    (await change({ kind: 'plan.change', ids: [card.id], change: said }, w.week.changed(title), { isTyped })) === null;
  const note = useTypedNote(`card-note/${card.id}`, card.note, (typed) => put({ note: typed }, true));
  const next = card.week === null || card.week < thisWeek ? thisWeek : weeksAfter(card.week, 1);
  const small = 'btn btn-sm h-9 font-normal pointer-coarse:h-11';
  return (
    <div className="flex flex-col gap-2 border-t border-base-300 p-2" data-role="card-form">
      {piece ? <PieceFields {...{ card, piece, pupils, settings }} onPut={(said) => void put(said)} /> : null}
      <label className="flex flex-col gap-1">
        {w.week.noteForPupil}
        <textarea
          className="rounded-field border border-base-300 bg-base-100 p-2 h-20 w-full"
          data-role="card-note"
          maxLength={MOST_CARD_LETTERS}
          {...note.field}
        />
      </label>
      <div className="flex flex-wrap gap-1">
        <button
          type="button"
          className={small}
          data-role="card-carry"
          onClick={() => void change({ kind: 'plan.carry', cards: [{ id: card.id, to: next }] }, w.week.carriedOver(1))}
        >
          <FastForward size={16} aria-hidden /> {card.week === null ? w.week.intoThisWeek : w.week.intoNextWeek}
        </button>
        {piece ? (
          <Link
            className={small}
            href={addressOf('/bench', { piece: piece.id, key: card.key, stage: card.stage, pupil: card.pupil })}
          >
            {w.shared.toBench}
          </Link>
        ) : null}
        <button
          type="button"
          className={`${small} text-error`}
          data-role="card-remove"
          onClick={() => {
            void change({ kind: 'plan.remove', ids: [card.id] }, w.week.takenOut(title));
            onClose();
          }}
        >
          <Trash2 size={16} aria-hidden /> {w.week.takeOut}
        </button>
      </div>
      <CopyTo card={card} pupils={pupils} title={title} />
    </div>
  );
}

interface PieceFieldsProps {
  readonly card: PlanEntry;
  readonly piece: PieceRecord;
  readonly pupils: readonly PupilRecord[];
  readonly settings: Settings;
  readonly onPut: (said: CardChange) => void;
}

/** Key, stage, bars and steps of a card. */
function PieceFields({ card, piece, pupils, settings, onPut }: PieceFieldsProps) {
  const w = useWords();
  const pupil = pupils.find(({ id }) => id === card.pupil) ?? null;
  const parts = useParts(piece, card.key, { settings, pupil });
  const numbers = parts?.numbers ?? [];
  const mode = card.key?.endsWith('minor') ? 'minor' : 'major';
  const stages = [
    ...new Set([
      ...piece.stagesAdded,
      ...piece.ownStages.map(({ id }) => id),
      ...(card.stage === null ? [] : [card.stage]),
    ]),
  ];
  const { bars } = card;
  const select = 'select select-sm h-9 min-w-0 flex-1 pointer-coarse:h-11';
  const setBars = (from: number, to: number): void =>
    onPut({ bars: printed({ from: Math.min(from, to), to: Math.max(from, to) }, numbers) });
  return (
    <>
      <label className="flex items-center gap-2">
        <span className="w-14">{w.charts.key}</span>
        <select
          className={select}
          data-role="card-key"
          value={card.key ?? ''}
          onChange={(event) => onPut({ key: event.target.value })}
        >
          {POSITIONS[mode].map((name) => (
            <option key={name} value={name}>
              {keyWords(w, name)}
            </option>
          ))}
        </select>
      </label>
      {stages.length > 0 ? (
        <label className="flex items-center gap-2">
          <span className="w-14">{w.stages.stage}</span>
          <select
            className={select}
            data-role="card-stage"
            value={card.stage ?? ''}
            onChange={(event) => onPut({ stage: event.target.value || null })}
          >
            <option value="">{w.week.wholePiece}</option>
            {stages.map((stage) => (
              <option key={stage} value={stage}>
                {stageTitleOf(w, piece, stage)}
              </option>
            ))}
          </select>
        </label>
      ) : null}
      <div className="flex items-center gap-2">
        <span className="w-14">{w.charts.bar}</span>
        <select
          className={select}
          aria-label={w.week.fromBar}
          data-role="card-from"
          value={bars?.from ?? ''}
          onChange={(event) => {
            if (event.target.value === '') onPut({ bars: null });
            else setBars(Number(event.target.value), Math.max(Number(event.target.value), bars?.to ?? 0));
          }}
        >
          <option value="">{w.week.allBars}</option>
          {numbers.map((number, i) => (
            <option key={i} value={i}>
              {number}
            </option>
          ))}
        </select>
        {bars ? (
          <select
            className={select}
            aria-label={w.week.toBar}
            data-role="card-to"
            value={bars.to}
            onChange={(event) => setBars(bars.from, Number(event.target.value))}
          >
            {numbers.map((number, i) => (
              <option key={i} value={i} disabled={i < bars.from}>
                {number}
              </option>
            ))}
          </select>
        ) : null}
      </div>
      <StepsOf card={card} piece={piece} onPut={onPut} />
    </>
  );
}

/** Which of the piece’s steps the pupil is to do. */
function StepsOf({ card, piece, onPut }: Pick<PieceFieldsProps, 'card' | 'piece' | 'onPut'>) {
  const w = useWords();
  const steps =
    piece.homework.find((list) => list.pupil === card.pupil && (list.key === card.key || list.key === null))?.steps ??
    [];
  if (steps.length === 0) return null;
  return (
    <fieldset>
      <legend>{w.week.steps}</legend>
      {steps.map((step, i) => {
        const wanted = card.steps ?? steps.map(({ id }) => id);
        return (
          <label key={step.id} className="flex min-h-9 cursor-pointer items-center gap-2 pointer-coarse:min-h-11">
            <Checkbox
              checked={wanted.includes(step.id)}
              onChange={() => {
                const now = steps
                  .map(({ id }) => id)
                  .filter((id) => (id === step.id ? !wanted.includes(id) : wanted.includes(id)));
                onPut({ steps: now.length === steps.length ? null : now });
              }}
            />
            {i + 1}. {w.practice.stepKinds[step.kind]}
          </label>
        );
      })}
    </fieldset>
  );
}

/** The same card for other pupils. */
function CopyTo({
  card,
  pupils,
  title,
}: {
  readonly card: PlanEntry;
  readonly pupils: readonly PupilRecord[];
  readonly title: string;
}) {
  const w = useWords();
  const others = pupils.filter(({ id }) => id !== card.pupil);
  const [chosen, setChosen] = useState('');
  const [nowMs] = useState(() => Date.now());
  if (others.length === 0) return null;
  const copy = async (): Promise<void> => {
    const to = others.find(({ id }) => id === chosen);
    if (!to) return;
    const copied = copyFor(card, to.id, crypto.randomUUID());
    if (await change({ kind: 'plan.cards', cards: [copied], atMs: nowMs }, w.week.copiedTo(title, to.name))) return;
    setChosen('');
  };
  return (
    <div className="flex items-center gap-2">
      <select
        className="select select-sm h-9 min-w-0 flex-1 pointer-coarse:h-11"
        aria-label={w.week.copyTo}
        data-role="copy-to"
        value={chosen}
        onChange={(event) => setChosen(event.target.value)}
      >
        <option value="">{w.week.copyTo}</option>
        {others.map(({ id, name }) => (
          <option key={id} value={id}>
            {name}
          </option>
        ))}
      </select>
      <button
        type="button"
        className="btn btn-sm btn-square size-9 pointer-coarse:size-11"
        aria-label={w.week.copyNow}
        data-role="copy-now"
        disabled={chosen === ''}
        onClick={() => void copy()}
      >
        <Copy size={16} aria-hidden />
      </button>
    </div>
  );
}
