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
  const { values, reached } = search.next;
  for (let g = 0, state = 0; g < stage.size; g += 1, state += search.windows.count) {
    values[state] = (stage.moves[g] as number) + (stage.begins ? (stage.begins[g] as number) : 0);
    reached[g] = 1;
  }
  return settle(search, stage, trial);
}

/** Comes from all states that are worth it to the next event. */
function comeTo(search: Search, t: number, trial: Float64Array | undefined): number {
  const stage = search.stages[t] as Stage;
  const before = (search.stages[t - 1] as Stage).size;
  const { reached } = search.states;
  search.next.reached.fill(0, 0, stage.size);
  for (let p = 0; p < before; p += 1) {
    if (reached[p] === 0) continue;
    const begins = stage.begins && stage.changedBefore?.[p] === 0 ? stage.begins : null;
    moveOn(search, stage, p, begins);
    stayOn(search, stage, p, begins);
  }
  return settle(search, stage, trial);
}

/** The place of the lowest bit that is set. */
function lowestBit(bits: number): number {
  return 31 - Math.clz32(bits & -bits);
}

/** The hand moves from the best state of a grip to a new position, which is as wide as the grip that it begins with. */
function moveOn(
  { states, next, windows, backs }: Search,
  { size, moves, firstState }: Stage,
  p: number,
  begins: Float64Array | null,
): void {
  const { values, reached } = states;
  const first = p * windows.count;
  let bits = reached[p] as number;
  let best = first + lowestBit(bits);
  for (bits &= bits - 1; bits !== 0; bits &= bits - 1) {
    const state = first + lowestBit(bits);
    if ((values[state] as number) < (values[best] as number)) best = state;
  }
  const cost = values[best] as number;
  for (let q = 0, pair = p * size, target = 0; q < size; q += 1, pair += 1, target += windows.count) {
    const moved = cost + (moves[pair] as number) + (begins === null ? 0 : (begins[q] as number));
    const known = next.reached[q] as number;
    if ((known & 1) === 0 || moved < (next.values[target] as number)) {
      next.values[target] = moved;
      next.reached[q] = known | 1;
      backs[firstState + target] = best * 2;
    }
  }
}

/** The hand stays: its position may open so far that it holds the new grip too. */
function stayOn(
  { states, next, windows, backs }: Search,
  { stays, stayings, firstState }: Stage,
  p: number,
  begins: Float64Array | null,
): void {
  const { count } = windows;
  const from = states.reached[p] as number;
  for (let i = stays.starts[p] as number; i < (stays.starts[p + 1] as number); i += 1) {
    const q = stays.to[i] as number;
    const stayed = (stays.cost[i] as number) + (begins === null ? 0 : (begins[q] as number));
    const { next: windowAfter, grownBelow, grownAbove } = stayings[i] as Staying;
    const [down, up] = [stays.down[i] as number, stays.up[i] as number];
    for (let bits = from; bits !== 0; bits &= bits - 1) {
      const window = lowestBit(bits);
      const after = windowAfter[window] as number;
      if (after < 0) continue;
      const state = p * count + window;
      const cost =
        (states.values[state] as number) +
        stayed +
        down * (grownBelow[window] as number) +
        up * (grownAbove[window] as number);
      const target = q * count + after;
      const known = next.reached[q] as number;
      if ((known & (1 << after)) === 0 || cost < (next.values[target] as number)) {
        next.values[target] = cost;
        next.reached[q] = known | (1 << after);
        backs[firstState + target] = state * 2 + 1;
      }
    }
  }
}

/** Adds what the grips themselves cost, and keeps the states that are worth going on from. Gives the best of all. */
function settle(search: Search, stage: Stage, trial: Float64Array | undefined): number {
  const { values, reached } = search.next;
  const { count } = search.windows;
  let best = -1;
  for (let q = 0; q < stage.size; q += 1) {
    const price = trial === undefined ? (stage.price[q] as number) : (stage.price[q] as number) + (trial[q] as number);
    for (let bits = reached[q] as number; bits !== 0; bits &= bits - 1) {
      const state = q * count + lowestBit(bits);
      const value = (values[state] as number) + price;
      values[state] = value;
      if (best < 0 || value < (values[best] as number)) best = state;
    }
  }
  keepWorthy(search, stage, worthGoingOn(search, stage, best));
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
  return (next.values[best] as number) + dearest + extra.opens + growing * lattice.widest + GIVEN_BACK;
}

/** Leaves only the states that are worth going on from. One is dropped where the same grip
 * without its window costs no more at the full price of opening: from there everything can be played that could be played from the state. */
function keepWorthy({ next, windows, growing }: Search, { size }: Stage, most: number): void {
  const { values, reached } = next;
  const { count, wider } = windows;
  for (let q = 0; q < size; q += 1) {
    const first = q * count;
    const found = reached[q] as number;
    // A new position is open to every grip, so that the empty window was reached.
    const closed = values[first] as number;
    let kept = closed <= most ? 1 : 0;
    for (let bits = found & ~1; bits !== 0; bits &= bits - 1) {
      const window = lowestBit(bits);
      const value = values[first + window] as number;
      if (value <= most && value < closed + growing * (wider[window] as number)) kept |= 1 << window;
    }
    reached[q] = kept;
  }
}
