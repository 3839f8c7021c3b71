'use client';

import { useState } from 'react';
import { Pencil, Plus, X } from 'lucide-react';
import { STEP_KINDS, stepOf, type PracticeStep, type StepKind } from '@/core/homework';
import type { PieceRecord } from '@/data';
import type { ForWhom } from '@/features/shared/pupils/for-whom';
import { Grip, SortableList, useSortableEntry } from '@/features/shared/parts/sortable-list';
import { useWords, type Words } from '@/features/shared/words/use-words';
import { StepForm } from './step-form';
import { useStepList, type StepList } from './use-step-list';
import type { StepNow, Steps } from './use-steps';
import { Checkbox } from '@/features/shared/parts/checkbox';

interface StepsPanelProps {
  readonly piece: PieceRecord;
  readonly whom: ForWhom;
  readonly steps: Steps;
}

/** The steps as the teacher gives them: put into order, taken out, added, changed. */
export function StepsPanel({ piece, whom, steps }: StepsPanelProps) {
  const w = useWords();
  const [edited, setEdited] = useState<string | null>(null);
  const list = useStepList(piece, whom, steps);
  const titleOf = (id: string): string => steps.steps.find(({ step }) => step.id === id)?.title ?? '';
  return (
    <section
      aria-label={w.practice.arrangeSteps}
      className="flex flex-col gap-3 rounded-box border border-base-300 bg-base-100 p-4 text-sm"
      data-role="steps-panel"
    >
      <p className="text-secondary">
        {list.isOwn ? w.practice.stepsAreOwn(list.isForEveryKey ? null : steps.view.key) : w.practice.stepsAreProposed}
      </p>
      <SortableList
        id="steps"
        names={list.steps.map(({ id }) => id)}
        wordsOf={titleOf}
        onOrder={(ids) =>
          list.put(
            ids.flatMap((id) => list.steps.find((step) => step.id === id) ?? []),
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
                list.put(
                  list.steps.filter(({ id }) => id !== one.step.id),
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
                  list.put(
                    list.steps.map((step) => (step.id === one.step.id ? { ...step, ...changed } : step)),
                    w.practice.stepChanged(one.title),
                  )
                }
              />
            </Entry>
          ))}
        </ol>
      </SortableList>
      <Foot list={list} onAdded={setEdited} />
    </section>
  );
}

interface FootProps {
  readonly list: StepList;
  /** Told the step that was added, by its id. */
  readonly onAdded: (id: string) => void;
}

/** One more step; for which keys the list holds; and back to what is proposed. */
function Foot({ list, onAdded }: FootProps) {
  const w = useWords();
  const add = (kind: StepKind): void => {
    const id = crypto.randomUUID();
    list.put([...list.steps, stepOf(kind, { id })], w.practice.stepAdded);
    onAdded(id);
  };
  return (
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
      <label className="flex min-h-9 cursor-pointer items-center gap-2 pointer-coarse:min-h-11">
        <Checkbox
          data-role="steps-every-key"
          checked={list.isForEveryKey}
          onChange={(event) => list.holdFor(event.target.checked ? 'every-key' : 'this-key')}
        />
        {w.practice.inEveryKey}
      </label>
      {list.isOwn ? (
        <button
          type="button"
          className="btn btn-sm h-9 font-normal pointer-coarse:h-11"
          data-role="steps-as-proposed"
          onClick={() => list.put(null, w.practice.asProposedEdit)}
        >
          {w.practice.asProposed}
        </button>
      ) : null}
    </div>
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
