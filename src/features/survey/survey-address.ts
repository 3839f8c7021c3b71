'use client';

import { array, mixed, string } from 'yup';
import { field, listOf, oneOf, text } from '@/features/shared/address/query-fields';
import { changeQuery, useQuery, type QueryOf } from '@/features/shared/address/use-query';

/** How keys can be ranked: by the core's orders, or by the teacher's own. */
export const ORDERS = ['ease', 'fifths', 'shape', 'own'] as const;
export type Order = (typeof ORDERS)[number];

/** What is shown of them: a line each, a picture with its numbers, some of them bar by bar, or the stages of the piece in each. */
export const SHOWS = ['list', 'picture', 'bars', 'stages'] as const;
export type Show = (typeof SHOWS)[number];

/** Modes that can be asked for beside the piece's own. */
export const OTHER_MODES = [
  'parallel',
  'dorian',
  'phrygian',
  'lydian',
  'mixolydian',
  'locrian',
  'major',
  'minor',
] as const;
export type OtherMode = (typeof OTHER_MODES)[number];

const modes = array(
  mixed<OtherMode>()
    .oneOf([...OTHER_MODES])
    .required(),
).required();
const keyText = string()
  .matches(/^[A-G](#|b)?-[a-z]+$/)
  .required();
const keys = array(keyText).max(30).required();

/** What each field of the address may be. */
export const SHAPE = {
  piece: text,
  pupil: text,
  order: oneOf<Order, null>(ORDERS, null),
  show: oneOf<Show, Show>(SHOWS, 'list'),
  also: listOf<OtherMode>(modes),
  /** The key in which the whole piece is wanted, for the way through the stages; null for the piece's own. */
  to: field(keyText, null),
  /** The keys that are chosen, in the order in which they were. */
  keys: listOf(keys),
};

export type SurveyAddress = QueryOf<typeof SHAPE>;

export function useSurveyAddress(): SurveyAddress {
  return useQuery(SHAPE);
}

export function chooseKeys(keys: readonly string[]): void {
  changeQuery({ keys: keys.length === 0 ? null : keys.join(',') }, 'replace');
}
