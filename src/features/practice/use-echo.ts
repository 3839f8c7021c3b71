'use client';

import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import type { AskedMusic, StruckKey } from '@/core/asked';
import { answered, beginEcho, callOf, judgeEcho, type EchoState } from '@/core/homework';
import type { JudgedView, PracticeView } from '@/core/views';
import type { KeyMove } from '@/features/shared/devices/key-device';
import { pianoSounder } from '@/features/shared/sound/sounder';
import type { Sounder } from '@/features/shared/sound/sounding';
import type { PracticeAddress } from './practice-address';
import { takeDownFrom, type TakeDown } from './take-down';
import type { Practised } from './use-practised';
import type { PlayedKeys } from './use-run';

/** What was told of the last answer. `cut`: the phrase comes in halves now. */
export type EchoTold =
  { readonly is: 'nothing' } | { readonly is: 'right'; readonly octave: number } | { readonly is: 'wrong' | 'cut' };

/** How call and echo stand: nothing yet, a phrase is played, the answer is listened to, it is told what it was, all is done. */
export interface Echo {
  readonly is: 'still' | 'calling' | 'answering' | 'telling' | 'done';
  readonly told: EchoTold;
  /** How many phrases are still to be answered. */
  readonly left: number;
  readonly music: AskedMusic | null;
  readonly state: EchoState;
  readonly begin: () => Promise<void>;
  /** Ends the answer, before it is clear from the keys that it is over. */
  readonly answer: () => void;
  readonly stop: () => void;
  readonly hear: (move: KeyMove) => void;
}

/** Before a call, and before the next one after it was told how the answer was. Unit: ms. */
const LEAD_MS = 400;
const TELL_MS = 1600;
/** An answer is over after so long without a key; sooner, once it has as many notes as the call. Unit: ms. */
const SILENCE_MS = 1500;
const WHOLE_MS = 700;
const LOUDNESS = 0.6;

interface EchoOf {
  readonly view: PracticeView;
  readonly address: PracticeAddress;
  readonly practised: Practised;
  readonly onDone: (judged: JudgedView, played: PlayedKeys) => void;
}

const NOTHING: EchoState = { todo: [], failed: 0 };

