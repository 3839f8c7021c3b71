'use client';

import Link from 'next/link';
import { useMemo } from 'react';
import { Check, KeyRound, ListPlus, Minus } from 'lucide-react';
import { parseKey } from '@/core/pitch';
import { change, usePlan, type PieceRecord } from '@/data';
import type { ForWhom } from '@/features/shared/pupils/for-whom';
import { useMessages } from '@/features/shared/shell/messages';
import type { PieceOptions } from '@/features/shared/pieces/piece-options';
import { pieceTitle } from '@/features/shared/pieces/piece-title';
import { stagesKeptOf } from '@/features/shared/pieces/stage-source';
import { changeQuery } from '@/features/shared/address/use-query';
import { useSame } from '@/features/shared/parts/use-same';
import { useWords, type Words } from '@/features/shared/words/use-words';
import type { StageRowView, WayStepView } from '@/contract/core-questions';
import { useStageTable, type StageTableState } from './use-stage-table';

interface StagesByKeyProps {
  readonly piece: PieceRecord;
  readonly whom: ForWhom;
  readonly asked: PieceOptions;
  /** The key in which the whole is wanted; null for the piece's own. */
  readonly to: string | null;
  /** The key in which the piece stands, once it is known. */
  readonly own: string | null;
}

/** Which stage in which key can be played today, and the way to the whole piece. */
export function StagesByKey({ piece, whom, asked, to, own }: StagesByKeyProps) {
  const { settings, pupil } = whom;
  const kept = useSame(stagesKeptOf(piece, pupil, settings));
  // Where nobody is named, the key of the piece is the one that is known.
  const known = useSame(pupil ? pupil.keysKnown : own === null ? [] : [own]);
  const question = useMemo(
    () => (own === null ? null : { source: asked.source, options: { ...asked.options, to: to ?? own }, kept, known }),
    [asked, to, own, kept, known],
  );
  const state = useStageTable(question);
  return (
    <div className="flex flex-col gap-4" data-role="stages-by-key" data-whole={state.table !== null}>
      {state.trouble ? (
        <p role="alert" className="text-error">
          {state.trouble.message} {state.trouble.hint}
        </p>
      ) : null}
      <Table piece={piece} rows={state.rows} known={known} />
      {own === null ? null : <Way piece={piece} whom={whom} state={state} wanted={to ?? own} />}
    </div>
  );
}

type State = 'today' | 'new-key' | 'beyond';

function stateOf(limits: number, isKnown: boolean): State {
  if (limits > 0) return 'beyond';
  return isKnown ? 'today' : 'new-key';
}

const stateWords = (w: Words): Readonly<Record<State, string>> => ({
  today: w.stages.today,
  'new-key': w.stages.newKey,
  beyond: w.stages.beyond,
});

const ICONS: Readonly<Record<State, typeof Check>> = { today: Check, 'new-key': KeyRound, beyond: Minus };

interface TableProps {
  readonly piece: PieceRecord;
  readonly rows: readonly StageRowView[];
  readonly known: readonly string[];
}

