'use client';

import { array, string } from 'yup';
import {
  DRILL_HANDS,
  DRILL_KINDS,
  DRILL_RHYTHMS,
  type DrillKind,
  type DrillRhythm,
  FIND_KINDS,
  type FindKind,
} from '@/core/practice';
import { parseKey, type Key } from '@/core/pitch';
import type { Hand } from '@/core/score';
import { listOf, oneOf, text } from '@/features/shared/address/query-fields';
import { changeQuery, useQuery, type QueryOf } from '@/features/shared/address/use-query';

/** The parts of the Atlas. */
export const PARTS = ['positions', 'cards', 'drills', 'finding'] as const;
export type AtlasPart = (typeof PARTS)[number];

/** In which order positions and keys stand. */
export const ATLAS_ORDERS = ['chromatic', 'fifths', 'shape', 'ease'] as const;
export type AtlasOrder = (typeof ATLAS_ORDERS)[number];

const keyName = string()
  .matches(/^[A-G](#|b)?-(major|minor)$/)
  .required();
const keyNames = array(keyName).min(1).max(30).required();

const namedKey =
  (otherwise: string) =>
  (said: string | null): Key => {
    const found = keyName.isValidSync(said) ? parseKey(said, 'major') : undefined;
    return found ?? (parseKey(otherwise, 'major') as Key);
  };

/** What each field of the address may be. */
export const SHAPE = {
  part: oneOf<AtlasPart, AtlasPart>(PARTS, 'positions'),
  key: namedKey('D-major'),
  /** The position with which others are compared. */
  from: namedKey('C-major'),
  order: oneOf<AtlasOrder, AtlasOrder>(ATLAS_ORDERS, 'ease'),
  pupil: text,
  drill: oneOf<DrillKind, DrillKind>(DRILL_KINDS, 'five-fingers'),
  rhythm: oneOf<DrillRhythm, DrillRhythm>(DRILL_RHYTHMS, 'quarters'),
  hands: oneOf<Hand | 'both', Hand | 'both'>(DRILL_HANDS, 'both'),
  /** The keys of a drill, in the order in which they are played. */
  keys: listOf(keyNames),
  game: oneOf<FindKind, FindKind>(FIND_KINDS, 'all-of'),
};

export type AtlasAddress = QueryOf<typeof SHAPE>;

export function useAtlasAddress(): AtlasAddress {
  return useQuery(SHAPE);
}

/** Shows something else; a part of its own gets an entry for the back button. */
export function show(change: Readonly<Record<string, string | null>>): void {
  changeQuery(change, 'part' in change ? 'push' : 'replace');
}
