'use client';

import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import type { StruckKey } from '@/core/asked';
import { countIn, type Span } from '@/core/playback';
import type { JudgeOptions } from '@/core/practice';
import type { JudgedView, PracticeView } from '@/core/views';
import type { KeyMove } from '@/features/shared/devices/key-device';
import { createPlayer, type Player, type PlayerOptions } from '@/features/shared/sound/player';
import { pianoSounder } from '@/features/shared/sound/sounder';
import { beginByEar, type RunByEar } from './ear/run-by-ear';
import type { Microphone } from './ear/use-microphone';
import { followHeard, followKey, NOT_BEGUN, wantedMoments, type Followed, type WantedMoment } from './follow';
import type { PracticeAddress } from './practice-address';
import type { Practised } from './use-practised';
import { takeDownFrom, type TakeDown } from './take-down';

/** How a run stands: nothing yet, getting ready, listening, being judged, judged. `share`: how much of its sound was heard once more, from 0 to 1. */
export type RunState =
  | { readonly is: 'still' | 'getting-ready' | 'listening' }
  | { readonly is: 'judging'; readonly share?: number }
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
  /** The sound of it, where it is to be kept. */
  readonly sound?: Blob | null;
  /** How often sound was lost on the way to the ear. */
  readonly gaps?: number;
}

interface RunOf {
  readonly view: PracticeView;
  readonly address: PracticeAddress;
  readonly practised: Pick<Practised, 'judge' | 'credit'>;
  readonly microphone: Microphone | null;
  /** Is told of every run in which something was played. */
  readonly onJudged?: (judged: JudgedView, played: PlayedKeys) => void;
  /** Is told where the ear could not say anything of a run, or where the sound had gaps. */
  readonly onEarTrouble?: (why: 'nothing' | 'gaps') => void;
}

