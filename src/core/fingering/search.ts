import { memoOf } from '../base';
import type { Grip } from './grip';
import type { Lattice } from './lattice';
import type { Extra } from './plan-path';
import { windowsOf, type Windows } from './windows';

/** What a search knows at one event. A state is a grip and a window, as the number `grip * windows.count + window`. */
export interface Search {
  readonly lattice: Lattice;
  readonly extra: Extra;
  readonly windows: Windows;
  /** The full price of opening a position by one letter. */
  readonly growing: number;
  /** For each event and state the state before: twice its number, and one more where the hand stayed. */
  readonly backs: readonly Int32Array[];
  /** The cost of each state of the event that was reached, and which of them are worth going on from. */
  values: Float64Array;
  alive: Int32Array;
  count: number;
  /** The same for the event after, while it is worked out, and the cheapest state of it so far. */
  nextValues: Float64Array;
  nextAlive: Int32Array;
  nextBest: number;
}

/** The states of the first event: each grip by itself, as wide as it is. */
export function beginSearch(lattice: Lattice, extra: Extra): Search {
  const windows = windowsOf(lattice.widest);
  const { values, alive, backs } = roomOf(lattice);
  const search: Search = {
    lattice,
    extra,
    windows,
    growing: Math.max(lattice.openCost, lattice.contractCost),
    backs,
    values: values[0],
    alive: alive[0],
    count: 0,
    nextValues: values[1],
    nextAlive: alive[1],
    nextBest: 0,
  };
  (lattice.grips[0] as readonly Grip[]).forEach((grip, g) => {
    const opens = extra.changed?.[0]?.[g] === 1 ? extra.opens : 0;
    const price = (lattice.gripCosts[0]?.[g] ?? 0) + (extra.own?.[0]?.[g] ?? 0) + (extra.trial?.[0]?.[g] ?? 0) + opens;
    search.values[g * windows.count] = price + lattice.openCost * (grip.high - grip.low);
    search.alive[g] = g * windows.count;
    search.count += 1;
  });
  return search;
}

/** The lowest and highest letters of the grips of an event, close together in memory. */
export interface Ends {
  readonly low: Int32Array;
  readonly high: Int32Array;
}

export const endsOf = memoOf((grips: readonly Grip[]): Ends => ({
  low: Int32Array.from(grips, ({ low }) => low),
  high: Int32Array.from(grips, ({ high }) => high),
}));

/** Memory that the search writes into: as much as the widest event needs, and the way back for each. It is used again by the next search
 * through the same lattice. */
interface Room {
  readonly values: readonly [Float64Array, Float64Array];
  readonly alive: readonly [Int32Array, Int32Array];
  readonly backs: readonly Int32Array[];
}

const roomOf = memoOf(({ grips, widest }: Lattice): Room => {
  const windows = windowsOf(widest).count;
  const most = Math.max(...grips.map((own) => own.length)) * windows;
  return {
    values: [new Float64Array(most), new Float64Array(most)],
    alive: [new Int32Array(most), new Int32Array(most)],
    backs: grips.map((own) => new Int32Array(own.length * windows)),
  };
});
