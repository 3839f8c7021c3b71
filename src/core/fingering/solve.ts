import type { Grip } from './grip';
import type { Lattice } from './lattice';
import type { Extra, Path } from './plan-path';
import { beginSearch, endsOf, type Ends, type Search } from './search';
import { trace } from './search-trace';
import { movePrice, type TransitionTable } from './transition-table';
import type { Staying } from './windows';

/** The cheapest way through a lattice, exactly, by dynamic programming (`README.md` draws its states). O(events x grips² x openings²) time at most. */
export function solve(lattice: Lattice, extra: Extra): Path {
  if (lattice.keysDown.length === 0) return { steps: [], cost: 0 };
  const search = beginSearch(lattice, extra);
  for (let t = 1; t < lattice.keysDown.length; t += 1) goOn(search, t);
  return trace(search);
}

/** What it takes to come from one event to the next. */
interface Onward {
  readonly table: TransitionTable;
  readonly now: Ends;
  readonly size: number;
  /** What each grip of the event costs, however the hand comes to it. */
  readonly price: Float64Array;
  readonly changed: Uint8Array | undefined;
  readonly changedBefore: Uint8Array | undefined;
  readonly back: Int32Array;
  /** What technique costs that is not needed here, by kind of transition. */
  readonly unneeded: Float64Array | undefined;
  /** What staying does to the windows, an entry a stay. */
  readonly stayings: readonly Staying[];
}

function onwardTo({ lattice, extra, backs }: Search, t: number): Onward {
  const now = endsOf(lattice.grips[t] as readonly Grip[]);
  const table = lattice.transitions[t] as TransitionTable;
  return {
    table,
    now,
    size: now.low.length,
    price: priceOf(lattice.gripCosts[t] as Float64Array, extra.own?.[t], extra.trial?.[t]),
    changed: extra.changed?.[t],
    changedBefore: extra.changed?.[t - 1],
    back: backs[t] as Int32Array,
    unneeded: extra.technique?.transitions[t],
    stayings: extra.technique?.closed[t] === 1 ? table.stays.closed : table.stays.open,
  };
}

function priceOf(costs: Float64Array, own: Float64Array | undefined, trial: Float64Array | undefined): Float64Array {
  if (!own && !trial) return costs;
  const price = costs.slice();
  for (let q = 0; own && q < price.length; q += 1) price[q] = (price[q] as number) + (own[q] as number);
  for (let q = 0; trial && q < price.length; q += 1) price[q] = (price[q] as number) + (trial[q] as number);
  return price;
}

/** Comes from all states that are worth it to the next event. The states of one grip stand together in `alive`. */
function goOn(search: Search, t: number): void {
  const onward = onwardTo(search, t);
  const { alive } = search;
  const { count } = search.windows;
  search.nextValues.fill(Infinity, 0, onward.size * count);
  search.nextBest = 0;
  for (let first = 0, end = 0; first < search.count; first = end) {
    const p = Math.floor((alive[first] as number) / count);
    end = first + 1;
    while (end < search.count && (alive[end] as number) < (p + 1) * count) end += 1;
    const from = { p, first, end, opens: opensFrom(search, onward, p) };
    moveOn(search, onward, from);
    stayOn(search, onward, from);
  }
  search.count = keepAlive(search, onward.size, worthGoingOn(search, t));
  [search.values, search.nextValues] = [search.nextValues, search.values];
  [search.alive, search.nextAlive] = [search.nextAlive, search.alive];
}

/** The states of one grip: those in `alive` from `first` on, before `end`. */
interface FromGrip {
  readonly p: number;
  readonly first: number;
  readonly end: number;
  /** What a changed grip costs that comes next: a run of changes begins with it, or goes on. */
  readonly opens: number;
}

function opensFrom({ extra }: Search, { changedBefore }: Onward, p: number): number {
  return changedBefore?.[p] === 0 ? extra.opens : 0;
}

