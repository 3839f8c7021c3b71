import type { Hand } from '../score';
import type { Moment } from './moments';

/** Fingers that are written for a shape at one moment, and what any others cost. */
export interface Wish {
  readonly t: number;
  /** One entry a struck note, from the thumb's side: fingers as bits, finger 1 the lowest. */
  readonly fingers: readonly number[];
  readonly weight: number;
}

/** A hand with the letters of each moment as they sound, the lowest first. */
export interface Sounding {
  readonly hand: Hand;
  readonly moments: readonly Moment[];
  readonly letters: readonly (readonly number[])[];
}

export function soundingOf(hand: Hand, moments: readonly Moment[]): Sounding {
  const letters = moments.map(({ letters: own }) =>
    hand === 'left' ? own.map((letter) => -letter).toReversed() : own,
  );
  return { hand, moments, letters };
}

/** A wish for fingers told low note first, `/` where either is written. */
export function wishFor(
  { hand }: Pick<Sounding, 'hand'>,
  t: number,
  lowFirst: readonly string[],
  weight: number,
): Wish {
  const masks = lowFirst.map((word) => word.split('/').reduce((mask, digit) => mask | (1 << (Number(digit) - 1)), 0));
  return { t, fingers: hand === 'left' ? masks.toReversed() : masks, weight };
}

/** Wishes by their moments: one list a moment. */
export function groupWishes(wishes: readonly Wish[], moments: number): readonly (readonly Wish[])[] {
  const at = Array.from({ length: moments }, (): Wish[] => []);
  for (const wish of wishes) at[wish.t]?.push(wish);
  return at;
}