/** A run through what is practised: it begins, it is listened to, and it is judged. */
// eslint-disable-next-line max-lines-per-function -- small functions that share one run
export function useRun({ view, address, practised, microphone, onJudged, onEarTrouble }: RunOf): Run {
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
  const byEar = useRef<RunByEar | null>(null);
  const { judge, credit } = practised;
  const { way, tempo, hand, ear, then } = address;

  const halt = useCallback((): void => {
    asked.current += 1;
    if (timer.current) clearInterval(timer.current);
    timer.current = null;
    player.current?.stop();
  }, []);
  const forgetEar = useCallback((): void => {
    byEar.current?.forget();
    byEar.current = null;
  }, []);
  useEffect(
    () => () => {
      halt();
      forgetEar();
    },
    [halt, forgetEar],
  );

  const finish = useCallback((): void => {
    const taken = taking.current;
    if (!taken) return;
    halt();
    const mine = asked.current;
    taking.current = null;
    const heard = byEar.current;
    byEar.current = null;
    const tookMs = performance.now() - begun.current;
    setState({ is: 'judging' });
    const bpm = way === 'along' ? (view.bpm * tempo) / 100 : null;
    const how: JudgeOptions = { strictness: ear, bpm, countIn: bpm === null ? null : countsOf(view) };
    const whole = async (): Promise<PlayedKeys | null> => {
      if (!heard) return { keys: taken.finish(performance.now()), how, tookMs };
      const credited = await heard.end(
        begun.current,
        (share) => {
          if (mine === asked.current) setState({ is: 'judging', share });
        },
        (run) => credit(run, bpm),
      );
      return (
        credited && {
          keys: credited.keys,
          how: { ...how, byEar: { unclear: credited.unclear } },
          tookMs,
          sound: credited.sound,
          gaps: credited.gaps,
        }
      );
    };
    void whole().then(async (played) => {
      const answer = played && (await judge(played.keys, played.how));
      // Meanwhile it may have been forgotten, or begun anew: it goes into the record all the same.
      if (mine === asked.current)
        setState(answer?.ok ? { is: 'judged', judged: answer.value, keys: played?.keys ?? [] } : { is: 'still' });
      if (answer?.ok && played && played.keys.length > 0) onJudged?.(answer.value, played);
      if (played === null) onEarTrouble?.('nothing');
      else if (played.gaps) onEarTrouble?.('gaps');
    });
  }, [halt, judge, credit, onJudged, onEarTrouble, view, way, tempo, ear]);

  // The timer of a run ends it as things are then.
  const ended = useRef(finish);
  useEffect(() => {
    ended.current = finish;
  }, [finish]);

  // A page that is not looked at is given no time: the other hand would stumble. What was played until then is judged.
  const isAlong = (way === 'along' || microphone !== null) && state.is === 'listening';
  useEffect(() => {
    if (!isAlong) return;
    const hide = (): void => {
      if (document.hidden) ended.current();
    };
    document.addEventListener('visibilitychange', hide);
    const stopHearing = microphone?.onGone(() => ended.current());
    return () => {
      document.removeEventListener('visibilitychange', hide);
      stopHearing?.();
    };
  }, [isAlong, microphone]);

  const hear = useCallback(
    (move: KeyMove): void => {
      if (!taking.current) return;
      taking.current.hear(move);
      if (move.press === 'up') return;
      setFollowed((before) => {
        const { midi, atMs, odds } = move;
        const how = way === 'wait' ? 'waiting' : 'along';
        // What is only heard lights a key that is waited for, if it was likely; all else is told afterwards.
        const after =
          odds === undefined
            ? followKey(moments, before, midi, how)
            : followHeard(moments, before, { midi, atMs, odds }, how);
        if (after.at < moments.length) return after;
        if (then === 'round' && move.odds === undefined) return { ...NOT_BEGUN, lit: after.lit };
        // Who has played the last note is soon done; before that one may think as long as one likes.
        lastKey.current = performance.now();
        return after;
      });
    },
    [moments, way, then],
  );

  const begin = useCallback(async (): Promise<void> => {
    halt();
    forgetEar();
    const mine = asked.current;
    setFollowed(NOT_BEGUN);
    setState({ is: 'getting-ready' });
    const listening = microphone && (await beginByEar(microphone, hear));
    // What sounds from a loudspeaker would be heard.
    const isSilent = microphone !== null && !microphone.headphones;
    const sounder = isSilent ? null : await pianoSounder();
    await sounder?.ready();
    if (mine !== asked.current) return listening?.forget();
    if (microphone && !listening) return setState({ is: 'still' });
    byEar.current = listening;
    const zero = performance.now() + AHEAD_MS;
    taking.current = takeDownFrom(zero);
    begun.current = zero;
    lastKey.current = 0;
    due.current = zero;
    const countMs = (countsOf(view) * 60_000) / ((view.bpm * tempo) / 100);
    if (way === 'along') {
      due.current = zero + countMs;
      if (sounder) {
        player.current ??= createPlayer(sounder);
        player.current.begin(alongOptions(view, { hand, tempo, then: microphone ? 'stop' : then }));
      }
    }
    setState({ is: 'listening' });
    const silentUntil = zero + countMs + (view.performance.lengthS * 100_000) / tempo;
    let endedMs: number | null = null;
    timer.current = setInterval(() => {
      const now = performance.now();
      if (way !== 'along') {
        if (lastKey.current > 0 && now - lastKey.current > SILENCE_MS) ended.current();
        return;
      }
      player.current?.tick();
      if (isSilent ? now < silentUntil : player.current?.position() !== null) return;
      endedMs ??= now;
      if (now - endedMs > TAIL_MS) ended.current();
    }, TICK_MS);
  }, [halt, forgetEar, view, way, hand, tempo, then, microphone, hear]);

  const forget = useCallback((): void => {
    halt();
    forgetEar();
    taking.current = null;
    setFollowed(NOT_BEGUN);
    setState({ is: 'still' });
  }, [halt, forgetEar]);
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
