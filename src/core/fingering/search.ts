import type { Grip } from './grip';
import type { Lattice } from './lattice';
import type { Extra } from './plan-path';
import { newPositions, type Stays } from './transition-table';
import { windowsOf, type Staying, type Windows } from './windows';

/** What it takes to come to an event, made ready once for all searches through a lattice. */
export interface Stage {
  /** How many grips the event has. */
  readonly size: number;
  /** What each grip costs, however the hand comes to it. */
  readonly price: Float64Array;
  /** What it costs to come to a new position, one entry a pair of grips. Nothing at the first event. */
  readonly moves: Float64Array;
  readonly stays: Stays;
  /** What staying does to the windows, one entry a stay. */
  readonly stayings: readonly Staying[];
  /** What each grip costs more after one that is not changed: a run of changes begins with it. Null where nothing can be changed. */
  readonly begins: Float64Array | null;
  readonly changedBefore: Uint8Array | undefined;
  /** The most that the next transition costs from each grip. Null at the last event. */
  readonly dearestOnward: Float64Array | null;
  /** Where the event's states begin in `backs`. */
  readonly firstState: number;
}

/** States of one event. A state is a grip and a window, as the number `grip * windows.count + window`. */
export interface States {
  /** The cost of each state that was reached. */
  readonly values: Float64Array;
  /** The windows with which each grip was reached, as bits; in the end those that are worth going on from. */
  readonly reached: Int32Array;
}

/** A search through a lattice, with the memory that it writes into. */
export interface Search {
  readonly lattice: Lattice;
  readonly extra: Extra;
  readonly windows: Windows;
  /** The full price of opening a position by one letter. */
  readonly growing: number;
  /** For each state of each event the state before: twice its number, and one more where the hand stayed. */
  readonly backs: Int32Array;
  /** One an event. */
  readonly stages: readonly Stage[];
  /** The states of the event that was come to last. */
  states: States;
  /** Those of the event after it, while they are worked out. */
  next: States;
}

export function searchThrough(lattice: Lattice, extra: Extra): Search {
  const windows = windowsOf(lattice.widest);
  const most = Math.max(...lattice.grips.map((own) => own.length));
  let states = 0;
  const stages = lattice.grips.map((own, t) => {
    const stage = stageAt(lattice, extra, states, t);
    states += own.length * windows.count;
    return stage;
  });
  return {
    lattice,
    extra,
    windows,
    growing: Math.max(lattice.openCost, lattice.contractCost),
    backs: new Int32Array(states),
    stages,
    states: roomFor(most, windows.count),
    next: roomFor(most, windows.count),
  };
}

function roomFor(grips: number, windows: number): States {
  return {
    values: new Float64Array(grips * windows),
    reached: new Int32Array(grips),
  };
}

function stageAt(
  { grips, gripCosts, transitions, openCost }: Lattice,
  extra: Extra,
  firstState: number,
  t: number,
): Stage {
  const own = grips[t] as readonly Grip[];
  const table = transitions[t] ?? null;
  const changed = extra.changed?.[t];
  return {
    size: own.length,
    price: sum(gripCosts[t] as Float64Array, extra.own?.[t]),
    moves: table ? newPositions(table) : firstPositions(own, openCost),
    stays: table?.stays ?? NO_STAYS,
    stayings: table?.stays.windows ?? [],
    begins: changed ? Float64Array.from(changed, (one) => one * extra.opens) : null,
    changedBefore: extra.changed?.[t - 1],
    dearestOnward: transitions[t + 1]?.dearest ?? null,
    firstState,
  };
}

function sum(costs: Float64Array, own: Float64Array | undefined): Float64Array {
  return own ? costs.map((cost, g) => cost + (own[g] as number)) : costs;
}

/** The first position is as wide as its grip. */
function firstPositions(grips: readonly Grip[], openCost: number): Float64Array {
  return Float64Array.from(grips, ({ low, high }) => openCost * (high - low));
}

const NO_STAYS: Stays = {
  starts: new Int32Array(0),
  to: new Int32Array(0),
  cost: new Float64Array(0),
  down: new Float64Array(0),
  up: new Float64Array(0),
  windows: [],
};
