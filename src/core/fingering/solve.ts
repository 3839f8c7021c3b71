import type { Lattice } from './lattice';
import type { Extra, Path } from './plan-path';
import { searchThrough, type Search, type Stage } from './search';
import { trace } from './search-trace';
import type { Staying } from './windows';

/** The cheapest way through a lattice, exactly, by dynamic programming (`README.md` draws its states). O(events x grips² x openings²) time at most. */
export function solve(lattice: Lattice, extra: Extra): Path {
  if (lattice.keysDown.length === 0) return { steps: [], cost: 0 };
  const search = searchThrough(lattice, extra);
  return trace(search, goThrough(search, null));
}

/** Goes through a lattice, and says in which state the cheapest way ends; the ways back stand in the search until it goes through again. `trial` is what the
 * grips of each event cost on top. */
export function goThrough(search: Search, trial: readonly (Float64Array | undefined)[] | null): number {
  let best = begin(search, trial?.[0]);
  for (let t = 1; t < search.stages.length; t += 1) best = comeTo(search, t, trial?.[t]);
  return best;
}

/** The states of the first event: each grip by itself, as wide as it is. */
function begin(search: Search, trial: Float64Array | undefined): number {
  const stage = search.stages[0] as Stage;
  const { values } = search.next;
  const { count } = search.windows;
  values.fill(Infinity, 0, stage.size * count);
  for (let g = 0; g < stage.size; g += 1)
    values[g * count] = (stage.moves[g] as number) + (stage.begins ? (stage.begins[g] as number) : 0);
  return settle(search, stage, trial);
}

/** Comes from all states that are worth it to the next event. */
function comeTo(search: Search, t: number, trial: Float64Array | undefined): number {
  const stage = search.stages[t] as Stage;
  const before = (search.stages[t - 1] as Stage).size;
  const { starts } = search.states;
  search.next.values.fill(Infinity, 0, stage.size * search.windows.count);
  for (let p = 0; p < before; p += 1) {
    if (starts[p] === starts[p + 1]) continue;
    const begins = stage.begins && stage.changedBefore?.[p] === 0 ? stage.begins : null;
    moveOn(search, stage, p, begins);
    stayOn(search, stage, p, begins);
  }
  return settle(search, stage, trial);
}

/** The hand moves from the best state of a grip to a new position, which is as wide as the grip that it begins with. */
function moveOn(search: Search, { size, moves, back }: Stage, p: number, begins: Float64Array | null): void {
  const { values, alive, starts } = search.states;
  const next = search.next.values;
  const { count } = search.windows;
  let best = alive[starts[p] as number] as number;
  for (let a = (starts[p] as number) + 1; a < (starts[p + 1] as number); a += 1) {
    const state = alive[a] as number;
    if ((values[state] as number) < (values[best] as number)) best = state;
  }
  const reached = values[best] as number;
  for (let q = 0, pair = p * size, target = 0; q < size; q += 1, pair += 1, target += count) {
    const cost = reached + (moves[pair] as number) + (begins === null ? 0 : (begins[q] as number));
    if (cost < (next[target] as number)) {
      next[target] = cost;
      back[target] = best * 2;
    }
  }
}

/** The hand stays: its position may open so far that it holds the new grip too. */
function stayOn(search: Search, { stays, stayings, back }: Stage, p: number, begins: Float64Array | null): void {
  const { values, alive, starts } = search.states;
  const next = search.next.values;
  const { count } = search.windows;
  const [first, end] = [starts[p] as number, starts[p + 1] as number];
  for (let i = stays.starts[p] as number; i < (stays.starts[p + 1] as number); i += 1) {
    const q = stays.to[i] as number;
    const stayed = (stays.cost[i] as number) + (begins === null ? 0 : (begins[q] as number));
    const { next: windowAfter, grownBelow, grownAbove } = stayings[i] as Staying;
    const [down, up] = [stays.down[i] as number, stays.up[i] as number];
    for (let a = first; a < end; a += 1) {
      const state = alive[a] as number;
      const window = state - p * count;
      const reached = windowAfter[window] as number;
      if (reached < 0) continue;
      const cost =
        (values[state] as number) +
        stayed +
        down * (grownBelow[window] as number) +
        up * (grownAbove[window] as number);
      const target = q * count + reached;
      if (cost < (next[target] as number)) {
        next[target] = cost;
        back[target] = state * 2 + 1;
      }
    }
  }
}

/** Adds what the grips themselves cost, and keeps the states that are worth going on from. Gives the best of all. */
function settle(search: Search, stage: Stage, trial: Float64Array | undefined): number {
  const { values } = search.next;
  const { count } = search.windows;
  let best = 0;
  for (let q = 0, state = 0; q < stage.size; q += 1) {
    const price = trial === undefined ? (stage.price[q] as number) : (stage.price[q] as number) + (trial[q] as number);
    for (const end = state + count; state < end; state += 1) {
      const value = (values[state] as number) + price;
      values[state] = value;
      if (value < (values[best] as number)) best = state;
    }
  }
  keepAlive(search, stage, worthGoingOn(search, stage, best));
  [search.states, search.next] = [search.next, search.states];
  return best;
}

/** A transition may give back a little of what its grip costs: no more than this. */
const GIVEN_BACK = 5;

/** The most that a state may be worth going on from: from the best of them the hand can move to any grip of the event after it, and
 * open there as far as the state would have it. What costs more than that, even if its own way on were free, leads to nothing better. */
function worthGoingOn({ lattice, extra, next, windows, growing }: Search, stage: Stage, best: number): number {
  if (!stage.dearestOnward) return Number.MAX_VALUE;
  const dearest = stage.dearestOnward[Math.floor(best / windows.count)] as number;
  const unneeded = extra.technique?.dearest ?? 0;
  return (next.values[best] as number) + dearest + unneeded + extra.opens + growing * lattice.widest + GIVEN_BACK;
}

/** Lists the states that are worth going on from, in their order. A state is dropped where the same grip
 * without its window costs no more at the full price of opening: from there everything can be played that could be played from the state. */
function keepAlive({ next, windows, growing }: Search, { size }: Stage, most: number): void {
  const { values, alive, starts } = next;
  const { count, wider } = windows;
  let kept = 0;
  for (let q = 0, first = 0; q < size; q += 1, first += count) {
    starts[q] = kept;
    const closed = values[first] as number;
    if (closed <= most) alive[kept++] = first;
    for (let window = 1; window < count; window += 1) {
      const value = values[first + window] as number;
      if (value <= most && value < closed + growing * (wider[window] as number)) alive[kept++] = first + window;
    }
  }
  starts[size] = kept;
}
