'use client';

import Link from 'next/link';
import { useState } from 'react';
import { Pencil, Plus, Undo2, X } from 'lucide-react';
import type { StagesView, StageView } from '@/core/views';
import { change, type PieceRecord, type PupilRecord, type Settings } from '@/data';
import { useMessages } from '@/features/shared/shell/messages';
import { Grip, SortableList, useSortableEntry } from '@/features/shared/parts/sortable-list';
import { useWords } from '@/features/shared/words/use-words';
import { OwnStageForm } from './own-stage-form';
import { StageOnShelf } from './stage-on-shelf';
import { goToStage } from './stage-rail';
import type { BenchAnswers } from '../use-bench';

interface StagesPanelProps {
  readonly piece: PieceRecord;
  readonly pupil: PupilRecord | null;
  readonly settings: Settings;
  readonly answers: BenchAnswers;
  readonly shown: string | null;
  /** The key that is shown, as `D-major`. */
  readonly keyShown: string;
}

/** The stages of the piece as the teacher gives them: put into order, left out, taken in, made. */
export function StagesPanel({ piece, pupil, settings, answers, shown, keyShown }: StagesPanelProps) {
  const w = useWords();
  const { view } = answers.stages;
  const [edited, setEdited] = useState<string | null>(null);
  if (!view) return <p className="py-2 text-sm text-secondary">{w.stages.lookingForStages}</p>;
  const spare = [...view.left, ...view.others];
  return (
    <div className="flex flex-col gap-2 text-sm" data-role="stages-panel">
      <p className="text-secondary">{w.stages.intro}</p>
      <Order piece={piece} view={view} shown={shown} onEdit={setEdited} />
      <Habit piece={piece} settings={settings} view={view} />
      {spare.length > 0 ? (
        <details className="rounded-box border border-base-300 bg-base-100" data-role="more-stages">
          <summary className="cursor-pointer px-3 py-2 font-semibold">{w.stages.more(spare.length)}</summary>
          <ul aria-label={w.stages.moreStages}>
            {spare.map((stage) => (
              <Spare key={stage.id} piece={piece} stage={stage} isLeft={view.left.includes(stage)} />
            ))}
          </ul>
        </details>
      ) : null}
      <StageOnShelf piece={piece} answers={answers} />
      <OwnStageForm
        key={edited ?? 'new'}
        piece={piece}
        answers={answers}
        edited={piece.ownStages.find(({ id }) => id === edited) ?? null}
        onDone={() => setEdited(null)}
      />
      <Link
        className="link py-2"
        href={`/survey?piece=${encodeURIComponent(piece.id)}&show=stages&to=${encodeURIComponent(keyShown)}${pupil ? `&pupil=${encodeURIComponent(pupil.id)}` : ''}`}
        data-role="stage-table"
      >
        {w.stages.tableOfKeys}
      </Link>
    </div>
  );
}

interface OrderProps {
  readonly piece: PieceRecord;
  readonly view: StagesView;
  readonly shown: string | null;
  readonly onEdit: (id: string) => void;
}

function Order({ piece, view, shown, onEdit }: OrderProps) {
  const w = useWords();
  const { stages } = view;
  return (
    <SortableList
      id="stages"
      names={stages.map(({ id }) => id)}
      wordsOf={(id) => stages.find((stage) => stage.id === id)?.title ?? ''}
      onOrder={(ids) =>
        void change({ kind: 'piece.stages', id: piece.id, change: { stageOrder: [...ids] } }, w.stages.orderEdit)
      }
    >
      <ol className="rounded-box border border-base-300 bg-base-100" aria-label={w.stages.rail}>
        {stages.map((stage, i) => (
          <Entry
            key={stage.id}
            piece={piece}
            stage={stage}
            number={i + 1}
            isShown={stage.id === (shown ?? 'whole')}
            onEdit={onEdit}
          />
        ))}
      </ol>
    </SortableList>
  );
}

interface EntryProps {
  readonly piece: PieceRecord;
  readonly stage: StageView;
  readonly number: number;
  readonly isShown: boolean;
  readonly onEdit: (id: string) => void;
}

function Entry({ piece, stage, number, isShown, onEdit }: EntryProps) {
  const w = useWords();
  const { place, grip } = useSortableEntry(stage.id);
  const { id, title } = stage;
  const own = piece.ownStages.find((one) => one.id === id);
  const leaveOut = (): void =>
    void (own
      ? change({ kind: 'piece.own-stage', id: piece.id, stage: own, as: 'taken' }, w.stages.takenAwayEdit(title))
      : change(
          {
            kind: 'piece.stages',
            id: piece.id,
            change: piece.stagesAdded.includes(id)
              ? { stagesAdded: piece.stagesAdded.filter((other) => other !== id) }
              : { stagesLeft: [...piece.stagesLeft, id] },
          },
          w.stages.leftOutEdit(title),
        ));
  return (
    <li
      {...place}
      className="flex flex-wrap items-start gap-1 border-base-300 px-1 py-1 not-last:border-b"
      data-entry={id}
    >
      <Grip grip={grip} label={w.stages.move(title)} />
      <button
        type="button"
        className="min-h-8 min-w-0 flex-1 cursor-pointer text-left"
        aria-current={isShown ? 'step' : undefined}
        onClick={() => goToStage(id)}
      >
        <span className={isShown ? 'font-semibold underline' : 'font-semibold'}>
          {number}. {title}
        </span>
        <span className="block text-xs text-secondary">{stage.why}</span>
      </button>
      {own ? (
        <button
          type="button"
          className="btn btn-ghost btn-sm btn-square size-8 pointer-coarse:size-11"
          aria-label={w.stages.edit(title)}
          onClick={() => onEdit(id)}
        >
          <Pencil size={14} aria-hidden />
        </button>
      ) : null}
      {id === 'whole' ? null : (
        <button
          type="button"
          className="btn btn-ghost btn-sm btn-square size-8 pointer-coarse:size-11"
          aria-label={own ? w.stages.takeAway(title) : w.stages.leaveOut(title)}
          onClick={leaveOut}
        >
          <X size={14} aria-hidden />
        </button>
      )}
      <Misfits piece={piece} stage={stage} />
    </li>
  );
}

