'use client';

import { number, string } from 'yup';
import { STRICTNESSES, type Strictness } from '@/core/practice';
import type { Hand } from '@/core/score';
import { field, oneOf, text } from '@/features/shared/query-fields';
import { changeQuery, useQuery, type QueryOf } from '@/features/shared/use-query';

export const WAYS = ['along', 'wait', 'free'] as const;
export type Way = (typeof WAYS)[number];

export const SLOWEST = 30;
export const FASTEST = 120;

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
  hand: oneOf<Hand | 'both', Hand | 'both'>(['both', 'right', 'left'], 'both'),
  from: bar,
  to: bar,
  tempo: field(number().required().integer().min(SLOWEST).max(FASTEST), 60),
  way: oneOf<Way, Way>(WAYS, 'along'),
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
