'use client';

import { TriangleAlert } from 'lucide-react';
import {
  change,
  isOf,
  useConflicts,
  usePiecesOf,
  usePlan,
  type Conflict,
  type PieceRecord,
  type PlanEntry,
  type PupilRecord,
} from '@/data';
import { pieceTitle } from '@/features/shared/pieces/piece-title';
import { cardTitle } from '@/features/shared/teaching/card-title';
import { useSame } from '@/features/shared/parts/use-same';
import { useWords, type Words } from '@/features/shared/words/use-words';

/** What was changed here and on a pupil’s device without either knowing: both are shown, and the teacher chooses. */
export function ConflictsBox({ pupil }: { readonly pupil: PupilRecord }) {
  const w = useWords();
  const conflicts = useConflicts();
  const plan = usePlan(pupil.id);
  const pieceIds = useSame([
    ...new Set([
      ...(plan ?? []).flatMap(({ piece }) => piece ?? []),
      ...(conflicts ?? []).filter(({ table }) => table === 'pieces').map(({ id }) => id),
    ]),
  ]);
  const pieces = usePiecesOf(pieceIds);
  if (!conflicts || !plan || !pieces) return null;
  const own = conflicts.filter(
    ({ table, id }) =>
      (table === 'pupils' && id === pupil.id) ||
      (table === 'plan' && plan.some((card) => card.id === id)) ||
      (table === 'lessons' && isOf({ table, id }, undefined, pupil.id)) ||
      (table === 'pieces' && plan.some((card) => card.piece === id)),
  );
  if (own.length === 0) return null;
  return (
    <section
      aria-label={w.pupils.bothChanged}
      className="mb-4 flex flex-col gap-2 rounded-box border-2 border-warning bg-base-100 p-3"
      data-role="conflicts"
    >
      <h2 className="flex items-center gap-2 font-semibold">
        <TriangleAlert size={18} aria-hidden /> {w.pupils.bothChanged}
      </h2>
      <p className="text-sm">{w.pupils.bothChangedMeans}</p>
      <ul className="flex flex-col gap-2">
        {own.map((conflict) => (
          <ConflictLine
            key={`${conflict.table}/${conflict.id}/${conflict.field.join('/')}`}
            conflict={conflict}
            what={whatItIs(w, conflict, { pupil, plan, pieces })}
          />
        ))}
      </ul>
    </section>
  );
}

interface Known {
  readonly pupil: PupilRecord;
  readonly plan: readonly PlanEntry[];
  readonly pieces: readonly PieceRecord[];
}

/** What two devices changed: of which record, and which field of it. */
function whatItIs(w: Words, { table, id, field }: Conflict, { pupil, plan, pieces }: Known): string {
  const pieceOf = (piece: string | null): PieceRecord | null => pieces.find((one) => one.id === piece) ?? null;
  const card = plan.find((one) => one.id === id);
  const piece = pieceOf(id);
  const record =
    table === 'plan' && card
      ? cardTitle(w, card, pieceOf(card.piece))
      : table === 'pieces' && piece
        ? pieceTitle(piece)
        : table === 'lessons'
          ? w.pupils.lessonOf(pupil.name)
          : pupil.name;
  const name = field[0] ?? '';
  const fields: Readonly<Record<string, string>> = w.pupils.conflictFields;
  return w.pupils.conflictIn(fields[name] ?? w.pupils.somethingElse, record);
}

function ConflictLine({ conflict, what }: { readonly conflict: Conflict; readonly what: string }) {
  const w = useWords();
  const { table, id, field, values } = conflict;
  const isWhole = field.length === 0;
  return (
    <li className="flex flex-wrap items-center gap-2 text-sm" data-conflict={field[0] ?? 'record'}>
      <span className="font-semibold">{what}</span>
      {values.map((value, i) => (
        <button
          key={JSON.stringify(value) ?? ''}
          type="button"
          className="btn btn-sm h-auto min-h-9 max-w-80 py-1 text-left font-normal pointer-coarse:min-h-11"
          data-choose={i}
          onClick={() =>
            void change({ kind: 'studio.settle', place: { table, id }, field, value }, w.pupils.chosen(what))
          }
        >
          {isWhole
            ? value === true
              ? w.pupils.keepRecord
              : w.pupils.takeRecordOut
            : i === 0
              ? w.pupils.here(shown(w, value))
              : w.pupils.there(shown(w, value))}
        </button>
      ))}
    </li>
  );
}

const MOST_SHOWN = 60;

/** A value as it can be told from another one. */
function shown(w: Words, value: unknown): string {
  if (value === undefined || value === null || value === '') return w.pupils.nothing;
  const text = typeof value === 'string' || typeof value === 'number' ? String(value) : JSON.stringify(value);
  return text.length > MOST_SHOWN ? `${text.slice(0, MOST_SHOWN - 1)}…` : text;
}
