/* eslint max-params: ["error", 6] -- asked for every pair of grips of every two events: an object made for each call would cost more than the sum */
import type { Grip, KeysDown } from './grip';
import { keyPair, type KeyPair } from './key-pair';
import type { PassageEvent } from './passage';
import type { View } from './key-view';

/** How the hand gets from one moment to the next. `stay`: the hand keeps its position, perhaps opening. All others begin a new
 * one: `shift` keeps the order of the fingers, `leap` does not or goes beyond the reach, `hop` takes one finger to another key,
 * `change` puts another finger on the same key, `pass` brings the thumb under or a finger over. */
export const TRANSITIONS = ['stay', 'shift', 'leap', 'hop', 'change', 'pass'] as const;
export type Transition = (typeof TRANSITIONS)[number];

/** Two moments next to each other, with the keys that the transition is about. */
export interface Meeting {
  readonly event: PassageEvent;
  readonly before: KeysDown;
  readonly after: KeysDown;
  /** Places in `before` of the keys that are released, in `after` of those that are struck, and in both of those that are held. */
  readonly from: readonly number[];
  readonly to: readonly number[];
  readonly held: readonly (readonly [number, number])[];
  /** How much each pair of a released and a struck key counts, so that chords weigh no more than lines. */
  readonly factor: number;
  /** Between a single key and a chord only the nearest two keys bind the fingers: the others open out on the way. Between equals all do: null. */
  readonly near: readonly [number, number] | null;
}

export function meetingOf(view: View, event: PassageEvent, before: KeysDown, after: KeysDown): Meeting {
  const from: number[] = [];
  const held: (readonly [number, number])[] = [];
  before.down.forEach((note, i) => {
    const k = after.down.indexOf(note);
    if (k >= 0 && after.isHeld[k]) held.push([i, k]);
    else from.push(i);
  });
  const to = after.down.flatMap((_, k) => (after.isHeld[k] ? [] : [k]));
  return {
    event,
    before,
    after,
    from,
    to,
    held,
    factor: from.length === 0 ? 0 : 1 / Math.max(from.length, to.length),
    near: nearestPair(view, before, after, from, to),
  };
}

/** One key after the other, with nothing else that begins or ends. */
export function isLine({ from, to }: Meeting): boolean {
  return from.length === 1 && to.length === 1;
}

/** A released and a struck key under the fingers of two grips. `i` and `k` are their places among the keys down before and now. */
export function pairAt(view: View, { before, after }: Meeting, a: Grip, b: Grip, i: number, k: number): KeyPair {
  return keyPair(
    view,
    before.down[i] as number,
    a.fingers[i] as number,
    after.down[k] as number,
    b.fingers[k] as number,
  );
}

/** The only pair of a line. */
export function linePair(view: View, meeting: Meeting, a: Grip, b: Grip): KeyPair {
  return pairAt(view, meeting, a, b, meeting.from[0] as number, meeting.to[0] as number);
}

function nearestPair(
  view: View,
  before: KeysDown,
  after: KeysDown,
  from: readonly number[],
  to: readonly number[],
): readonly [number, number] | null {
  if (from.length === 0 || to.length === 0 || (from.length === 1) === (to.length === 1)) return null;
  let nearest: readonly [number, number] = [from[0] as number, to[0] as number];
  let least = Infinity;
  for (const i of from) {
    for (const k of to) {
      const distance = Math.abs(
        (view.places[after.down[k] as number] as number) - (view.places[before.down[i] as number] as number),
      );
      if (distance < least) {
        least = distance;
        nearest = [i, k];
      }
    }
  }
  return nearest;
}

/** By how many letters a position opens when the hand stays, and by how many it contracts. The new place of the thumb lies beyond the old
 * ones: on the side of the finger that plays, the hand spreads; on the other, its fingers crowd together. `way` is by how many fingers, in the
 * middle, those that play lie beyond those before (`middle`). */
export function growth(travel: number, down: number, up: number): readonly [opened: number, contracted: number] {
  if (travel === 0) return [down + up, 0];
  return travel > 0 ? [up, down] : [down, up];
}

/** The middle of the fingers on some of the keys that are down. */
export function middle({ fingers }: Grip, at: readonly number[]): number {
  let sum = 0;
  for (const i of at) sum += fingers[i] as number;
  return sum / Math.max(1, at.length);
}

/** Detached notes, rests and phrase ends excuse a hop (handbook, positions and moves). How far is our own choice. */
const EXCUSED = 0.25;

export function hopBond(bond: number): number {
  return bond < 1 ? bond * EXCUSED : bond;
}