/** What the teacher changed in a stage and that is not in it any more. */
function Misfits({ piece, stage }: { readonly piece: PieceRecord; readonly stage: StageView }) {
  const w = useWords();
  if (stage.misfits.length === 0) return null;
  const letGo = (note: string): void => {
    for (const finger of piece.stageFingers.filter((one) => one.stage === stage.id && one.note === note)) {
      const { pupil, key } = finger;
      void change(
        { kind: 'piece.stage-let-go', id: piece.id, stage: stage.id, whose: { pupil, key }, notes: [note] },
        w.stages.letGoEdit(stage.title),
      );
    }
  };
  return (
    <ul className="basis-full px-2 text-xs" role="status">
      {stage.misfits.map(({ words, note }) => (
        <li key={words + (note ?? '')} className="flex items-center gap-2">
          {words}
          {note === null ? null : (
            <button type="button" className="btn btn-xs h-8 font-normal" onClick={() => letGo(note)}>
              {w.stages.letGo}
            </button>
          )}
        </li>
      ))}
    </ul>
  );
}

interface SpareProps {
  readonly piece: PieceRecord;
  readonly stage: StageView;
  readonly isLeft: boolean;
}

/** A stage that is not on the rail. */
function Spare({ piece, stage: { id, title, why }, isLeft }: SpareProps) {
  const w = useWords();
  const takeIn = (): void =>
    void change(
      {
        kind: 'piece.stages',
        id: piece.id,
        change:
          isLeft && piece.stagesLeft.includes(id)
            ? { stagesLeft: piece.stagesLeft.filter((other) => other !== id) }
            : { stagesAdded: [...piece.stagesAdded, id] },
      },
      w.stages.takenInEdit(title),
    );
  return (
    <li className="flex items-start gap-1 border-t border-base-300 px-3 py-1" data-spare={id}>
      <button type="button" className="min-h-8 min-w-0 flex-1 cursor-pointer text-left" onClick={() => goToStage(id)}>
        <span className="font-semibold">{title}</span>
        <span className="block text-xs text-secondary">{why}</span>
      </button>
      <button
        type="button"
        className="btn btn-ghost btn-sm btn-square size-8 pointer-coarse:size-11"
        aria-label={w.stages.takeIn(title)}
        onClick={takeIn}
      >
        <Plus size={14} aria-hidden />
      </button>
    </li>
  );
}

/** The order of this piece as a habit for all, and back to what is proposed. */
function Habit({
  piece,
  settings,
  view,
}: {
  readonly piece: PieceRecord;
  readonly settings: Settings;
  readonly view: StagesView;
}) {
  const w = useWords();
  const { say } = useMessages();
  const isOwn = piece.stageOrder.length + piece.stagesLeft.length + piece.stagesAdded.length > 0;
  const isHabit = settings.stageOrder.length + settings.stagesLeft.length > 0;
  const keepHabit = (): void => {
    const kinds = [...new Set(view.stages.map(({ kind }) => kind))];
    const left = [...new Set(view.left.map(({ kind }) => kind))].filter((kind) => !kinds.includes(kind));
    void change({ kind: 'settings.change', change: { stageOrder: kinds, stagesLeft: left } }, w.stages.habitEdit).then(
      (refused) => {
        if (!refused) say({ kind: 'done', text: w.stages.habitKept });
      },
    );
  };
  if (!isOwn && !isHabit) return null;
  return (
    <p className="flex flex-wrap gap-1">
      {isOwn ? (
        <>
          <button
            type="button"
            className="btn btn-sm h-9 font-normal"
            data-role="as-proposed"
            onClick={() =>
              void change(
                { kind: 'piece.stages', id: piece.id, change: { stageOrder: [], stagesLeft: [], stagesAdded: [] } },
                w.stages.asProposedEdit,
              )
            }
          >
            <Undo2 size={16} aria-hidden /> {w.stages.asProposed}
          </button>
          <button type="button" className="btn btn-sm h-9 font-normal" data-role="stage-habit" onClick={keepHabit}>
            {w.stages.forAllPieces}
          </button>
        </>
      ) : null}
      {isHabit ? (
        <button
          type="button"
          className="btn btn-sm btn-ghost h-9 font-normal"
          onClick={() =>
            void change({ kind: 'settings.change', change: { stageOrder: [], stagesLeft: [] } }, w.stages.noHabitEdit)
          }
        >
          {w.stages.noHabit}
        </button>
      ) : null}
    </p>
  );
}
