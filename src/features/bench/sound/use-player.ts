'use client';

import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { barAt, soundingAt, spanOfBars, type ListenOptions, type Span } from '@/core/playback';
import { createPlayer, type Player, type PlayerOptions } from '@/features/shared/sound/player';
import { pianoSounder } from '@/features/shared/sound/sounder';
import type { Performances } from '@/contract/core-questions';
import type { BenchOptions, PieceSource } from '@/contract/piece-asked';
import { askPerformances } from '@/workers/questions';

/** How the piece is listened to. `loop` is the bars that go round, as indexes; null plays to the end. */
export interface Listening {
  readonly version: 'before' | 'after';
  readonly listen: ListenOptions;
  /** In per cent of the piece's tempo. */
  readonly tempo: number;
  readonly countsIn: 'bar' | 'at-once';
  readonly loop: readonly [number, number] | null;
}

export const SLOWEST_PER_CENT = 30;
export const FASTEST_PER_CENT = 120;

const USUAL: Listening = {
  version: 'after',
  listen: { hands: { right: 'on', left: 'on' }, clicks: 'none' },
  tempo: 100,
  countsIn: 'bar',
  loop: null,
};

/** Where the music is while it plays. */
export interface PlayState {
  readonly is: 'silent' | 'getting-ready' | 'playing';
  /** Whether it goes on to the end (or round), or only some bars are heard once. */
  readonly what: 'piece' | 'excerpt';
  readonly bar: string | null;
  readonly ids: readonly string[];
}

const SILENT: PlayState = { is: 'silent', what: 'piece', bar: null, ids: [] };

export interface BenchPlayer extends PlayState {
  readonly isPlaying: boolean;
  readonly listening: Listening;
  readonly change: (change: Partial<Listening>) => void;
  /** Begins at a bar, by its index. */
  readonly play: (fromIndex: number) => void;
  /** Plays some bars once, without a count-in. */
  readonly playBars: (fromIndex: number, toIndex: number) => void;
  readonly stop: () => void;
}

/** How often sounds are handed over. Unit: ms. */
const TICK_MS = 60;

/** Plays the piece on the piano, before or after the move; both may be switched while it plays. How it sounds is asked for when it is first
 * wanted: most keys are only looked at. */
// eslint-disable-next-line max-lines-per-function -- small functions that share one player
export function usePlayer(source: PieceSource, options: BenchOptions): BenchPlayer {
  const [listening, setListening] = useState(USUAL);
  const [state, setState] = useState(SILENT);
  const player = useRef<Player | null>(null);
  const playing = useRef<PlayerOptions | null>(null);
  // Counts what was asked for: what was stopped or asked anew while it got ready must not begin.
  const asked = useRef(0);

  const stop = useCallback((): void => {
    asked.current += 1;
    player.current?.stop();
    playing.current = null;
    setState(SILENT);
  }, []);

  const begin = useCallback(
    async (what: PlayState['what'], how: Listening, fromIndex: number, toIndex: number): Promise<void> => {
      setState({ ...SILENT, what, is: 'getting-ready' });
      asked.current += 1;
      const mine = asked.current;
      const [sounder, answer] = await Promise.all([pianoSounder(), askPerformances(source, options)]);
      await sounder.ready();
      if (mine !== asked.current) return;
      if (!answer.ok) return setState(SILENT);
      player.current ??= createPlayer(sounder);
      playing.current = optionsFor(answer.value, how, spanOfBars(answer.value[how.version], fromIndex, toIndex));
      player.current.begin(playing.current);
      setState({ ...SILENT, what, is: 'playing' });
    },
    [source, options],
  );
  const play = useCallback(
    (fromIndex: number): void => void begin('piece', listening, ...(listening.loop ?? [fromIndex, Infinity])),
    [listening, begin],
  );
  const playBars = useCallback(
    (fromIndex: number, toIndex: number): void =>
      void begin('excerpt', { ...listening, loop: null, countsIn: 'at-once' }, fromIndex, toIndex),
    [listening, begin],
  );

  // What is changed while it plays is heard at once: another key or version, a hand, the tempo.
  useEffect(() => {
    if (!playing.current) return;
    let isWanted = true;
    const change = async (): Promise<void> => {
      const answer = await askPerformances(source, options);
      if (!isWanted || !answer.ok || !playing.current) return;
      const span = listening.loop
        ? spanOfBars(answer.value[listening.version], ...listening.loop)
        : playing.current.span;
      playing.current = optionsFor(answer.value, listening, span);
      player.current?.change(playing.current);
    };
    void change();
    return () => {
      isWanted = false;
    };
  }, [source, options, listening]);

  const isPlaying = state.is === 'playing';
  useEffect(() => {
    if (!isPlaying) return;
    const timer = setInterval(() => {
      player.current?.tick();
      const atS = player.current?.position() ?? null;
      const performance = playing.current?.performance;
      if (atS === null || !performance) return stop();
      const ids = soundingAt(performance, atS);
      const bar = barAt(performance, atS)?.number ?? null;
      setState((before) => (before.bar === bar && before.ids.join() === ids.join() ? before : { ...before, bar, ids }));
    }, TICK_MS);
    return () => clearInterval(timer);
  }, [isPlaying, stop]);
  useEffect(() => stop, [stop]);

  const change = useCallback(
    (changed: Partial<Listening>): void => setListening((before) => ({ ...before, ...changed })),
    [],
  );
  return useMemo(
    () => ({ ...state, isPlaying, listening, change, play, playBars, stop }),
    [state, isPlaying, listening, change, play, playBars, stop],
  );
}

function optionsFor(ready: Performances, how: Listening, span: Span): PlayerOptions {
  return {
    performance: ready[how.version],
    listen: how.listen,
    rate: how.tempo / 100,
    span,
    goesOn: how.loop ? 'round' : 'once',
    countsIn: how.countsIn,
  };
}
