'use client';

import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import type { StruckKey } from '@/core/asked';
import { countIn, type Span } from '@/core/playback';
import type { JudgeOptions } from '@/core/practice';
import type { JudgedView, PracticeView } from '@/core/views';
import type { KeyMove } from '@/features/shared/devices/key-device';
import { createPlayer, type Player, type PlayerOptions } from '@/features/shared/sound/player';
import { pianoSounder } from '@/features/shared/sound/sounder';
import type { Answer } from '@/workers/protocol';
import { followKey, NOT_BEGUN, wantedMoments, type Followed, type WantedMoment } from './follow';
import type { PracticeAddress } from './practice-address';
import { takeDownFrom, type TakeDown } from './take-down';

/** How a run stands: nothing yet, getting ready, listening, being judged, judged. */
export type RunState =
  | { readonly is: 'still' | 'getting-ready' | 'listening' | 'judging' }
  | { readonly is: 'judged'; readonly judged: JudgedView; readonly keys: readonly StruckKey[] };

export interface Run {
  readonly state: RunState;
  readonly followed: Followed;
  readonly moments: readonly WantedMoment[];
  readonly begin: () => Promise<void>;
  /** Ends the run and has it judged. */
  readonly finish: () => void;
  readonly forget: () => void;
  readonly hear: (move: KeyMove) => void;
  /** When the first note is due, in ms of `performance.now()`; null before that is known. */
  readonly dueMs: () => number | null;
}

/** How often sounds are handed over, and how long is listened on after the music. Unit: ms. */
const TICK_MS = 60;
const TAIL_MS = 900;
/** The player hands its first sound over so much ahead. Unit: ms. */
const AHEAD_MS = 80;
/** Who has played the last note and then nothing more is done. Unit: ms. */
const SILENCE_MS = 1800;

/** What was played in a run, and how it was listened to. */
export interface PlayedKeys {
  readonly keys: readonly StruckKey[];
  readonly how: JudgeOptions;
  readonly tookMs: number;
}

interface RunOf {
  readonly view: PracticeView;
  readonly address: PracticeAddress;
  readonly judge: (keys: readonly StruckKey[], how: JudgeOptions) => Promise<Answer<JudgedView>>;
  /** Is told of every run in which something was played. */
  readonly onJudged?: (judged: JudgedView, played: PlayedKeys) => void;
}

