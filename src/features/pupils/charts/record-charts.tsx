'use client';

import Link from 'next/link';
import { useMemo, useState } from 'react';
import {
  faultsByBar,
  faultsByKind,
  judgedKeys,
  keysSecured,
  monthOf,
  piecesOverTime,
  weeksOfPractice,
  type RunFact,
} from '@/core/teaching';
import type { PupilRecord, Settings } from '@/data';
import { addressOf } from '@/features/shared/address/address-of';
import { useGrowing } from '@/features/shared/parts/use-growing';
import { keyWords } from '@/features/shared/teaching/key-words';
import { useWords } from '@/features/shared/words/use-words';
import { FaultBarsChart, FaultKindsChart, KeysChart, MinutesChart, PieceChart } from './practice-charts';

interface RecordChartsProps {
  readonly pupil: PupilRecord;
  readonly runs: readonly RunFact[];
  readonly settings: Settings;
}

/** What a pupil practised, over time and by piece. */
export function RecordCharts({ pupil, runs, settings }: RecordChartsProps) {
  const w = useWords();
  const first = settings.firstDay;
  const [nowMs] = useState(() => Date.now());
  const weeks = useMemo(() => weeksOfPractice(runs, first), [runs, first]);
  const pieces = useMemo(() => piecesOverTime(runs, first), [runs, first]);
  const months = useMemo(
    () => keysSecured(runs, judgedKeys(pupil.keysKnown, pupil.judged), monthOf(nowMs)),
    [runs, pupil.keysKnown, pupil.judged, nowMs],
  );
  const [chosen, setChosen] = useState('');
  const names = pieces.map(({ piece, key }) => `${piece}|${key}`);
  const shown = pieces[Math.max(0, names.indexOf(chosen))];
  const [ofPiece, setOfPiece] = useState('');
  const titles = new Map(pieces.map(({ piece, title }) => [piece, title]));
  const faulty = useMemo(() => runs.filter(({ piece }) => ofPiece === '' || piece === ofPiece), [runs, ofPiece]);
  // The first pictures are there while the others are drawn.
  const most = useGrowing(2, 1);
  if (runs.length === 0) return <p className="py-8 text-center text-lg">{w.charts.nothingYet}</p>;
  return (
    <div className="flex flex-col gap-4" data-role="record-charts">
      <div className="grid gap-4 lg:grid-cols-2">
        <MinutesChart weeks={weeks} first={first} />
        <KeysChart months={months} />
      </div>
      {shown && most > 1 ? (
        <section className="flex flex-col gap-2" aria-label={w.charts.pieceAndKey}>
          <label className="flex flex-wrap items-center gap-2 text-sm">
            {w.charts.pieceAndKey}
            <select
              className="select select-sm h-9 w-72 pointer-coarse:h-11"
              data-role="piece-chart"
              value={chosen === '' ? names[0] : chosen}
              onChange={(event) => setChosen(event.target.value)}
            >
              {pieces.map(({ title, key }, i) => (
                <option key={names[i]} value={names[i]}>
                  {w.week.pieceInKey(title, keyWords(w, key))}
                </option>
              ))}
            </select>
          </label>
          <PieceChart piece={shown} first={first} />
        </section>
      ) : null}
      {most > 1 ? (
        <section className="flex flex-col gap-2" aria-label={w.charts.faultsOf}>
          <label className="flex flex-wrap items-center gap-2 text-sm">
            {w.charts.faultsOf}
            <select
              className="select select-sm h-9 w-72 pointer-coarse:h-11"
              data-role="fault-piece"
              value={ofPiece}
              onChange={(event) => setOfPiece(event.target.value)}
            >
              <option value="">{w.record.allPieces}</option>
              {[...titles].map(([piece, title]) => (
                <option key={piece} value={piece}>
                  {title}
                </option>
              ))}
            </select>
          </label>
          <div className="grid gap-4 lg:grid-cols-2">
            <FaultKindsChart faults={faultsByKind(faulty)} />
            <FaultBarsChart
              bars={faultsByBar(faulty)}
              title={ofPiece === '' ? w.charts.faultsByBarAll : w.charts.faultsByBarIn(titles.get(ofPiece) ?? '')}
            />
          </div>
        </section>
      ) : null}
      <Link className="link flex min-h-9 items-center" href={addressOf('/record', { pupil: pupil.id })}>
        {w.charts.everyRun}
      </Link>
    </div>
  );
}
