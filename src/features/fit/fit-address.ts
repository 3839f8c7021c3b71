'use client';

import { array, mixed, string } from 'yup';
import type { FitFilter } from '@/core/survey';
import type { Finger } from '@/core/score';
import { changeQuery, useQuery, type QueryOf } from '@/features/shared/use-query';

const words = string().required();
const tonics = array(string().matches(/^[A-G](#|b)?$/).required()).max(15).required();
const enough = mixed<'every' | 'one'>().oneOf(['every', 'one']).required();

const listOf = (said: string | null): readonly string[] => (said ?? '').split(',').filter(Boolean);

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
  pupil: (said: string | null): string | null => (words.isValidSync(said) ? said : null),
  tonics: (said: string | null): readonly string[] => {
    const list = listOf(said);
    return tonics.isValidSync(list) ? [...new Set(list)] : [];
  },
  enough: (said: string | null): 'every' | 'one' => (enough.isValidSync(said) ? said : 'one'),
  ask: (said: string | null): readonly FitFilter[] => listOf(said).flatMap((name) => filterNamed(name) ?? []),
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
