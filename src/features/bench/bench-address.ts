'use client';

import { number, string } from 'yup';
import { DIRECTIONS, type Direction } from '@/core/pitch';
import { addressOf } from '@/features/shared/address/address-of';
import { field, oneOf, text } from '@/features/shared/address/query-fields';
import { changeQuery, queryNow, readQuery, useQuery, type QueryOf } from '@/features/shared/address/use-query';

/** The forms of the minor scale. */
export const MINOR_FORMS = ['harmonic', 'natural', 'melodic'] as const;
export type MinorForm = (typeof MINOR_FORMS)[number];

const keyText = string()
  .required()
  .matches(/^[A-G](#|b)?-[a-z]+$/);
const place = string()
  .required()
  .matches(/^[^:]*:\d+(\.\d+)?$/);
const octave = field(number().required().integer().min(-3).max(3), 0);

/** What the address of the Bench holds, so that it can be bookmarked and the back button works. */
export const SHAPE = {
  piece: text,
  /** The wanted key, as `Bb-major`; null for the piece's own. */
  key: field(keyText, null),
  way: oneOf<Direction, Direction>(DIRECTIONS, 'nearest'),
  /** Which minor a piece from another mode comes into. */
  minor: oneOf<MinorForm, MinorForm>(MINOR_FORMS, 'harmonic'),
  right: octave,
  left: octave,
  /** The pupil by id, or `any`; null for the one chosen last. */
  pupil: text,
  /** The stage of the piece by its id; null for the whole. */
  stage: text,
  /** The selected place, as bar and beat: `3:2`. */
  at: field(place, null),
};

export type BenchAddress = QueryOf<typeof SHAPE>;

/** What is not written, since it is meant where nothing is said. */
const USUAL: Readonly<Record<string, unknown>> = { way: 'nearest', minor: 'harmonic', right: 0, left: 0 };

/** The address as it was asked for last, whether or not the screen has caught up. */
export function addressNow(): BenchAddress {
  return readQuery(SHAPE, queryNow());
}

/** The address of the Bench, as the screen shows it. */
export function useBenchAddress(): BenchAddress {
  return useQuery(SHAPE);
}

/** The address of the pupil's page for what is on the Bench, and for whom it is there. */
export function practiceFor(
  piece: string,
  pupil: { readonly id: string } | null,
  { key, stage }: BenchAddress,
): string {
  return addressOf('/practice', { piece, key, pupil: pupil?.id ?? null, stage });
}

/** Changes the address, with a new entry for the back button. */
export function go(change: Partial<BenchAddress>): void {
  changeQuery(written(change), 'push');
}

/** Changes the address in place. */
export function note(change: Partial<BenchAddress>): void {
  changeQuery(written(change), 'replace');
}

function written(change: Partial<BenchAddress>): Readonly<Record<string, string | null>> {
  return Object.fromEntries(
    Object.entries(change).map(([name, value]) => [
      name,
      value === null || value === USUAL[name] ? null : String(value),
    ]),
  );
}
