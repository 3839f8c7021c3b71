'use client';

import { number, string } from 'yup';
import { STRICTNESSES, type Strictness } from '@/core/practice';
import type { Hand } from '@/core/score';
import { field, oneOf, text } from '@/features/shared/address/query-fields';
import { changeQuery, useQuery, type QueryOf } from '@/features/shared/address/use-query';

export const WAYS = ['along', 'wait', 'free'] as const;
export type Way = (typeof WAYS)[number];

/** What comes after a run: nothing, a little faster if it was clean, or round and round until one is done. */
export const AFTERWARDS = ['stop', 'faster', 'round'] as const;
export type Afterwards = (typeof AFTERWARDS)[number];

/** Tempo in per cent of what is written; a clean run makes it so much faster, up to what is written. */
export const SLOWEST = 30;
export const FASTEST = 120;
const FASTER = 5;
const AS_WRITTEN = 100;

/** The tempo of the next run, after one at this tempo that was clean. */
export function fasterThan(tempo: number): number {
  return tempo >= AS_WRITTEN ? tempo : Math.min(AS_WRITTEN, tempo + FASTER);
}

const bar = field(number().required().integer().min(0), null);

/** What the address of the pupil's page holds. Bars as indexes, tempo in per cent of what is written. */
const SHAPE = {
  piece: text,
  key: field(
    string()
      .required()
      .matches(/^[A-G](#|b)?-[a-z]+$/),
    null,
  ),
  pupil: text,
  /** The stage of the piece by its id; null for the whole. */
  stage: text,
  /** The practice step that is shown, by its id; `next` for the one that is open, `end` behind the last one; null where one plays as one likes. */
  step: text,
  /** The step from which one came here, to come back to; the key and the stage in which it is played, where they are others than those of its list. */
  of: text,
  inKey: text,
  inStage: text,
  hand: oneOf<Hand | 'both', Hand | 'both'>(['both', 'right', 'left'], 'both'),
  from: bar,
  to: bar,
  tempo: field(number().required().integer().min(SLOWEST).max(FASTEST), 60),
  way: oneOf<Way, Way>(WAYS, 'along'),
  then: oneOf<Afterwards, Afterwards>(AFTERWARDS, 'stop'),
  /** Whether the steps are gone through, or put into order by the teacher. */
  show: oneOf<'steps' | 'arrange', 'steps' | 'arrange'>(['steps', 'arrange'], 'steps'),
  ear: oneOf<Strictness, Strictness>(STRICTNESSES, 'usual'),
};

export type PracticeAddress = QueryOf<typeof SHAPE>;

export function usePracticeAddress(): PracticeAddress {
  return useQuery(SHAPE);
}

/** Changes what is practised. A place to which one may want to come back gets an entry of its own. */
export function practise(change: Partial<PracticeAddress>, entry: 'push' | 'replace' = 'replace'): void {
  const written = Object.entries(change).map(([name, value]) => [name, value === null ? null : String(value)]);
  changeQuery(Object.fromEntries(written) as Record<string, string | null>, entry);
}
