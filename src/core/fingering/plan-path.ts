import type { Grip } from './grip';
import type { Transition } from './meeting';

/** One moment of a plan: the grip, how the hand came to it, and the letters between which its thumb has to lie. */
export interface PlannedGrip {
  readonly grip: Grip;
  /** Which grip of its event this is. */
  readonly index: number;
  readonly transition: Transition | 'begin';
  readonly low: number;
  readonly high: number;
}

export interface Path {
  /** One step an event. */
  readonly steps: readonly PlannedGrip[];
  readonly cost: number;
}

/** What is added to the cost of the hand: `own` one entry a grip of each event; `changed` marks grips that differ from given
 * fingers, and `opens` is paid where a run of them begins. */
export interface Extra {
  readonly own: readonly Float64Array[] | null;
  readonly changed: readonly Uint8Array[] | null;
  readonly opens: number;
}

export const NO_EXTRA: Extra = { own: null, changed: null, opens: 0 };