/** A run through what is practised: it begins, it is listened to, and it is judged. */
// eslint-disable-next-line max-lines-per-function -- small functions that share one run
export function useRun({ view, address, judge, onJudged }: RunOf): Run {
  const [state, setState] = useState<RunState>({ is: 'still' });
  const [followed, setFollowed] = useState<Followed>(NOT_BEGUN);
  const moments = useMemo(() => wantedMoments(view.moments, address.hand), [view, address.hand]);
  const taking = useRef<TakeDown | null>(null);
  const player = useRef<Player | null>(null);
  const due = useRef<number | null>(null);
  const timer = useRef<ReturnType<typeof setInterval> | null>(null);
  const lastKey = useRef(0);
  const begun = useRef(0);
  const asked = useRef(0);
  const { way, tempo, hand, ear, then } = address;

  const halt = useCallback((): void => {
    asked.current += 1;
    if (timer.current) clearInterval(timer.current);
    timer.current = null;
    player.current?.stop();
  }, []);
  useEffect(() => halt, [halt]);

  const finish = useCallback((): void => {
    const taken = taking.current;
    if (!taken) return;
    halt();
    taking.current = null;
    const keys = taken.finish(performance.now());
    const tookMs = performance.now() - begun.current;
    setState({ is: 'judging' });
    const isCounted = way === 'along';
    const how: JudgeOptions = {
      strictness: ear,
      bpm: isCounted ? (view.bpm * tempo) / 100 : null,
      countIn: isCounted ? countsOf(view) : null,
    };
    void judge(keys, how).then((answer) => {
      setState(answer.ok ? { is: 'judged', judged: answer.value, keys } : { is: 'still' });
      if (answer.ok && keys.length > 0) onJudged?.(answer.value, { keys, how, tookMs });
    });
  }, [halt, judge, onJudged, view, way, tempo, ear]);

  // The timer of a run ends it as things are then.
  const ended = useRef(finish);
  useEffect(() => {
    ended.current = finish;
  }, [finish]);

  // A page that is not looked at is given no time: the other hand would stumble. What was played until then is judged.
  const isAlong = way === 'along' && state.is === 'listening';
  useEffect(() => {
    if (!isAlong) return;
    const hide = (): void => {
      if (document.hidden) ended.current();
    };
    document.addEventListener('visibilitychange', hide);
    return () => document.removeEventListener('visibilitychange', hide);
  }, [isAlong]);

  const begin = useCallback(async (): Promise<void> => {
    halt();
    const mine = asked.current;
    setFollowed(NOT_BEGUN);
    setState({ is: 'getting-ready' });
    const sounder = await pianoSounder();
    await sounder.ready();
    if (mine !== asked.current) return;
    const zero = performance.now() + AHEAD_MS;
    taking.current = takeDownFrom(zero);
    begun.current = zero;
    lastKey.current = 0;
    due.current = zero;
    if (way === 'along') {
      const options = alongOptions(view, { hand, tempo, then });
      due.current = zero + (countsOf(view) * 60_000) / ((view.bpm * tempo) / 100);
      player.current ??= createPlayer(sounder);
      player.current.begin(options);
    }
    setState({ is: 'listening' });
    let endedMs: number | null = null;
    timer.current = setInterval(() => {
      const now = performance.now();
      if (way !== 'along') {
        if (lastKey.current > 0 && now - lastKey.current > SILENCE_MS) ended.current();
        return;
      }
      player.current?.tick();
      if (player.current?.position() !== null) return;
      endedMs ??= now;
      if (now - endedMs > TAIL_MS) ended.current();
    }, TICK_MS);
  }, [halt, view, way, hand, tempo, then]);

  const hear = useCallback(
    (move: KeyMove): void => {
      if (!taking.current) return;
      taking.current.hear(move);
      if (move.press === 'up') return;
      setFollowed((before) => {
        const after = followKey(moments, before, move.midi, way === 'wait' ? 'waiting' : 'along');
        if (after.at < moments.length) return after;
        if (then === 'round') return { ...NOT_BEGUN, lit: after.lit };
        // Who has played the last note is soon done; before that one may think as long as one likes.
        lastKey.current = performance.now();
        return after;
      });
    },
    [moments, way, then],
  );

  const forget = useCallback((): void => {
    halt();
    taking.current = null;
    setFollowed(NOT_BEGUN);
    setState({ is: 'still' });
  }, [halt]);
  const dueMs = useCallback((): number | null => due.current, []);

  return useMemo(
    () => ({ state, followed, moments, begin, finish, forget, hear, dueMs }),
    [state, followed, moments, begin, finish, forget, hear, dueMs],
  );
}

/** How many beats are counted in. */
function countsOf({ performance: music }: PracticeView): number {
  return countIn(music, 0).length;
}

function alongOptions(
  { performance: music }: PracticeView,
  { hand, tempo, then }: Pick<PracticeAddress, 'hand' | 'tempo' | 'then'>,
): PlayerOptions {
  const span: Span = { startS: 0, endS: music.lengthS };
  const loudness = (own: 'right' | 'left') => (hand !== 'both' && hand !== own ? ('on' as const) : ('off' as const));
  return {
    performance: music,
    listen: { hands: { right: loudness('right'), left: loudness('left') }, clicks: hand === 'both' ? 'all' : 'none' },
    rate: tempo / 100,
    span,
    goesOn: then === 'round' ? 'round' : 'once',
    countsIn: 'bar',
  };
}
