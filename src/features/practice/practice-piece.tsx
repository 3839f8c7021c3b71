'use client';

import Link from 'next/link';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { ArrowLeft } from 'lucide-react';
import type { StruckKey } from '@/core/asked';
import type { JudgeOptions } from '@/core/practice';
import type { PracticeView } from '@/core/views';
import type { PieceRecord } from '@/data';
import { useInstrument, type Instrument } from '@/features/shared/devices/use-instrument';
import type { ForWhom } from '@/features/shared/for-whom';
import { ScreenKeys } from '@/features/shared/key-help';
import { usePieceOptions } from '@/features/shared/piece-options';
import { useAnswer } from '@/features/shared/use-answer';
import { useSame } from '@/features/shared/use-same';
import { useWords } from '@/features/shared/words/use-words';
import { coreWorker } from '@/workers/client';
import { JudgedPanel } from './judged-panel';
import { PracticeChoices } from './practice-choices';
import { PracticeMusic } from './practice-music';
import { fasterThan, practise, type PracticeAddress } from './practice-address';
import { RunButton } from './run-button';
import { SimulatedPupil } from './simulated-pupil';
import { useLongDrill } from './use-long-drill';
import { useRun, type Run } from './use-run';

interface PracticePieceProps {
  readonly piece: PieceRecord;
  readonly address: PracticeAddress;
  readonly whom: ForWhom;
}

/** Note columns that a line has room for. */
const COLUMNS = 30;

/** A piece to be played: its music, the keys, one large button, and afterwards what was heard. */
export function PracticePiece({ piece, address, whom }: PracticePieceProps) {
  const w = useWords();
  const { source, options: all } = usePieceOptions(piece, whom.settings, whom.pupil);
  const { key, hand, from, to } = address;
  const options = useMemo(() => ({ ...all, to: key }), [all, key]);
  const part = useSame({ hand, bars: from === null || to === null ? null : { from, to } });
  const ask = useMemo(() => () => coreWorker().practice(source, options, part, COLUMNS), [source, options, part]);
  const { value: view, trouble } = useAnswer(piece.id, ask);
  const judge = useCallback(
    (keys: readonly StruckKey[], how: JudgeOptions) => coreWorker().judge(source, options, part, keys, how),
    [source, options, part],
  );
  const simulate = useCallback(
    (pupil: Parameters<ReturnType<typeof coreWorker>['simulate']>[3]) =>
      coreWorker().simulate(source, options, part, pupil),
    [source, options, part],
  );
  const back = `/bench?piece=${encodeURIComponent(piece.id)}${key ? `&key=${encodeURIComponent(key)}` : ''}`;
  return (
    <div
      className="mx-auto flex w-full max-w-7xl flex-col gap-3 px-4 py-3"
      data-role="practice"
      data-key={view?.keyText}
    >
      <div className="flex flex-wrap items-center gap-x-4 gap-y-1">
        <h1 className="min-w-0 text-2xl font-semibold">
          {view ? w.practice.heading(view.title || piece.fileName, view.key) : w.practice.openingPage}
        </h1>
        <Link className="btn btn-ghost btn-sm ml-auto h-9 font-normal pointer-coarse:h-11" href={back}>
          <ArrowLeft size={16} aria-hidden /> {w.practice.toBench}
        </Link>
      </div>
      {trouble ? (
        <p role="alert" className="text-error">
          {trouble.message} {trouble.hint}
        </p>
      ) : null}
      {view ? <Playing {...{ view, address, judge, simulate }} /> : null}
    </div>
  );
}

interface PlayingProps {
  readonly view: PracticeView;
  readonly address: PracticeAddress;
  readonly judge: Parameters<typeof useRun>[0]['judge'];
  readonly simulate: Parameters<typeof SimulatedPupil>[0]['simulate'];
}

