'use client';

import Link from 'next/link';
import { useState } from 'react';
import { ArrowLeft, Ear, Trash2 } from 'lucide-react';
import { change, usePieces, useRun, useRunCount, useRuns, type PieceRecord, type RunRecord } from '@/data';
import { useForWhom } from '@/features/shared/pupils/for-whom';
import { addressOf } from '@/features/shared/address/address-of';
import { pieceTitle } from '@/features/shared/pieces/piece-title';
import { PupilSelect } from '@/features/shared/pupils/pupil-select';
import { text } from '@/features/shared/address/query-fields';
import { changeQuery, useQuery } from '@/features/shared/address/use-query';
import { useWords } from '@/features/shared/words/use-words';
import { RecordRun } from './record-run';
import { RunLine, runTitle } from './run-line';

/** What the address of the record holds: whose it is, of which piece (null for all), and the run that is looked at. */
const SHAPE = { pupil: text, piece: text, run: text };

/** So many runs are listed at once. */
const AT_ONCE = 40;

/** What was practised and how it went, run by run, to be read and heard again. */
export function RecordScreen() {
  const w = useWords();
  const address = useQuery(SHAPE);
  const whom = useForWhom(address.pupil);
  const pieces = usePieces();
  const [most, setMost] = useState(AT_ONCE);
  const pupil = whom?.pupil?.id ?? null;
  const runs = useRuns(address.piece, pupil, most);
  const count = useRunCount(address.piece, pupil);
  const run = useRun(address.run);
  if (!whom || !pieces || !runs || count === undefined) return <p className="p-8">{w.record.opening}</p>;
  const shown = run ?? null;
  const piece = pieces.find(({ id }) => id === (shown?.piece ?? address.piece)) ?? null;
  return (
    <div className="mx-auto flex w-full max-w-7xl flex-col gap-3 px-4 py-3" data-role="record" data-runs={count}>
      <div className="flex flex-wrap items-center gap-x-4 gap-y-2">
        <h1 className="min-w-0 flex-1 text-2xl font-semibold">
          {w.record.heading(whom.pupil?.name ?? null, address.piece === null || !piece ? null : pieceTitle(piece))}
        </h1>
        <PupilSelect
          pupils={whom.pupils}
          chosen={whom.pupil}
          settings={whom.settings}
          onChoose={(id) => changeQuery({ pupil: id, run: null }, 'push')}
        />
        {address.piece === null ? null : (
          <button
            type="button"
            className="btn btn-ghost btn-sm h-9 font-normal pointer-coarse:h-11"
            onClick={() => changeQuery({ piece: null, run: null }, 'push')}
          >
            {w.record.allPieces}
          </button>
        )}
        <Link
          className="btn btn-ghost btn-sm h-9 font-normal pointer-coarse:h-11"
          href={
            address.piece === null
              ? '/'
              : addressOf('/practice', { piece: address.piece, pupil: address.pupil, step: 'next' })
          }
        >
          <ArrowLeft size={16} aria-hidden /> {address.piece === null ? w.shared.toShelf : w.record.toSteps}
        </Link>
      </div>
      {runs.length === 0 ? <p className="py-8 text-center text-lg">{w.record.nothingYet}</p> : null}
      <div className={`grid items-start gap-4 ${shown ? 'lg:grid-cols-[24rem_minmax(0,1fr)]' : ''}`}>
        <Runs
          runs={runs}
          shown={shown}
          pieces={pieces}
          more={count - runs.length}
          onMore={() => setMost(most + AT_ONCE)}
        />
        {shown ? <RecordRun key={shown.id} run={shown} piece={piece} whom={whom} /> : null}
      </div>
    </div>
  );
}

interface RunsProps {
  readonly runs: readonly RunRecord[];
  readonly shown: RunRecord | null;
  readonly pieces: readonly PieceRecord[];
  /** How many there are beside these. */
  readonly more: number;
  readonly onMore: () => void;
}

/** The runs, the last first. */
function Runs({ runs, shown, pieces, more, onMore }: RunsProps) {
  const w = useWords();
  return (
    <div className="flex flex-col gap-2">
      <ol aria-label={w.record.runs} className="flex flex-col gap-1" data-role="runs">
        {runs.map((run) => (
          <li key={run.id} className="flex items-stretch gap-1 rounded-box border border-base-300 bg-base-100">
            <button
              type="button"
              data-run={run.id}
              data-outcome={run.outcome}
              aria-current={run.id === shown?.id}
              className={`flex min-h-11 min-w-0 flex-1 cursor-pointer items-center gap-3 rounded-box px-3 py-1.5 text-left ${run.id === shown?.id ? 'bg-base-200' : ''}`}
              onClick={() => changeQuery({ run: run.id }, shown ? 'replace' : 'push')}
            >
              <RunLine run={run} piece={pieces.find(({ id }) => id === run.piece) ?? null} />
              {run.midi === null ? null : <Ear size={16} aria-hidden className="shrink-0 text-secondary" />}
            </button>
            <button
              type="button"
              className="btn btn-ghost btn-square h-auto min-h-11 w-11"
              data-role="delete-run"
              aria-label={w.record.delete(runTitle(w, run))}
              title={w.record.delete(runTitle(w, run))}
              onClick={() => void change({ kind: 'run.remove', ids: [run.id] }, w.record.deleted(runTitle(w, run)))}
            >
              <Trash2 size={16} aria-hidden />
            </button>
          </li>
        ))}
      </ol>
      {more > 0 ? (
        <button type="button" className="btn h-11" onClick={onMore}>
          {w.record.more(more)}
        </button>
      ) : null}
    </div>
  );
}
