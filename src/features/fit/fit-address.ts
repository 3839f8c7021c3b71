'use client';

import { array, string } from 'yup';
import type { FitFilter } from '@/core/survey';
import type { Finger } from '@/core/score';
import { listOf, oneOf, text } from '@/features/shared/address/query-fields';
import { changeQuery, useQuery, type QueryOf } from '@/features/shared/address/use-query';

const tonics = array(
  string()
    .matches(/^[A-G](#|b)?$/)
    .required(),
)
  .max(15)
  .required();

/** A filter as the address has it: `stays-put`, `finger-on-black:4`, `in-position:D`. */
export function filterName(filter: FitFilter): string {
  if (filter.kind === 'finger-on-black') return `${filter.kind}:${filter.finger}`;
  return filter.kind === 'in-position' ? `${filter.kind}:${filter.name}` : filter.kind;
}

/** The filter that an address names; null where it names none. */
export function filterNamed(name: string): FitFilter | null {
  const [kind, detail = ''] = name.split(':');
  switch (kind) {
    case 'stays-put':
    case 'no-black':
    case 'opens':
    case 'playable':
      return { kind };
    case 'finger-on-black':
      return /^[1-5]$/.test(detail) ? { kind, finger: Number(detail) as Finger } : null;
    case 'in-position':
      return /^[A-G][♯♭]?$/.test(detail) ? { kind, name: detail } : null;
    default:
      return null;
  }
}

/** What each field of the address may be. */
export const SHAPE = {
  pupil: text,
  tonics: listOf(tonics),
  enough: oneOf<'every' | 'one', 'one'>(['every', 'one'], 'one'),
  ask: (said: string | null): readonly FitFilter[] =>
    (said ?? '').split(',').flatMap((name) => filterNamed(name) ?? []),
};

export type FitAddress = QueryOf<typeof SHAPE>;

export function useFitAddress(): FitAddress {
  return useQuery(SHAPE);
}

/** Asks something else of the shelf. */
export function ask(change: Partial<Pick<FitAddress, 'tonics' | 'enough' | 'ask'>>): void {
  changeQuery(
    {
      ...(change.tonics ? { tonics: change.tonics.length === 0 ? null : change.tonics.join(',') } : {}),
      ...(change.enough ? { enough: change.enough === 'one' ? null : change.enough } : {}),
      ...(change.ask ? { ask: change.ask.length === 0 ? null : change.ask.map(filterName).join(',') } : {}),
    },
    'replace',
  );
}
