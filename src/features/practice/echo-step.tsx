'use client';

import { useEffect, useMemo, useRef, useState } from 'react';
import { CircleCheck, Ear, Play, Square } from 'lucide-react';
import { phraseMusic } from '@/core/homework';
import { playAs, type Weakness } from '@/core/simulation';
import type { JudgedView, PracticeView } from '@/core/views';
import { PLAYED_ON } from '@/data';
import { useKeyLetters } from '@/features/shared/devices/use-key-letters';
import { ScreenKeys } from '@/features/shared/keys/key-help';
import { keyboardRange } from '@/features/shared/keys/keyboard-map';
import { useWords } from '@/features/shared/words/use-words';
import type { PracticeAddress } from './practice-address';
import { Cautions } from './cautions';
import { ChosenInstrument } from './practice-choices';
import { KeysToPlay } from './keys-to-play';
import { OnwardButton, type Onward } from './run-button';
import { JITTER_MS, WeaknessChoice } from './simulated-pupil';
import { performAloud } from './perform-aloud';
import { useEcho, type Echo } from './use-echo';
import { useLongDrill } from './use-long-drill';
import type { HeardInstrument } from './use-heard-instrument';
import type { Practised } from './use-practised';
import type { PlayedKeys } from './use-run';

interface EchoStepProps {
  readonly view: PracticeView;
  readonly practised: Practised;
  readonly instrument: HeardInstrument;
  readonly address: PracticeAddress;
  readonly onward: Onward | null;
  readonly onDone: (judged: JudgedView, played: PlayedKeys) => void;
}

/** The call sounds from the loudspeaker: a microphone would hear it too. */
const NOT_BY_EAR = PLAYED_ON.filter((one) => one !== 'microphone');

/** Call and echo: without the page, phrase after phrase is played and answered by ear. */
export function EchoStep({ view, practised, instrument, address, onward, onDone }: EchoStepProps) {
  const w = useWords();
  const echo = useEcho({ view, address, practised, onDone });
  const { is, begin, answer, stop } = echo;
  const { hears, choose, name } = instrument;
  const letterOn = useKeyLetters(name);
  useEffect(() => hears(echo.hear), [hears, echo.hear]);
  useEffect(() => {
    if (name === 'microphone') choose('screen');
  }, [name, choose]);
  const goesOn = is === 'done' || is === 'still' ? onward : null;
  const isOn = is === 'calling' || is === 'answering' || is === 'telling';
  const shortcuts = useMemo(
    () => [
      is === 'answering'
        ? { key: 'Enter', does: w.practice.done, act: answer }
        : goesOn
          ? { key: 'Enter', does: goesOn.words, act: goesOn.go }
          : { key: 'Enter', does: w.practice.begin, act: () => (isOn ? undefined : void begin()) },
      ...(isOn ? [{ key: 'Escape', does: w.practice.stopEcho, act: stop }] : []),
    ],
    [w, is, isOn, goesOn, answer, begin, stop],
  );
  const isLong = useLongDrill(isOn ? 'listening' : 'still', 'echo');
  const range = useMemo(() => keyboardRange(view.moments), [view]);
  return (
    <>
      <ScreenKeys keys={shortcuts} />
      <div className="flex min-h-28 items-center gap-4 rounded-box border border-base-300 bg-base-100 p-4">
        <Ear size={40} aria-hidden className="shrink-0 text-secondary" />
        <p
          className="text-xl"
          role="status"
          data-role="echo-said"
          data-is={is}
          data-told={echo.told.is}
          data-left={echo.left}
        >
          {useSaid(echo)}
        </p>
      </div>
      <KeysToPlay moment={null} range={range} letterOn={letterOn} onTouch={instrument.touch} />
      <div className="flex flex-wrap gap-3">
        {goesOn ? <OnwardButton onward={goesOn} /> : <EchoButton echo={echo} />}
        {isOn ? (
          <button type="button" className="btn h-14" data-role="stop-echo" onClick={stop}>
            <Square size={18} aria-hidden /> {w.practice.stopEcho}
          </button>
        ) : null}
      </div>
      <Cautions view={view} isLong={isLong && !isOn} />
      <aside
        className="flex flex-col gap-3 rounded-box border border-base-300 bg-base-100 p-4"
        aria-label={w.practice.what}
      >
        <ChosenInstrument instrument={instrument} among={NOT_BY_EAR} />
        {instrument.name === 'simulated' ? (
          <SimulatedEcho echo={echo} instrument={instrument} bpm={(view.bpm * address.tempo) / 100} />
        ) : null}
      </aside>
    </>
  );
}

function EchoButton({ echo: { is, begin, answer } }: { readonly echo: Echo }) {
  const w = useWords();
  const isAnswer = is === 'answering';
  const Icon = isAnswer ? CircleCheck : Play;
  return (
    <button
      type="button"
      className="btn btn-primary h-14 min-w-48 text-lg"
      data-role="echo"
      data-state={is}
      disabled={is === 'calling' || is === 'telling'}
      onClick={() => (isAnswer ? answer() : void begin())}
    >
      <Icon size={22} aria-hidden /> {isAnswer ? w.practice.done : w.practice.begin}
    </button>
  );
}

/** What is said now: to listen, to answer and where it begins, how it was. */
function useSaid({ is, told, music, state, left }: Echo): string {
  const w = useWords();
  const first = music && state.todo[0] ? music.notes[music.moments[state.todo[0].from]?.notes[0] ?? -1] : undefined;
  if (is === 'still') return w.practice.echoBegins;
  if (is === 'done') return w.practice.echoDone;
  if (is === 'calling') return w.practice.echoListen(left);
  if (is === 'answering') return first ? w.practice.echoAnswer(w.says.name(first.pitch)) : w.practice.listening;
  if (told.is === 'right') return w.practice.echoRight(told.octave);
  return told.is === 'cut' ? w.practice.echoCut : w.practice.echoWrong;
}

interface SimulatedEchoProps {
  readonly echo: Echo;
  readonly instrument: HeardInstrument;
  /** In the meter's beats. */
  readonly bpm: number;
}

/** The pupil who is not there answers each call. */
function SimulatedEcho({ echo: { is, music, state }, instrument, bpm }: SimulatedEchoProps) {
  const [weakness, setWeakness] = useState<Weakness | null>(null);
  // What is chosen while it answers counts for the next answer.
  const chosen = useRef(weakness);
  const seed = useRef(1);
  const phrase = state.todo[0];
  useEffect(() => {
    if (is !== 'answering' || !music || !phrase) return;
    seed.current += 1;
    const { keys } = playAs(
      {
        seed: seed.current,
        bpm,
        jitterMs: JITTER_MS,
        unevenMs: 0,
        drift: 0,
        weaknesses: chosen.current === null ? [] : [chosen.current],
      },
      phraseMusic(music, phrase),
    );
    const firstMs = keys[0]?.downMs ?? 0;
    return performAloud(instrument, keys, performance.now() + ANSWERS_AFTER_MS - firstMs);
  }, [is, music, phrase, instrument, bpm]);
  const choose = (wanted: Weakness | null): void => {
    chosen.current = wanted;
    setWeakness(wanted);
  };
  return <WeaknessChoice weakness={weakness} onChoose={choose} />;
}

/** So long it takes until it answers. Unit: ms. */
const ANSWERS_AFTER_MS = 300;
