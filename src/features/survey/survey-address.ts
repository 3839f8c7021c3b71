'use client';

import { array, mixed, string } from 'yup';
import { changeQuery, useQuery, type QueryOf } from '@/features/shared/use-query';

/** How keys can be ranked: by the core's orders, or by the teacher's own. */
export const ORDERS = ['ease', 'fifths', 'shape', 'own'] as const;
export type Order = (typeof ORDERS)[number];

/** What is shown of them: a line each, a picture with its numbers, or some of them bar by bar. */
export const SHOWS = ['list', 'picture', 'bars'] as const;
export type Show = (typeof SHOWS)[number];

/** Modes that can be asked for beside the piece's own. */
export const OTHER_MODES = ['parallel', 'dorian', 'phrygian', 'lydian', 'mixolydian', 'locrian', 'major', 'minor'] as const;
export type OtherMode = (typeof OTHER_MODES)[number];

const words = string().required();
const order = mixed<Order>().oneOf([...ORDERS]).required();
const show = mixed<Show>().oneOf([...SHOWS]).required();
const modes = array(mixed<OtherMode>().oneOf([...OTHER_MODES]).required()).required();
const keys = array(string().matches(/^[A-G](#|b)?-[a-z]+$/).required()).max(30).required();

const listOf = (said: string | null): readonly string[] => (said ?? '').split(',').filter(Boolean);

/** What each field of the address may be. */
export const SHAPE = {
  piece: (said: string | null): string | null => (words.isValidSync(said) ? said : null),
  pupil: (said: string | null): string | null => (words.isValidSync(said) ? said : null),
  order: (said: string | null): Order | null => (order.isValidSync(said) ? said : null),
  show: (said: string | null): Show => (show.isValidSync(said) ? said : 'list'),
  also: (said: string | null): readonly OtherMode[] => {
    const list = listOf(said);
    return modes.isValidSync(list) ? list : [];
  },
  /** The keys that are chosen, in the order in which they were. */
  keys: (said: string | null): readonly string[] => {
    const list = listOf(said);
    return keys.isValidSync(list) ? [...new Set(list)] : [];
  },
};

export type SurveyAddress = QueryOf<typeof SHAPE>;

export function useSurveyAddress(): SurveyAddress {
  return useQuery(SHAPE);
}

export function chooseKeys(keys: readonly string[]): void {
  changeQuery({ keys: keys.length === 0 ? null : keys.join(',') }, 'replace');
}