function Playing({ view, address, judge, simulate }: PlayingProps) {
  const w = useWords();
  const run = useRun({ view, address, judge });
  const instrument: Instrument = useInstrument(run.hear);
  const [shown, setShown] = useState<readonly string[]>([]);
  const begins = useRef<number | null>(null);
  const hasWaitedLong = useWaitedLong(run, address);
  const isLong = useLongDrill(run.state.is, `${address.hand}/${address.from}/${address.to}`);
  const judged = run.state.is === 'judged' ? run.state : null;
  const isListening = run.state.is === 'listening';
  const wasClean = judged?.judged.clean === true;
  const { then, tempo } = address;
  const start = useCallback((): void => {
    setShown([]);
    const faster = fasterThan(tempo);
    if (!wasClean || then !== 'faster' || faster === tempo) return void run.begin();
    // The next run begins once the page has the new tempo.
    run.forget();
    begins.current = faster;
    practise({ tempo: faster });
  }, [run, wasClean, then, tempo]);
  useEffect(() => {
    if (begins.current !== tempo) return;
    begins.current = null;
    void run.begin();
  }, [tempo, run]);
  const shortcuts = useMemo(
    () => [
      isListening
        ? { key: 'Enter', does: w.practice.done, act: run.finish }
        : { key: 'Enter', does: judged ? w.practice.again : w.practice.begin, act: start },
      ...(run.state.is === 'still' ? [] : [{ key: 'Escape', does: w.practice.goBack, act: run.forget }]),
    ],
    [w, isListening, judged, run, start],
  );
  const change = (changed: Partial<PracticeAddress>, entry: 'push' | 'replace' = 'replace'): void => {
    run.forget();
    setShown([]);
    practise(changed, entry);
  };
  return (
    <div className="grid items-start gap-4 lg:grid-cols-[minmax(0,1fr)_21rem]">
      <ScreenKeys keys={shortcuts} />
      <div className="flex min-w-0 flex-col gap-3">
        <PracticeMusic view={view} run={run} shown={shown} onTouch={instrument.touch} />
        <div className="flex flex-wrap items-center gap-3">
          <RunButton state={run.state} onBegin={start} onFinish={run.finish} />
          <p className="min-h-7 flex-1 text-lg" role="status" data-role="run-said">
            {saidOf(w, run, address, hasWaitedLong)}
          </p>
        </div>
        {view.stretches ? (
          <p className="text-sm" data-role="caution">
            {w.practice.neverHurts}
          </p>
        ) : null}
        {isLong && !isListening ? (
          <p className="rounded-box bg-base-200 p-3" role="status" data-role="rest-now">
            {w.practice.restNow}
          </p>
        ) : null}
        {judged ? (
          <JudgedPanel
            judged={judged.judged}
            keys={judged.keys}
            onShow={setShown}
            onNext={({ hand, bars, bpm }) =>
              change(
                {
                  hand,
                  from: bars?.from ?? null,
                  to: bars?.to ?? null,
                  ...(bpm === null ? {} : { tempo: tempoFor(view, bpm) }),
                },
                'push',
              )
            }
          />
        ) : null}
      </div>
      <aside
        className="flex flex-col gap-3 rounded-box border border-base-300 bg-base-100 p-4"
        aria-label={w.practice.what}
      >
        <PracticeChoices view={view} address={address} instrument={instrument} onChange={change} />
        {instrument.name === 'simulated' ? (
          <SimulatedPupil
            bpm={(view.bpm * address.tempo) / 100}
            run={run}
            instrument={instrument}
            simulate={simulate}
            onBegin={start}
          />
        ) : null}
      </aside>
    </div>
  );
}

/** A tempo in beats a minute as a share of what is written, in steps of five and no slower than one may choose. */
function tempoFor({ bpm: written }: PracticeView, bpm: number): number {
  return Math.min(120, Math.max(30, Math.round(((bpm / written) * 100) / 5) * 5));
}

/** Who is waited for is told after so long what for. Unit: ms. */
const TELLS_AFTER_MS = 2000;

/** Whether a moment has been waited for so long that it helps to say for what. */
function useWaitedLong({ state, followed }: Run, { way }: PracticeAddress): boolean {
  const [place, setPlace] = useState<string | null>(null);
  const here = `${followed.at}/${followed.struck.length}`;
  const isWaiting = way === 'wait' && state.is === 'listening';
  useEffect(() => {
    if (!isWaiting) return;
    const timer = setTimeout(() => setPlace(here), TELLS_AFTER_MS);
    return () => clearTimeout(timer);
  }, [isWaiting, here]);
  return isWaiting && place === here;
}

function saidOf(
  w: ReturnType<typeof useWords>,
  { state, followed, moments }: Run,
  { way }: PracticeAddress,
  hasWaitedLong: boolean,
): string {
  if (state.is === 'getting-ready') return w.practice.getsReady;
  if (state.is === 'judging') return w.practice.judging;
  if (state.is !== 'listening') return '';
  const next = moments[followed.at];
  if (hasWaitedLong && next) {
    const names = next.keys.filter(({ id }) => !followed.struck.includes(id)).map(({ name }) => name);
    return w.practice.waitsFor(next.bar, next.beat, names.join(', '));
  }
  return way === 'along' && followed.lit.length === 0 ? w.practice.counting : w.practice.listening;
}
