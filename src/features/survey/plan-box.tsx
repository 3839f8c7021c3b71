'use client';

import Link from 'next/link';
import { ListPlus, X } from 'lucide-react';
import { parseKey } from '@/core/pitch';
import { change, usePlan, type PieceRecord, type PlanEntry, type PupilRecord } from '@/data';
import { addressOf } from '@/features/shared/address/address-of';
import { stageTitleOf } from '@/features/shared/pieces/stage-title';
import { HandOverMenu } from '@/features/shared/teaching/hand-over-menu';
import { useMessages } from '@/features/shared/shell/messages';
import { pieceTitle } from '@/features/shared/pieces/piece-title';
import type { RankedKey } from './ranked';
import { useWords, type Words } from '@/features/shared/words/use-words';

interface PlanBoxProps {
  readonly piece: PieceRecord;
  readonly pupil: PupilRecord | null;
  readonly keys: readonly RankedKey[];
  readonly chosen: readonly string[];
  readonly onClear: () => void;
}

/** What is chosen goes into the pupil's plan, in the order in which it was chosen. */
export function PlanBox({ piece, pupil, keys, chosen, onClear }: PlanBoxProps) {
  const w = useWords();
  const { say } = useMessages();
  const plan = usePlan(pupil?.id ?? null) ?? [];
  const planned = plan.flatMap((entry) =>
    entry.piece === piece.id && entry.key !== null ? [{ ...entry, key: entry.key }] : [],
  );
  const words = (name: string): string => keys.find((key) => key.name === name)?.words ?? wordsOf(w, name);
  const add = async (): Promise<void> => {
    if (!pupil) return;
    const label = w.survey.planEdit(pieceTitle(piece), chosen.map(words).join(', '), pupil.name);
    const added = chosen.filter((key) => !planned.some((entry) => entry.key === key && entry.stage === null));
    if (
      await change(
        {
          kind: 'plan.add',
          pupil: pupil.id,
          piece: piece.id,
          keys: chosen.map((key) => ({ id: crypto.randomUUID(), key })),
          atMs: Date.now(),
        },
        label,
      )
    )
      return;
    say({
      kind: 'done',
      text:
        added.length === 0
          ? w.survey.hasTheseKeysOfPiece(pupil.name)
          : w.survey.putIntoPlan(added.map(words).join(', '), pupil.name),
    });
    onClear();
  };
  if (chosen.length === 0 && planned.length === 0) {
    return <p className="mt-3 text-sm text-secondary print:hidden">{w.survey.chooseKeysToSeeThem}</p>;
  }
  return (
    <section
      aria-label={w.survey.plan}
      className="sticky bottom-0 z-10 mt-3 flex flex-wrap items-center gap-x-4 gap-y-2 rounded-box border border-base-300 bg-base-100 px-4 py-2 text-sm shadow-lg print:static print:shadow-none"
      data-role="plan"
    >
      {chosen.length > 0 ? (
        <>
          <span className="font-semibold">{w.survey.chosen(chosen.map(words).join(', '))}</span>
          {pupil ? (
            <button
              type="button"
              className="btn btn-primary btn-sm h-9"
              data-role="put-into-plan"
              onClick={() => void add()}
            >
              <ListPlus size={16} aria-hidden /> {w.survey.putIntoPlanButton(pupil.name)}
            </button>
          ) : (
            <span className="text-secondary">{w.survey.choosePupilAboveToPut}</span>
          )}
          <button type="button" className="btn btn-ghost btn-sm h-9 font-normal" onClick={onClear}>
            {w.survey.chooseNone}
          </button>
        </>
      ) : null}
      {pupil && planned.length > 0 ? <Planned {...{ piece, pupil, planned }} wordsOfKey={words} /> : null}
    </section>
  );
}

interface PlannedProps {
  readonly piece: PieceRecord;
  readonly pupil: PupilRecord;
  readonly planned: readonly (PlanEntry & { readonly key: string })[];
  readonly wordsOfKey: (key: string) => string;
}

/** What the pupil has to learn of this piece already: each the way to its steps of practice. */
function Planned({ piece, pupil, planned, wordsOfKey }: PlannedProps) {
  const w = useWords();
  return (
    <span className="flex flex-wrap items-center gap-1" data-role="planned">
      {w.survey.planOf(pupil.name)}
      {planned.map((entry) => (
        <span key={entry.id} className="flex items-center rounded-field border border-base-300 pl-2">
          <Link
            className="link flex min-h-8 items-center"
            data-role="practise-planned"
            title={w.survey.practisePlanned}
            href={addressOf('/practice', {
              piece: piece.id,
              key: entry.key,
              stage: entry.stage,
              pupil: pupil.id,
              step: 'next',
            })}
          >
            {entry.stage === null
              ? wordsOfKey(entry.key)
              : w.stages.step(stageTitleOf(w, piece, entry.stage), wordsOfKey(entry.key))}
          </Link>
          <button
            type="button"
            className="btn btn-ghost btn-sm btn-square size-8"
            aria-label={w.survey.takeOutOfPlan(wordsOfKey(entry.key))}
            onClick={() =>
              void change(
                { kind: 'plan.remove', ids: [entry.id] },
                w.survey.takenOutOfPlan(wordsOfKey(entry.key), pupil.name),
              )
            }
          >
            <X size={14} aria-hidden />
          </button>
        </span>
      ))}
      <HandOverMenu pupil={pupil} week={null} />
      <Link
        className="link flex min-h-8 items-center px-2"
        data-role="to-weeks"
        href={addressOf('/week', { pupil: pupil.id })}
      >
        {w.pupils.weeks}
      </Link>
      <Link
        className="link flex min-h-8 items-center px-2"
        data-role="to-record"
        href={addressOf('/record', { pupil: pupil.id })}
      >
        {w.practice.record}
      </Link>
    </span>
  );
}

function wordsOf(w: Words, name: string): string {
  const key = parseKey(name, 'major');
  return key ? w.says.key(key) : name;
}
