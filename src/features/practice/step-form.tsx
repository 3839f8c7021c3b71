'use client';

import { useId, useMemo, useState, type ReactNode } from 'react';
import { STEP_OPENINGS, STEP_WAYS, type PracticeStep, type StepOpening, type StepWay } from '@/core/homework';
import { fifteenKeys, keyText, parseKey } from '@/core/pitch';
import type { Hand } from '@/core/score';
import type { PieceRecord } from '@/data';
import type { ForWhom } from '@/features/shared/pupils/for-whom';
import { stagesKeptOf } from '@/features/shared/pieces/stage-source';
import { useAnswer } from '@/features/shared/parts/use-answer';
import { useSame } from '@/features/shared/parts/use-same';
import { useWords } from '@/features/shared/words/use-words';
import { coreWorker } from '@/workers/client';
import { BarsChoice } from './bars-choice';
import { FASTEST, SLOWEST } from './practice-address';
import { usePractisedPiece } from './use-practised';

interface StepFormProps {
  readonly piece: PieceRecord;
  readonly whom: ForWhom;
  readonly step: PracticeStep;
  /** The bars of the piece by their printed numbers. */
  readonly bars: readonly string[];
  /** The key that the list of steps is for. */
  readonly keyText: string;
  readonly onChange: (changed: Partial<PracticeStep>) => void;
}

const SELECT = 'select select-sm h-9 w-full pointer-coarse:h-11';

/** What a step is: every choice counts at once, and can be taken back. */
export function StepForm({ piece, whom, step, bars, keyText: listKey, onChange }: StepFormProps) {
  const w = useWords();
  const stages = useStageTitles(piece, whom, listKey);
  const mode = parseKey(listKey, 'major')?.mode ?? 'major';
  return (
    <div className="grid gap-3 p-2 sm:grid-cols-2 md:grid-cols-3" data-role="step-form">
      <Choice
        label={w.practice.how}
        role="step-way"
        value={step.way}
        choices={STEP_WAYS.map((way) => [way, w.practice.stepWays[way]] as const)}
        onChoose={(way) => onChange({ way: way as StepWay })}
      />
      <Choice
        label={w.practice.hand}
        role="step-hand"
        value={step.hand}
        choices={(['both', 'right', 'left'] as const).map((hand) => [hand, w.practice.hands[hand]] as const)}
        onChoose={(hand) => onChange({ hand: hand as Hand | 'both' })}
      />
      <BarsChoice numbers={bars} bars={step.bars} onChoose={(chosen) => onChange({ bars: chosen })} />
      <Choice
        label={w.practice.stage}
        role="step-stage"
        value={step.stage ?? ''}
        choices={[['', w.practice.stageOfList], ...stages]}
        onChoose={(stage) => onChange({ stage: stage === '' ? null : stage })}
      />
      <Choice
        label={w.practice.keyOfStep}
        role="step-key"
        value={step.key ?? ''}
        choices={[
          ['', w.practice.keyOfList],
          ...fifteenKeys(mode).map((key) => [keyText(key), w.says.key(key)] as const),
        ]}
        onChoose={(key) => onChange({ key: key === '' ? null : key })}
      />
      <TempoOfStep key={step.tempo} tempo={step.tempo} onChoose={(tempo) => onChange({ tempo })} />
      <Choice
        label={w.practice.timesOfStep}
        role="step-times"
        value={String(step.times)}
        choices={TIMES.map((times) => [String(times), String(times)] as const)}
        onChoose={(times) => onChange({ times: Number(times) })}
      />
      <Choice
        label={w.practice.opensWhen}
        role="step-opens"
        value={step.opens}
        choices={STEP_OPENINGS.map((opens) => [opens, w.practice.openings[opens]] as const)}
        onChoose={(opens) => onChange({ opens: opens as StepOpening })}
      />
      <label className="flex flex-col gap-1 sm:col-span-2 md:col-span-3">
        <span className="font-semibold">{w.practice.wordsOfStep}</span>
        <input
          key={step.words}
          className="input input-sm h-9 w-full pointer-coarse:h-11"
          data-role="step-words"
          defaultValue={step.words}
          maxLength={300}
          placeholder={w.practice.wordsOfKind}
          onBlur={(event) => {
            if (event.target.value.trim() !== step.words) onChange({ words: event.target.value.trim() });
          }}
        />
      </label>
    </div>
  );
}

/** How fast: what is passed over while it is dragged is no edit. */
function TempoOfStep({ tempo, onChoose }: { readonly tempo: number; readonly onChoose: (tempo: number) => void }) {
  const w = useWords();
  const [dragged, setDragged] = useState(tempo);
  const choose = (): void => {
    if (dragged !== tempo) onChoose(dragged);
  };
  return (
    <label className="flex flex-col gap-1">
      <span className="font-semibold">{w.practice.tempoOfStep(dragged)}</span>
      <input
        type="range"
        min={SLOWEST}
        max={FASTEST}
        step={5}
        value={dragged}
        data-role="step-tempo"
        className="h-9 accent-[var(--color-primary)]"
        onChange={(event) => setDragged(Number(event.target.value))}
        onPointerUp={choose}
        onKeyUp={choose}
        onBlur={choose}
      />
    </label>
  );
}

const TIMES = [1, 2, 3, 4, 5] as const;

interface ChoiceProps {
  readonly label: string;
  readonly role: string;
  readonly value: string;
  readonly choices: readonly (readonly [string, ReactNode])[];
  readonly onChoose: (value: string) => void;
}

function Choice({ label, role, value, choices, onChoose }: ChoiceProps) {
  const id = useId();
  return (
    <div className="flex min-w-0 flex-1 flex-col gap-1">
      <label className="font-semibold" htmlFor={id}>
        {label}
      </label>
      <select
        id={id}
        className={SELECT}
        data-role={role}
        value={value}
        onChange={(event) => onChoose(event.target.value)}
      >
        {choices.map(([name, words]) => (
          <option key={name} value={name}>
            {words}
          </option>
        ))}
      </select>
    </div>
  );
}

/** The stages that a step can be played in, by what they are called. */
function useStageTitles(piece: PieceRecord, whom: ForWhom, key: string): readonly (readonly [string, string])[] {
  const { source, options } = usePractisedPiece(piece, whom, { key, stage: null });
  const kept = useSame(stagesKeptOf(piece, whom.pupil, whom.settings));
  const ask = useMemo(() => () => coreWorker().stages(source, options, kept), [source, options, kept]);
  const { value } = useAnswer(`${piece.id}/${key}`, ask);
  return value?.stages.map(({ id, title }) => [id, title] as const) ?? [];
}