/** The stages down, the keys across: what can be played today is dark and has a tick, what waits for its key is light, what asks too much is a line. */
function Table({ piece, rows, known }: TableProps) {
  const w = useWords();
  const keys = rows[0]?.keys.map(({ key }) => key) ?? [];
  if (rows.length === 0) return <p role="status">{w.stages.lookingForStages}</p>;
  return (
    <div
      className="overflow-x-auto rounded-box border border-base-300 bg-base-100"
      tabIndex={0}
      role="region"
      aria-label={w.stages.tableOfKeys}
    >
      <table className="w-full border-collapse text-sm">
        <thead>
          <tr className="border-b border-base-300">
            <th scope="col" className="px-3 py-2 text-left font-semibold">
              {w.stages.stage}
            </th>
            {keys.map((key) => (
              <th key={key} scope="col" className="px-1 py-2 text-center font-serif text-base font-semibold">
                {shortKey(w, key)}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map((row, i) => (
            <tr key={row.id} className="border-base-300 not-last:border-b" data-stage-row={row.id}>
              <th scope="row" className="max-w-72 px-3 py-1 text-left font-normal" title={row.why}>
                {i + 1}. {row.title}
              </th>
              {row.keys.map(({ key, limits }) => (
                <td key={key} className="p-0.5 text-center">
                  <Cell
                    piece={piece}
                    row={row}
                    name={key}
                    state={stateOf(limits, !row.needsKey || known.includes(key))}
                  />
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
      <p className="flex flex-wrap gap-x-6 border-t border-base-300 px-3 py-2 text-xs text-secondary">
        {(['today', 'new-key', 'beyond'] as const).map((state) => (
          <span key={state} className="flex items-center gap-1.5">
            <Mark state={state} /> {stateWords(w)[state]}
          </span>
        ))}
      </p>
    </div>
  );
}

interface CellProps {
  readonly piece: PieceRecord;
  readonly row: StageRowView;
  readonly name: string;
  readonly state: State;
}

function Cell({ piece, row, name, state }: CellProps) {
  const w = useWords();
  const stage = row.id === 'whole' ? '' : `&stage=${encodeURIComponent(row.id)}`;
  return (
    <Link
      href={`/bench?piece=${encodeURIComponent(piece.id)}&key=${encodeURIComponent(name)}${stage}`}
      data-state={state}
      data-key={name}
      aria-label={w.stages.cell(row.title, wordsOf(w, name), stateWords(w)[state])}
      title={w.stages.cell(row.title, wordsOf(w, name), stateWords(w)[state])}
      className="inline-flex min-h-8 min-w-8 items-center justify-center rounded-field hover:outline-2 hover:outline-primary pointer-coarse:min-h-11 pointer-coarse:min-w-11"
    >
      <Mark state={state} />
    </Link>
  );
}

function Mark({ state }: { readonly state: State }) {
  const Icon = ICONS[state];
  const look = {
    today: 'bg-neutral text-neutral-content',
    'new-key': 'border border-secondary text-secondary',
    beyond: 'text-secondary',
  }[state];
  return (
    <span aria-hidden className={`inline-flex size-6 items-center justify-center rounded-field ${look}`}>
      <Icon size={14} />
    </span>
  );
}

interface WayProps {
  readonly piece: PieceRecord;
  readonly whom: ForWhom;
  readonly state: StageTableState;
  readonly wanted: string;
}

/** The steps from what is known to the whole piece, each with what is new in it; one press puts them into the pupil's plan. */
function Way({ piece, whom, state, wanted }: WayProps) {
  const w = useWords();
  const { table } = state;
  return (
    <section
      aria-label={w.stages.way}
      className="rounded-box border border-base-300 bg-base-100 px-4 py-3"
      data-role="way"
    >
      <label className="flex flex-wrap items-center gap-2 font-semibold">
        {w.stages.wayTo}
        <select
          className="select select-sm h-9 w-36 font-normal"
          data-role="way-to"
          value={wanted}
          onChange={(event) => changeQuery({ to: event.target.value }, 'replace')}
        >
          {(table?.keys ?? [wanted]).map((key) => (
            <option key={key} value={key}>
              {wordsOf(w, key)}
            </option>
          ))}
        </select>
      </label>
      {table === null ? (
        <p role="status" className="mt-2 text-sm text-secondary">
          {w.stages.ofStages(state.rows.length)}
        </p>
      ) : table.way === null ? (
        <p className="mt-2">{w.stages.noWay(wordsOf(w, wanted))}</p>
      ) : (
        <>
          <ol className="mt-2 flex flex-col gap-1">
            {table.way.map((step, i) => (
              <Step key={`${step.stage}/${step.key}`} piece={piece} step={step} number={i + 1} />
            ))}
          </ol>
          {table.way.some(({ isMore }) => isMore) ? (
            <p className="mt-1 text-sm text-secondary">{w.stages.twoAtOnce}</p>
          ) : null}
          <WayIntoPlan piece={piece} whom={whom} way={table.way} />
        </>
      )}
    </section>
  );
}

function Step({
  piece,
  step,
  number,
}: {
  readonly piece: PieceRecord;
  readonly step: WayStepView;
  readonly number: number;
}) {
  const w = useWords();
  const stage = step.stage === 'whole' ? '' : `&stage=${encodeURIComponent(step.stage)}`;
  return (
    <li data-step={`${step.stage}/${step.key}`} className="flex flex-wrap items-baseline gap-x-3">
      <Link
        className="link"
        href={`/bench?piece=${encodeURIComponent(piece.id)}&key=${encodeURIComponent(step.key)}${stage}`}
      >
        {number}. {w.stages.step(step.title, step.keyWords)}
      </Link>
      <span className="text-sm text-secondary">
        {step.news.length === 0 ? w.stages.nothingNew : w.stages.newInIt(step.newWords)}
      </span>
    </li>
  );
}

function WayIntoPlan({
  piece,
  whom: { pupil },
  way,
}: Pick<WayProps, 'piece' | 'whom'> & { readonly way: readonly WayStepView[] }) {
  const w = useWords();
  const { say } = useMessages();
  const plan = usePlan(pupil?.id ?? null) ?? [];
  if (!pupil) return <p className="mt-2 text-sm text-secondary">{w.stages.choosePupil}</p>;
  const steps = way.map(({ key, stage }) => ({ key, stage: stage === 'whole' ? null : stage }));
  const fresh = steps.filter(
    ({ key, stage }) => !plan.some((entry) => entry.piece === piece.id && entry.key === key && entry.stage === stage),
  );
  const put = async (): Promise<void> => {
    const keys = steps.map((step) => ({ id: crypto.randomUUID(), ...step }));
    const label = w.stages.wayEdit(pieceTitle(piece), pupil.name);
    if (await change({ kind: 'plan.add', pupil: pupil.id, piece: piece.id, keys, atMs: Date.now() }, label)) return;
    say({
      kind: 'done',
      text: fresh.length === 0 ? w.stages.wayThere(pupil.name) : w.stages.wayPlanned(fresh.length, pupil.name),
    });
  };
  return (
    <button
      type="button"
      className="btn btn-primary btn-sm mt-3 h-9"
      data-role="way-into-plan"
      onClick={() => void put()}
    >
      <ListPlus size={16} aria-hidden /> {w.stages.wayIntoPlan(pupil.name)}
    </button>
  );
}

function wordsOf(w: Words, name: string): string {
  const key = parseKey(name, 'major');
  return key ? w.says.key(key) : name;
}

function shortKey(w: Words, name: string): string {
  return wordsOf(w, name).split(' ')[0] ?? name;
}