/** Call and echo: a phrase is played, the answer is heard, until all of them were answered. */
// eslint-disable-next-line max-lines-per-function -- small functions that share one conversation
export function useEcho({ view, address, practised, onDone }: EchoOf): Echo {
  const [is, setIs] = useState<Echo['is']>('still');
  const [told, setTold] = useState<EchoTold>({ is: 'nothing' });
  const [state, setState] = useState<EchoState>(NOTHING);
  const [music, setMusic] = useState<AskedMusic | null>(null);
  const sounding = useRef<Sounder | null>(null);
  const timer = useRef<ReturnType<typeof setTimeout> | null>(null);
  const taking = useRef<TakeDown | null>(null);
  const begun = useRef(0);
  const struck = useRef(0);
  const wanted = useRef(0);
  const played = useRef<readonly StruckKey[]>([]);
  const now = useRef<{ readonly music: AskedMusic; readonly state: EchoState } | null>(null);
  const { tempo, ear } = address;

  const later = useCallback((act: () => void, ms: number): void => {
    if (timer.current) clearTimeout(timer.current);
    timer.current = setTimeout(act, ms);
  }, []);
  const halt = useCallback((): void => {
    if (timer.current) clearTimeout(timer.current);
    timer.current = null;
    taking.current = null;
    now.current = null;
    sounding.current?.quiet();
  }, []);
  useEffect(() => halt, [halt]);

  const end = useCallback(
    (outcome: 'clean' | 'unclean'): void => {
      const counts = now.current && countsOf(now.current);
      const keys = played.current;
      halt();
      setIs(outcome === 'clean' ? 'done' : 'still');
      if (keys.length === 0 || counts === null) return;
      onDone(echoJudged(outcome, counts), {
        keys,
        how: { strictness: ear, bpm: null, countIn: null },
        tookMs: performance.now() - begun.current,
      });
    },
    [halt, onDone, ear],
  );

  const call = useRef<() => void>(() => undefined);
  const answer = useCallback((): void => {
    const [taken, at] = [taking.current, now.current];
    const phrase = at?.state.todo[0];
    if (!taken || !at || !phrase) return;
    taking.current = null;
    const keys = taken.finish(performance.now());
    played.current = [...played.current, ...keys];
    const { judgement, octave } = judgeEcho(at.music, phrase, keys, ear);
    const next = answered(at.music, at.state, judgement.clean ? 'right' : 'wrong');
    now.current = { ...at, state: next };
    setState(next);
    setIs('telling');
    setTold(
      judgement.clean ? { is: 'right', octave } : { is: next.todo.length > at.state.todo.length ? 'cut' : 'wrong' },
    );
    later(() => (next.todo.length === 0 ? end('clean') : call.current()), TELL_MS);
  }, [ear, later, end]);

  const listen = useCallback((): void => {
    setIs('answering');
    taking.current = takeDownFrom(begun.current);
    struck.current = 0;
    const phrase = now.current?.state.todo[0];
    wanted.current = now.current && phrase ? callOf(now.current.music, phrase).length : 0;
  }, []);

  useEffect(() => {
    call.current = () => {
      const at = now.current;
      const phrase = at?.state.todo[0];
      if (!at || !phrase) return;
      setIs('calling');
      const keys = callOf(at.music, phrase);
      const msPerQuarter = 60_000 / ((view.bpm * tempo) / 100) / (at.music.bars[0]?.beat ?? 1);
      void pianoSounder().then(async (sounder) => {
        await sounder.ready();
        if (now.current !== at) return;
        sounding.current = sounder;
        const from = sounder.now() + LEAD_MS / 1000;
        for (const { midi, at: time, length } of keys)
          sounder.strike(midi, from + (time * msPerQuarter) / 1000, (length * msPerQuarter * 0.9) / 1000, LOUDNESS);
        const lengthMs = Math.max(...keys.map(({ at: time, length }) => (time + length) * msPerQuarter));
        later(listen, LEAD_MS + lengthMs);
      });
    };
  }, [view, tempo, later, listen]);

  const begin = useCallback(async (): Promise<void> => {
    halt();
    setTold({ is: 'nothing' });
    setIs('calling');
    const asked = await practised.askedMusic();
    if (!asked.ok) return setIs('still');
    played.current = [];
    begun.current = performance.now();
    const first = beginEcho(asked.value);
    // A hand that does not play here has nothing to echo.
    if (first.todo.length === 0) return setIs('still');
    now.current = { music: asked.value, state: first };
    setMusic(asked.value);
    setState(first);
    call.current();
  }, [halt, practised]);

  const hear = useCallback(
    (move: KeyMove): void => {
      if (!taking.current) return;
      taking.current.hear(move);
      struck.current += move.press === 'down' ? 1 : 0;
      const isWhole = move.press === 'up' && struck.current >= wanted.current;
      later(answer, isWhole ? WHOLE_MS : SILENCE_MS);
    },
    [later, answer],
  );
  const stop = useCallback((): void => end('unclean'), [end]);
  return useMemo(
    () => ({ is, told, left: state.todo.length, music, state, begin, answer, stop, hear }),
    [is, told, state, music, begin, answer, stop, hear],
  );
}

/** What goes into the record of call and echo: whether all phrases were answered, and nothing of single faults, which are the ear's own way. */
function echoJudged(outcome: 'clean' | 'unclean', notes: JudgedView['notes']): JudgedView {
  return { clean: outcome === 'clean', notes, right: [], faults: [], beside: [], unclear: [], next: null };
}

/** How many notes there are, and how many lie before the phrase that is to be answered: phrases are answered in order. */
function countsOf({ music, state }: { readonly music: AskedMusic; readonly state: EchoState }): JudgedView['notes'] {
  const answeredMoments = music.moments.slice(0, state.todo[0]?.from ?? music.moments.length);
  return { written: music.notes.length, right: answeredMoments.flatMap(({ notes }) => notes).length };
}
