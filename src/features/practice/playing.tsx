'use client';

import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { ScreenKeys } from '@/features/shared/keys/key-help';
import type { ScreenKey } from '@/features/shared/keys/use-keys';
import { useKeyLetters } from '@/features/shared/devices/use-key-letters';
import { useMessages } from '@/features/shared/shell/messages';
import { useWords } from '@/features/shared/words/use-words';
import type { JudgedNext, JudgedView, PracticeView } from '@/core/views';
import { Cautions } from './cautions';
import { TuningIn } from './ear/microphone-panel';
import { SeenCount } from './ear/seen-count';
import { JudgedPanel } from './judged-panel';
import { ChosenInstrument, PracticeChoices } from './practice-choices';
import { PracticeMusic } from './practice-music';
import { fasterThan, practise, type PracticeAddress } from './practice-address';
import { RunButton, type Onward } from './run-button';
import { SimulatedPupil } from './simulated-pupil';
import type { HeardInstrument } from './use-heard-instrument';
import { useLongDrill } from './use-long-drill';
import type { Practised } from './use-practised';
import type { KeptWords } from './use-keep-run';
import { useRun, type PlayedKeys, type Run } from './use-run';

interface PlayingProps {
  readonly view: PracticeView;
  readonly practised: Practised;
  readonly address: PracticeAddress;
  readonly instrument: HeardInstrument;
  /** What can be chosen beside the music: everything, or only what it is played on. */
  readonly choices: 'all' | 'instrument';
  /** Whether the page is seen before it was played. */
  readonly page: 'shown' | 'away';
  /** What is said of a run that the store has. */
  readonly kept: KeptWords | null;
  readonly onJudged: (judged: JudgedView, played: PlayedKeys) => void;
  /** Goes to what is to be done next; null where there is no way to it. */
  readonly onNext: ((next: JudgedNext, tempo: number | null) => void) | null;
  /** Where it goes from here once it was played; null where it is only played once more. */
  readonly onward: Onward | null;
}

/** Music to be played: the page, the keys, one large button, and afterwards what was heard. */
export function Playing(props: PlayingProps) {
  const w = useWords();
  const { view, practised, address, instrument, choices, page, kept, onJudged, onNext, onward } = props;
  const { simulate } = practised;
  const { hears, microphone } = instrument;
  const { say } = useMessages();
  const onEarTrouble = useCallback(
    (why: 'nothing' | 'gaps') =>
      say(
        why === 'nothing'
          ? { kind: 'trouble', text: w.ear.saidNothing, hint: w.ear.onceMore }
          : { kind: 'trouble', text: w.ear.hadGaps, hint: w.ear.lessBusy },
      ),
    [say, w],
  );
  const run = useRun({ view, address, practised, microphone, onJudged, onEarTrouble });
  useEffect(() => hears(run.hear), [hears, run.hear]);
  const [shown, setShown] = useState<readonly string[]>([]);
  const hasWaitedLong = useWaitedLong(run, address);
  const isLong = useLongDrill(run.state.is, `${address.hand}/${address.from}/${address.to}`);
  const judged = run.state.is === 'judged' ? run.state : null;
  const isListening = run.state.is === 'listening';
  const start = useStart(run, address, judged?.judged.clean === true, setShown);
  const goesOn = judged ? onward : null;
  const isCountSeen = microphone?.headphones === false && isListening && address.way === 'along';
  const isDeaf = microphone !== null && microphone.state.is !== 'open' && run.state.is === 'still';
  const letterOn = useKeyLetters(instrument.name);
  const shortcuts = useShortcuts({ run, onward: goesOn, start, isPlayedOnKeys: letterOn !== undefined });
  const change = (changed: Partial<PracticeAddress>): void => {
    run.forget();
    setShown([]);
    practise(changed);
  };
  const goTo = (next: JudgedNext): void => {
    run.forget();
    setShown([]);
    onNext?.(next, next.bpm === null ? null : tempoFor(view, next.bpm));
  };
  const isAway = page === 'away' && judged === null;
  const beside = (
    <>
      {choices === 'all' ? (
        <PracticeChoices view={view} address={address} instrument={instrument} onChange={change} />
      ) : (
        <ChosenInstrument instrument={instrument} />
      )}
      {instrument.name === 'simulated' ? (
        <SimulatedPupil
          bpm={(view.bpm * address.tempo) / 100}
          run={run}
          instrument={instrument}
          simulate={simulate}
          onBegin={start}
        />
      ) : null}
    </>
  );
  return (
    <div className={`grid items-start gap-4 ${choices === 'all' ? 'lg:grid-cols-[minmax(0,1fr)_21rem]' : ''}`}>
      <ScreenKeys keys={shortcuts} />
      <div className="flex min-w-0 flex-col gap-3">
        <PracticeMusic
          view={view}
          run={run}
          shown={shown}
          isAway={isAway}
          letterOn={letterOn}
          onTouch={instrument.touch}
        />
        {microphone ? <TuningIn microphone={microphone} /> : null}
        {isCountSeen ? (
          <SeenCount dueMs={run.dueMs} beatMs={60_000 / ((view.bpm * address.tempo) / 100)} beats={view.countIn} />
        ) : null}
        <div className="flex flex-wrap items-center gap-3 max-sm:sticky max-sm:bottom-2 max-sm:z-10 max-sm:rounded-box max-sm:bg-base-200">
          <RunButton state={run.state} onward={goesOn} isReady={!isDeaf} onBegin={start} onFinish={run.finish} />
          <p className="min-h-7 flex-1 text-lg" role="status" data-role="run-said">
            {isDeaf
              ? microphone?.state.is === 'tuning'
                ? ''
                : w.ear.notReady
              : saidOf(w, run, address, { hasWaitedLong, isCountSeen })}
          </p>
        </div>
        <Cautions view={view} isLong={isLong && !isListening} />
        {judged ? <JudgedPanel {...judged} kept={kept} onShow={setShown} onNext={onNext && goTo} /> : null}
      </div>
      <aside
        className={`rounded-box border border-base-300 bg-base-100 p-4 ${choices === 'all' ? 'flex flex-col gap-3' : 'grid items-end gap-3 sm:grid-cols-2'}`}
        aria-label={w.practice.what}
      >
        {beside}
      </aside>
    </div>
  );
}

