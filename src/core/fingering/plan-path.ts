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
  /** A second layer of the same, for what is tried on top. */
  readonly trial?: readonly Float64Array[] | null;
  readonly changed: readonly Uint8Array[] | null;
  readonly opens: number;
  readonly technique?: Technique | null;
}

/** What ways to get on cost beyond what the hand pays for them, where the music does not ask for them: one entry a transition kind of each event, and a
 * price of each event for every letter by which a position opens there. */
export interface Technique {
  readonly transitions: readonly Float64Array[];
  readonly opening: Float64Array;
}

export const NO_EXTRA: Extra = { own: null, changed: null, opens: 0 };
