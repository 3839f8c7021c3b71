'use client';

import { useCallback, useRef, useState } from 'react';
import { findQuestion, judge, type FindKind, type FindQuestion, type Verdict } from '@/core/practice';
import { parseKey } from '@/core/pitch';
import { change, type PupilRecord } from '@/data';
import { useWords } from '@/features/shared/words/use-words';

/** A question with what was played to it so far. `verdict` is open until it is answered. */
export interface Round {
  readonly question: FindQuestion;
  readonly played: readonly number[];
  readonly verdict: Verdict;
  readonly number: number;
}

export interface FindingGame {
  readonly round: Round;
  readonly hear: (midi: number) => void;
  readonly handIn: () => void;
  readonly next: () => void;
}

/** The keyboard that is played on, as MIDI numbers. */
export const RANGE = { low: 48, high: 83 };

/** A game of finding: each answer is kept for the pupil the moment it is known. */
export function useFinding(kind: FindKind, pupil: PupilRecord | null): FindingGame {
  const w = useWords();
  const ask = useCallback(
    (number: number): Round => {
      const known = (pupil?.keysKnown ?? []).flatMap((name) => parseKey(name, 'major') ?? []);
      return { question: findQuestion(kind, Math.random, RANGE, known), played: [], verdict: 'open', number };
    },
    [kind, pupil],
  );
  const [round, setRound] = useState(() => ask(1));
  const now = useRef(round);
  const since = useRef<number | null>(null);
  const put = useCallback((next: Round) => {
    now.current = next;
    setRound(next);
  }, []);
  const answered = useCallback(
    (next: Round) => {
      put(next);
      if (next.verdict === 'open') return;
      const tookMs = performance.now() - (since.current ?? performance.now());
      void change({
        kind: 'note.find',
        find: {
          id: crypto.randomUUID(),
          pupil: pupil?.id ?? null,
          kind,
          asked: w.says.questionWords(next.question),
          verdict: next.verdict,
          tookMs: Math.round(tookMs),
          atMs: Date.now(),
        },
      });
    },
    [w, put, kind, pupil],
  );
  const hear = useCallback(
    (midi: number) => {
      const { question, played, verdict } = now.current;
      if (verdict !== 'open') return;
      since.current ??= performance.now();
      const all = [...played, midi];
      answered({ ...now.current, played: all, verdict: judge(question, all, 'playing') });
    },
    [answered],
  );
  const handIn = useCallback(() => {
    const { question, played, verdict } = now.current;
    if (verdict === 'open') answered({ ...now.current, verdict: judge(question, played, 'handed-in') });
  }, [answered]);
  const next = useCallback(() => {
    since.current = performance.now();
    put(ask(now.current.number + 1));
  }, [put, ask]);
  return { round, hear, handIn, next };
}
