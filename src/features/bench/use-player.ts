'use client';

import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { barAt, soundingAt, spanOfBars, type ListenWish, type Performance, type Span } from '@/core/perform';
import { createPlayer, type Player, type PlayerWish } from '@/features/shared/sound/player';
import { pianoSounder } from '@/features/shared/sound/sounder';
import { useAnswer } from '@/features/shared/use-answer';
import type { Performances } from '@/workers/protocol';
import { askPerformances } from '@/workers/questions';
import type { BenchAnswers } from './use-bench';

/** How the piece is listened to. `loop` is the bars that go round, as indexes; null plays to the end. */
export interface Listening {
  readonly version: 'before' | 'after';
  readonly listen: ListenWish;
  /** In per cent of the piece's tempo. */
  readonly tempo: number;
  readonly countsIn: 'bar' | 'at-once';
  readonly loop: readonly [number, number] | null;
}

export const SLOWEST_PER_CENT = 30;
export const FASTEST_PER_CENT = 120;

const USUAL: Listening = { version: 'after', listen: { hands: { right: 'on', left: 'on' }, clicks: 'none' }, tempo: 100, countsIn: 'bar', loop: null };

/** Where the music is while it plays. */
export interface PlayState {
  readonly isPlaying: boolean;
  readonly bar: string | null;
  readonly ids: readonly string[];
}

const SILENT: PlayState = { isPlaying: false, bar: null, ids: [] };

export interface BenchPlayer extends PlayState {
  readonly listening: Listening;
  readonly change: (change: Partial<Listening>) => void;
  /** Begins at a bar, by its index. */
  readonly play: (fromIndex: number) => void;
  /** Plays some bars once, without a count-in. */
  readonly playBars: (fromIndex: number, toIndex: number) => void;
  readonly stop: () => void;
  readonly bars: Performance['bars'];
}

/** How often sounds are handed over. Unit: ms. */
const TICK_MS = 60;

/** Plays the piece on the piano, before or after the move; both may be switched while it plays. */
export function usePlayer({ source, wish }: Pick<BenchAnswers, 'source' | 'wish'>, subject: string): BenchPlayer {
  const [listening, setListening] = useState(USUAL);
  const [state, setState] = useState(SILENT);
  const ask = useMemo(() => () => askPerformances(source, wish), [source, wish]);
  const performances = useAnswer(subject, ask).value;
  const player = useRef<Player | null>(null);
  const playing = useRef<PlayerWish | null>(null);

  const wishFor = useCallback((ready: Performances, how: Listening, span: Span): PlayerWish => {
    const performance = ready[how.version];
    return { performance, listen: how.listen, rate: how.tempo / 100, span, goesOn: how.loop ? 'round' : 'once', countsIn: how.countsIn };
  }, []);

  const begin = useCallback(async (wanted: PlayerWish): Promise<void> => {
    const sounder = await pianoSounder();
    await sounder.ready();
    player.current ??= createPlayer(sounder);
    playing.current = wanted;
    player.current.begin(wanted);
    setState({ ...SILENT, isPlaying: true });
  }, []);

  const play = useCallback(
    (fromIndex: number): void => {
      if (!performances) return;
      const performance = performances[listening.version];
      const [from, to] = listening.loop ?? [fromIndex, Infinity];
      void begin(wishFor(performances, listening, spanOfBars(performance, from, to)));
    },
    [performances, listening, begin, wishFor],
  );
  const playBars = useCallback(
    (fromIndex: number, toIndex: number): void => {
      if (!performances) return;
      const once = { ...listening, loop: null, countsIn: 'at-once' } as const;
      void begin(wishFor(performances, once, spanOfBars(performances[once.version], fromIndex, toIndex)));
    },
    [performances, listening, begin, wishFor],
  );
  const stop = useCallback((): void => {
    player.current?.stop();
    playing.current = null;
    setState(SILENT);
  }, []);

  // What is changed while it plays is heard at once: another version, a hand, the tempo.
  useEffect(() => {
    if (!playing.current || !performances) return;
    const span = listening.loop ? spanOfBars(performances[listening.version], ...listening.loop) : playing.current.span;
    playing.current = wishFor(performances, listening, span);
    player.current?.change(playing.current);
  }, [performances, listening, wishFor]);

  useEffect(() => {
    if (!state.isPlaying) return;
    const timer = setInterval(() => {
      player.current?.tick();
      const atS = player.current?.position() ?? null;
      const performance = playing.current?.performance;
      if (atS === null || !performance) return stop();
      const ids = soundingAt(performance, atS);
      const bar = barAt(performance, atS)?.number ?? null;
      setState((before) => (before.bar === bar && before.ids.join() === ids.join() ? before : { isPlaying: true, bar, ids }));
    }, TICK_MS);
    return () => clearInterval(timer);
  }, [state.isPlaying, stop]);
  useEffect(() => stop, [stop]);

  const change = useCallback((changed: Partial<Listening>): void => setListening((before) => ({ ...before, ...changed })), []);
  return { ...state, listening, change, play, playBars, stop, bars: performances?.[listening.version].bars ?? NO_BARS };
}

const NO_BARS: Performance['bars'] = [];
