'use client';

import { useSearchParams } from 'next/navigation';
import { useMemo } from 'react';
import { mixed, number, string, type Schema } from 'yup';
import { DIRECTIONS, type Direction } from '@/core/pitch';

/** What the address of the Bench holds, so that it can be bookmarked and the back button works. */
export interface BenchAddress {
  readonly piece: string | null;
  /** The wanted key, as `Bb-major`; null for the piece's own. */
  readonly key: string | null;
  readonly way: Direction;
  /** Which minor a piece from another mode comes into. */
  readonly minor: MinorForm;
  readonly right: number;
  readonly left: number;
  /** The pupil by id, or `any`; null for the one chosen last. */
  readonly pupil: string | null;
  /** The selected place, as bar and beat: `3:2`. */
  readonly at: string | null;
}

const words = string().required();
const keyText = string().required().matches(/^[A-G](#|b)?-[a-z]+$/);
/** The forms of the minor scale. */
export const MINOR_FORMS = ['harmonic', 'natural', 'melodic'] as const;
export type MinorForm = (typeof MINOR_FORMS)[number];

const minor = mixed<MinorForm>().required().oneOf([...MINOR_FORMS]);
const way = mixed<Direction>().required().oneOf([...DIRECTIONS]);
const octave = number().required().integer().min(-3).max(3);
const place = string().required().matches(/^[^:]*:\d+(\.\d+)?$/);

/** Reads one field of the address; what it cannot be counts as not said. */
function fieldOf<T, U>(schema: Schema<T>, said: string | null, otherwise: U): T | U {
  return schema.isValidSync(said) ? schema.cast(said) : otherwise;
}

function readAddress(query: URLSearchParams): BenchAddress {
  return {
    piece: fieldOf(words, query.get('piece'), null),
    key: fieldOf(keyText, query.get('key'), null),
    way: fieldOf<Direction, Direction>(way, query.get('way'), 'nearest'),
    minor: fieldOf<MinorForm, MinorForm>(minor, query.get('minor'), 'harmonic'),
    right: fieldOf(octave, query.get('right'), 0),
    left: fieldOf(octave, query.get('left'), 0),
    pupil: fieldOf(words, query.get('pupil'), null),
    at: fieldOf(place, query.get('at'), null),
  };
}

function writeAddress(address: BenchAddress): string {
  const usual: Readonly<Record<string, unknown>> = { way: 'nearest', minor: 'harmonic', right: 0, left: 0 };
  const query = new URLSearchParams();
  for (const [name, value] of Object.entries(address)) {
    if (value !== null && value !== usual[name]) query.set(name, String(value));
  }
  return `/bench?${query.toString()}`;
}

/** The address as it is at this very moment: keys pressed in quick succession each go on from the one before, whether
 * or not the screen has caught up. */
export function addressNow(): BenchAddress {
  return readAddress(new URLSearchParams(window.location.search));
}

/** The address of the Bench, as the screen shows it. */
export function useBenchAddress(): BenchAddress {
  const query = useSearchParams();
  return useMemo(() => readAddress(new URLSearchParams(query)), [query]);
}

/** Changes the address, with a new entry for the back button. */
export function go(change: Partial<BenchAddress>): void {
  window.history.pushState(null, '', writeAddress({ ...addressNow(), ...change }));
}

/** Changes the address in place. */
export function note(change: Partial<BenchAddress>): void {
  window.history.replaceState(null, '', writeAddress({ ...addressNow(), ...change }));
}
