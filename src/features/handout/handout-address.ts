'use client';

import { array, string, type Schema } from 'yup';
import { SHEET_KINDS, type SheetKind } from '@/core/paper';
import { field, listOf, oneOf, text } from '@/features/shared/address/query-fields';
import { changeQuery, useQuery, type QueryOf } from '@/features/shared/address/use-query';

const KEY = /^[A-G](#|b)?-[a-z]+$/;

/** What the address of a sheet holds. `keys` are further keys that go into the same file. */
const SHAPE = {
  piece: text,
  key: field(string().required().matches(KEY), null),
  keys: listOf(array(string().required().matches(KEY)).required() as Schema<readonly string[]>),
  pupil: text,
  stage: text,
  sheet: oneOf<SheetKind, null>(SHEET_KINDS, null),
};

export type HandoutAddress = QueryOf<typeof SHAPE>;

export function useHandoutAddress(): HandoutAddress {
  return useQuery(SHAPE);
}

/** Changes what is on paper. */
export function turnTo(change: Partial<Record<keyof HandoutAddress, string | null>>): void {
  changeQuery(change, 'replace');
}
