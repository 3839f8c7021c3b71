'use client';

import { useState } from 'react';
import type { BenchView, NotesOfKindView } from '@/core/views';
import { MARK_KINDS, type MarkKind } from '@/core/annotate';
import { ChevronDown } from 'lucide-react';
import { FoldOut } from '@/features/shared/parts/fold-out';
import type { DecisionActions } from '../beside/use-decide';
import { useWords, type Words } from '@/features/shared/words/use-words';

interface MarkEveryProps {
  readonly view: BenchView;
  readonly marks: readonly { readonly kind: MarkKind; readonly note: string }[];
  readonly actions: DecisionActions;
}

const groups = (w: Words): readonly (readonly [NotesOfKindView['by'], string])[] => [
  ['letter', w.notes.byLetters],
  ['pitch', w.notes.byKeys],
  ['finger', w.notes.byFingers],
  ['interval', w.notes.reachedBy],
  ['black', w.notes.blackKeys],
  ['guide', w.notes.guideNotes],
];

/** Finds and counts every note of a kind, and marks them all: every F♯, every finger 4, every skip. */
export function MarkEvery({ view, marks, actions }: MarkEveryProps) {
  const w = useWords();
  const [at, setAt] = useState(0);
  const [kind, setKind] = useState<MarkKind>('ring');
  const find = view.notesOfKind[at] ?? view.notesOfKind[0];
  const areMarked =
    find !== undefined && find.noteIds.every((id) => marks.some((mark) => mark.kind === kind && mark.note === id));
  return (
    <FoldOut
      summary={
        <>
          {w.notes.ringEveryCount(marks.length)} <ChevronDown size={16} aria-hidden />
        </>
      }
      className="btn btn-sm h-9 px-2.5 font-normal whitespace-nowrap"
      role="mark-every"
      side="left"
      width="w-72"
    >
      <div className="flex flex-col gap-2 p-3">
        <label className="flex items-center justify-between gap-2">
          {w.notes.every}
          <select
            className="select select-sm h-9 w-52"
            data-role="find"
            value={at}
            onChange={(event) => setAt(event.target.selectedIndex)}
          >
            {groups(w).map(([by, words]) => (
              <optgroup key={by} label={words}>
                {view.notesOfKind.map((one, i) =>
                  one.by === by ? (
                    <option key={`${by}/${one.words}`} value={i}>
                      {one.words} ({one.noteIds.length})
                    </option>
                  ) : null,
                )}
              </optgroup>
            ))}
          </select>
        </label>
        <label className="flex items-center justify-between gap-2">
          {w.notes.gets}
          <select
            className="select select-sm h-9 w-52"
            data-role="mark-kind"
            value={kind}
            onChange={(event) => setKind(MARK_KINDS[event.target.selectedIndex] ?? 'ring')}
          >
            {MARK_KINDS.filter((one) => one !== 'words').map((one) => (
              <option key={one} value={one}>
                {w.says.markNames[one]}
              </option>
            ))}
          </select>
        </label>
        {find ? (
          <button
            type="button"
            className="btn btn-primary btn-sm h-9"
            onClick={() => actions.mark(kind, find.noteIds, '', w.bench.everyMarked(find.words))}
          >
            {areMarked ? w.notes.rubOutAll(find.noteIds.length) : w.notes.markAll(find.noteIds.length)}
          </button>
        ) : null}
      </div>
    </FoldOut>
  );
}