/** The hand moves from the best state of a grip to a new position, which is as wide as the grip that it begins with. */
function moveOn(search: Search, onward: Onward, { p, first, end, opens }: FromGrip): void {
  const { values, nextValues, alive, windows } = search;
  const { table, now, size, back, price, changed, unneeded } = onward;
  const { openCost } = search.lattice;
  let best = alive[first] as number;
  for (let a = first + 1; a < end; a += 1) {
    const state = alive[a] as number;
    if ((values[state] as number) < (values[best] as number)) best = state;
  }
  const reached = values[best] as number;
  for (let q = 0; q < size; q += 1) {
    const spread = (now.high[q] as number) - (now.low[q] as number);
    const own = (price[q] as number) + (changed && changed[q] === 1 ? opens : 0);
    const cost = reached + movePrice(table, unneeded, p * size + q) + openCost * spread + own;
    const target = q * windows.count;
    if (cost < (nextValues[target] as number)) {
      nextValues[target] = cost;
      back[target] = best * 2;
      if (cost < (nextValues[search.nextBest] as number)) search.nextBest = target;
    }
  }
}

/** The hand stays: its position may open so far that it holds the new grip too. */
function stayOn(search: Search, onward: Onward, { p, first, end, opens }: FromGrip): void {
  const { values, nextValues, alive, windows } = search;
  const { table, back, price, changed, stayings } = onward;
  const { starts, to, cost: costs, down, up } = table.stays;
  const { count } = windows;
  for (let i = starts[p] as number; i < (starts[p + 1] as number); i += 1) {
    const q = to[i] as number;
    const stayed = (costs[i] as number) + ((price[q] as number) + (changed && changed[q] === 1 ? opens : 0));
    const { next, grownBelow, grownAbove } = stayings[i] as Staying;
    const downCost = down[i] as number;
    const upCost = up[i] as number;
    for (let a = first; a < end; a += 1) {
      const state = alive[a] as number;
      const window = state - p * count;
      const reached = next[window] as number;
      if (reached < 0) continue;
      const cost =
        (values[state] as number) +
        stayed +
        downCost * (grownBelow[window] as number) +
        upCost * (grownAbove[window] as number);
      const target = q * count + reached;
      if (cost < (nextValues[target] as number)) {
        nextValues[target] = cost;
        back[target] = state * 2 + 1;
        if (cost < (nextValues[search.nextBest] as number)) search.nextBest = target;
      }
    }
  }
}

/** A transition may give back a little of what its grip costs: no more than this. */
const GIVEN_BACK = 5;

/** The most that a state of the next event may be worth going on from: from the best of them the hand can move to any grip of the event after it, and
 * open there as far as the state would have it. What costs more than that, even if its own way on were free, leads to nothing better. */
function worthGoingOn({ lattice, extra, nextValues, nextBest, windows, growing }: Search, t: number): number {
  const table = lattice.transitions[t + 1];
  if (!table) return Number.MAX_VALUE;
  const p = Math.floor(nextBest / windows.count);
  const { low, high } = endsOf(lattice.grips[t + 1] as readonly Grip[]);
  let dearest = 0;
  for (let q = 0; q < low.length; q += 1) {
    const cost =
      movePrice(table, undefined, p * low.length + q) + lattice.openCost * ((high[q] as number) - (low[q] as number));
    if (cost > dearest) dearest = cost;
  }
  const unneeded = extra.technique?.dearest ?? 0;
  return (nextValues[nextBest] as number) + dearest + unneeded + extra.opens + growing * lattice.widest + GIVEN_BACK;
}

/** Lists the states of the next event that are worth going on from, in their order; tells how many there are. A state is dropped where the same grip
 * without its window costs no more at the full price of opening: from there everything can be played that could be played from the state. */
function keepAlive({ nextValues, nextAlive, windows, growing }: Search, size: number, most: number): number {
  const { count, below, above } = windows;
  let alive = 0;
  for (let q = 0; q < size; q += 1) {
    const first = q * count;
    const closed = nextValues[first] as number;
    if (closed <= most) nextAlive[alive++] = first;
    for (let window = 1; window < count; window += 1) {
      const value = nextValues[first + window] as number;
      if (value > most) continue;
      if (value < closed + growing * ((below[window] as number) + (above[window] as number)))
        nextAlive[alive++] = first + window;
    }
  }
  return alive;
}