interface ShortcutsOf {
  readonly run: Run;
  readonly onward: Onward | null;
  readonly start: () => void;
  readonly isPlayedOnKeys: boolean;
}

/** The keys of a page that is played: what comes next, back, and the computer's keys as a piano. */
function useShortcuts({ run, onward, start, isPlayedOnKeys }: ShortcutsOf): readonly ScreenKey[] {
  const w = useWords();
  const { state, finish, forget } = run;
  return useMemo(
    () => [
      state.is === 'listening'
        ? { key: 'Enter', does: w.practice.done, act: finish }
        : onward
          ? { key: 'Enter', does: onward.words, act: onward.go }
          : { key: 'Enter', does: state.is === 'judged' ? w.practice.again : w.practice.begin, act: start },
      ...(isPlayedOnKeys ? [{ key: 'A S D …', does: w.practice.computerKeys, anyOf: [], act: () => undefined }] : []),
      ...(state.is === 'still' ? [] : [{ key: 'Escape', does: w.practice.goBack, act: forget }]),
    ],
    [w, state.is, onward, start, isPlayedOnKeys, finish, forget],
  );
}

/** Begins a run; after a clean one a little faster, where that is wanted. */
function useStart(
  run: Run,
  { then, tempo }: PracticeAddress,
  wasClean: boolean,
  setShown: (notes: readonly string[]) => void,
): () => void {
  const begins = useRef<number | null>(null);
  useEffect(() => {
    if (begins.current !== tempo) return;
    begins.current = null;
    void run.begin();
  }, [tempo, run]);
  return useCallback((): void => {
    setShown([]);
    const faster = fasterThan(tempo);
    if (!wasClean || then !== 'faster' || faster === tempo) return void run.begin();
    // The next run begins once the page has the new tempo.
    run.forget();
    begins.current = faster;
    practise({ tempo: faster });
  }, [run, wasClean, then, tempo, setShown]);
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
  { hasWaitedLong, isCountSeen }: { readonly hasWaitedLong: boolean; readonly isCountSeen: boolean },
): string {
  if (state.is === 'getting-ready') return w.practice.getsReady;
  if (state.is === 'judging')
    return state.share === undefined ? w.practice.judging : w.ear.listeningAgain(Math.round(state.share * 100));
  if (state.is !== 'listening') return '';
  const next = moments[followed.at];
  if (hasWaitedLong && next) {
    const names = next.keys.filter(({ id }) => !followed.struck.includes(id)).map(({ name }) => name);
    return w.practice.waitsFor(next.bar, next.beat, names.join(', '));
  }
  return way === 'along' && followed.lit.length === 0
    ? isCountSeen
      ? w.ear.watchCount
      : w.practice.counting
    : w.practice.listening;
}
