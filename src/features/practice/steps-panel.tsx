'use client';

import { useState } from 'react';
import { Pencil, Plus, X } from 'lucide-react';
import { STEP_KINDS, stepOf, type PracticeStep, type StepKind } from '@/core/homework';
import { change, type PieceRecord } from '@/data';
import type { ForWhom } from '@/features/shared/for-whom';
import { Grip, SortableList, useSortableEntry } from '@/features/shared/sortable-list';
import { useWords, type Words } from '@/features/shared/words/use-words';
import { StepForm } from './step-form';
import { keptFor, type StepNow, type Steps } from './use-steps';

interface StepsPanelProps {
  readonly piece: PieceRecord;
  readonly whom: ForWhom;
  readonly steps: Steps;
}

/** The steps as the teacher gives them: put into order, taken out, added, changed. */
export function StepsPanel({ piece, whom, steps }: StepsPanelProps) {
  const w = useWords();
  const [edited, setEdited] = useState<string | null>(null);
  const list = steps.steps.map(({ step }) => step);
  const found = keptFor(piece, whom.pupil, steps.view.keyText);
  const whose = found ?? { pupil: whom.pupil?.id ?? null, key: steps.view.keyText };
  const put = (wanted: readonly PracticeStep[] | null, words: string): void =>
    void change(
      { kind: 'piece.homework', id: piece.id, whose: { pupil: whose.pupil, key: whose.key }, steps: wanted },
      words,
    );
  const add = (kind: StepKind): void => {
    const id = crypto.randomUUID();
    put([...list, stepOf(kind, { id })], w.practice.stepAdded);
    setEdited(id);
  };
  return (
    <section
      aria-label={w.practice.arrangeSteps}
      className="flex flex-col gap-3 rounded-box border border-base-300 bg-base-100 p-4 text-sm"
      data-role="steps-panel"
    >
      <p className="text-secondary">
        {found ? w.practice.stepsAreOwn(whose.key === null ? null : steps.view.key) : w.practice.stepsAreProposed}
      </p>
      <SortableList
        id="steps"
        names={list.map(({ id }) => id)}
        wordsOf={(id) => steps.steps.find(({ step }) => step.id === id)?.title ?? ''}
        onOrder={(ids) =>
          put(
            ids.flatMap((id) => list.find((step) => step.id === id) ?? []),
            w.practice.stepsOrdered,
          )
        }
      >
        <ol className="rounded-box border border-base-300">
          {steps.steps.map((one) => (
            <Entry
              key={one.step.id}
              one={one}
              isEdited={one.step.id === edited}
              onEdit={() => setEdited(edited === one.step.id ? null : one.step.id)}
              onRemove={() =>
                put(
                  list.filter(({ id }) => id !== one.step.id),
                  w.practice.stepRemoved(one.title),
                )
              }
            >
              <StepForm
                piece={piece}
                whom={whom}
                step={one.step}
                bars={steps.view.bars}
                keyText={steps.view.keyText}
                onChange={(changed) =>
                  put(
                    list.map((step) => (step.id === one.step.id ? { ...step, ...changed } : step)),
                    w.practice.stepChanged(one.title),
                  )
                }
              />
            </Entry>
          ))}
        </ol>
      </SortableList>
      <div className="flex flex-wrap items-center gap-2">
        <label className="flex items-center gap-2">
          <Plus size={16} aria-hidden /> {w.practice.addStep}
          <select
            className="select select-sm h-9 w-auto pointer-coarse:h-11"
            data-role="add-step"
            value=""
            onChange={(event) => add(event.target.value as StepKind)}
          >
            <option value="" disabled>
              {w.practice.whichStep}
            </option>
            {STEP_KINDS.map((kind) => (
              <option key={kind} value={kind}>
                {w.practice.stepKinds[kind]}
              </option>
            ))}
          </select>
        </label>
        {found ? (
          <button
            type="button"
            className="btn btn-sm h-9 font-normal pointer-coarse:h-11"
            data-role="steps-as-proposed"
            onClick={() => put(null, w.practice.asProposedEdit)}
          >
            {w.practice.asProposed}
          </button>
        ) : null}
      </div>
    </section>
  );
}

/** What is asked of a step, in a line. */
function factsOf(w: Words, { way, tempo, times, opens }: PracticeStep): string {
  const asked = way === 'tick' ? w.practice.stepWays.tick : w.practice.stepAsked(tempo, times);
  return [asked, ...(opens === 'any-time' ? [w.practice.openAnyTime] : [])].join(', ');
}

interface EntryProps {
  readonly one: StepNow;
  readonly isEdited: boolean;
  readonly onEdit: () => void;
  readonly onRemove: () => void;
  readonly children: React.ReactNode;
}

function Entry({ one: { step, title, number }, isEdited, onEdit, onRemove, children }: EntryProps) {
  const w = useWords();
  const { place, grip } = useSortableEntry(step.id);
  return (
    <li {...place} className="border-base-300 px-1 py-1 not-last:border-b" data-entry={step.id}>
      <div className="flex items-center gap-1">
        <Grip grip={grip} label={w.stages.move(title)} />
        <span className="min-w-0 flex-1">
          {number}. {title}
          <span className="block text-xs text-secondary">{factsOf(w, step)}</span>
        </span>
        <button
          type="button"
          className="btn btn-ghost btn-sm btn-square size-9 pointer-coarse:size-11"
          aria-expanded={isEdited}
          aria-label={w.practice.editStep(title)}
          data-role="edit-step"
          onClick={onEdit}
        >
          <Pencil size={16} aria-hidden />
        </button>
        <button
          type="button"
          className="btn btn-ghost btn-sm btn-square size-9 pointer-coarse:size-11"
          aria-label={w.practice.removeStep(title)}
          data-role="remove-step"
          onClick={onRemove}
        >
          <X size={16} aria-hidden />
        </button>
      </div>
      {isEdited ? children : null}
    </li>
  );
}
