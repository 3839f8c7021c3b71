'use client';

import { useState, type FormEvent } from 'react';
import { EASINGS, type Easing } from '@/core/stages';
import { change, type PieceRecord } from '@/data';
import { useWords, type Words } from '@/features/shared/words/use-words';
import { coreWorker } from '@/workers/client';
import { goToStage } from './stage-rail';
import type { BenchAnswers } from '../use-bench';
import { Checkbox } from '@/features/shared/parts/checkbox';

type Own = PieceRecord['ownStages'][number];

interface OwnStageFormProps {
  readonly piece: PieceRecord;
  readonly answers: BenchAnswers;
  /** The stage that is changed; null for a new one. */
  readonly edited: Own | null;
  readonly onDone: () => void;
}

const NEW: Omit<Own, 'id'> = { title: '', words: '', hand: 'both', bars: null, easings: [] };

/** A stage of the teacher's own: bars, hands, and any ways to make it easier. */
export function OwnStageForm({ piece, answers, edited, onDone }: OwnStageFormProps) {
  const w = useWords();
  const [own, setOwn] = useState<Omit<Own, 'id'>>(edited ?? NEW);
  const [bars, setBars] = useState((edited?.bars ?? []).map(({ bar }) => bar).join(', '));
  const [trouble, setTrouble] = useState<string | null>(null);
  const keep = async (): Promise<void> => {
    const title = own.title.trim();
    if (title === '') return setTrouble(w.stages.needsName);
    const found = await coreWorker().namedBars(answers.source, answers.options, bars);
    if (!found.ok) return setTrouble(`${found.trouble.message} ${found.trouble.hint}`);
    const stage: Own = {
      ...own,
      id: edited?.id ?? crypto.randomUUID(),
      title,
      bars: found.value && found.value.map(({ bar, note }) => ({ bar, note })),
    };
    const label = edited ? w.stages.changedEdit(title) : w.stages.madeEdit(title);
    if (await change({ kind: 'piece.own-stage', id: piece.id, stage, as: 'put' }, label)) return;
    setTrouble(null);
    setOwn(NEW);
    setBars('');
    onDone();
    goToStage(stage.id);
  };
  const submit = (event: FormEvent): void => {
    event.preventDefault();
    void keep();
  };
  return (
    <details open={edited !== null} className="rounded-box border border-base-300 bg-base-100" data-role="own-stage">
      <summary className="cursor-pointer px-3 py-2 font-semibold">
        {edited ? w.stages.ownStage : w.stages.newOwn}
      </summary>
      <form className="flex flex-col gap-2 px-3 pb-3" onSubmit={submit}>
        <OwnFields own={own} bars={bars} onOwn={setOwn} onBars={setBars} />
        {trouble === null ? null : (
          <p role="alert" className="text-error">
            {trouble}
          </p>
        )}
        <span className="flex gap-2">
          <button type="submit" className="btn btn-primary btn-sm h-9">
            {edited ? w.stages.change : w.stages.make}
          </button>
          {edited ? (
            <button type="button" className="btn btn-ghost btn-sm h-9 font-normal" onClick={onDone}>
              {w.stages.cancel}
            </button>
          ) : null}
        </span>
      </form>
    </details>
  );
}

interface OwnFieldsProps {
  readonly own: Omit<Own, 'id'>;
  readonly bars: string;
  readonly onOwn: (own: Omit<Own, 'id'>) => void;
  readonly onBars: (bars: string) => void;
}

function OwnFields({ own, bars, onOwn, onBars }: OwnFieldsProps) {
  const w = useWords();
  return (
    <>
      <Field label={w.stages.name}>
        <input
          className="input input-sm h-9 w-full"
          name="title"
          maxLength={60}
          placeholder={w.stages.nameExample('3–4')}
          value={own.title}
          onChange={(event) => onOwn({ ...own, title: event.target.value })}
        />
      </Field>
      <Field label={w.stages.bars}>
        <input
          className="input input-sm h-9 w-full"
          name="bars"
          placeholder={w.stages.barsExample}
          value={bars}
          onChange={(event) => onBars(event.target.value)}
        />
      </Field>
      <Field label={w.stages.hand}>
        <select
          className="select select-sm h-9 w-full"
          name="hand"
          value={own.hand}
          onChange={(event) => onOwn({ ...own, hand: event.target.value as Own['hand'] })}
        >
          {handNames(w).map(([hand, words]) => (
            <option key={hand} value={hand}>
              {words}
            </option>
          ))}
        </select>
      </Field>
      <fieldset className="flex flex-col">
        <legend className="text-xs text-secondary">{w.stages.easier}</legend>
        {EASINGS.map((easing) => (
          <label key={easing} className="flex min-h-8 cursor-pointer items-center gap-2 pointer-coarse:min-h-11">
            <Checkbox
              data-easing={easing}
              checked={own.easings.includes(easing)}
              onChange={() => onOwn({ ...own, easings: toggled(own.easings, easing) })}
            />
            {easingNames(w)[easing]}
          </label>
        ))}
      </fieldset>
      <Field label={w.stages.words}>
        <input
          className="input input-sm h-9 w-full"
          name="words"
          maxLength={300}
          placeholder={w.stages.wordsExample}
          value={own.words}
          onChange={(event) => onOwn({ ...own, words: event.target.value })}
        />
      </Field>
    </>
  );
}

const easingNames = (w: Words): Readonly<Record<Easing, string>> => ({
  'one-place': w.stages.onePlace,
  beats: w.stages.beats,
  'split-octave': w.stages.splitOctave,
  blocked: w.stages.blocked,
  roots: w.stages.roots,
  long: w.stages.long,
  tapping: w.stages.tapping,
});

const handNames = (w: Words): readonly (readonly [Own['hand'], string])[] => [
  ['both', w.stages.both],
  ['right', w.stages.right],
  ['left', w.stages.left],
];

function Field({ label, children }: { readonly label: string; readonly children: React.ReactNode }) {
  return (
    <label className="flex flex-col">
      <span className="text-xs text-secondary">{label}</span>
      {children}
    </label>
  );
}

/** Ways are joined in the order in which they are listed: what is folded in first can be blocked then. */
function toggled(easings: readonly Easing[], easing: Easing): Easing[] {
  return EASINGS.filter((one) => (one === easing ? !easings.includes(one) : easings.includes(one)));
}
