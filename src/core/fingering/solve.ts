import type { Grip, KeysDown } from './grip';
import type { Lattice, TransitionTable } from './lattice';
import type { Extra, Path } from './plan-path';
import { beginSearch, endsOf, type Ends, type Search } from './search';
import { trace } from './search-trace';

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
  readonly before: Ends;
  readonly now: Ends;
  readonly size: number;
  /** By how many letters the lowest key of the event lies above that of the event before. */
  readonly shift: number;
  /** What each grip of the event costs, however the hand comes to it. */
  readonly price: Float64Array;
  readonly changed: Uint8Array | undefined;
  readonly changedBefore: Uint8Array | undefined;
  readonly back: Int32Array;
  /** What technique costs that is not needed here, by kind of transition, and for each letter of opening. */
  readonly unneeded: Float64Array | undefined;
  readonly opening: number;
}

function onwardTo({ lattice, extra, backs }: Search, t: number): Onward {
  const now = endsOf(lattice.grips[t] as readonly Grip[]);
  const [own, trial] = [extra.own?.[t], extra.trial?.[t]];
  const costs = lattice.gripCosts[t] as Float64Array;
  const price =
    own || trial
      ? costs.map((cost, q) => cost + (own ? (own[q] as number) : 0) + (trial ? (trial[q] as number) : 0))
      : costs;
  return {
    table: lattice.transitions[t] as TransitionTable,
    before: endsOf(lattice.grips[t - 1] as readonly Grip[]),
    now,
    size: now.low.length,
    shift: (lattice.keysDown[t] as KeysDown).base - (lattice.keysDown[t - 1] as KeysDown).base,
    price,
    changed: extra.changed?.[t],
    changedBefore: extra.changed?.[t - 1],
    back: backs[t] as Int32Array,
    unneeded: extra.technique?.transitions[t],
    opening: extra.technique?.opening[t] ?? 0,
  };
}

/** Comes from all states that are worth it to the next event. The states of one grip stand together in `alive`. */
function goOn(search: Search, t: number): void {
  const onward = onwardTo(search, t);
  const { windows, alive } = search;
  search.nextValues.fill(Infinity, 0, onward.size * windows);
  for (let first = 0, end = 0; first < search.count; first = end) {
    const p = Math.floor((alive[first] as number) / windows);
    end = first + 1;
    while (end < search.count && (alive[end] as number) < (p + 1) * windows) end += 1;
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
    const pair = p * size + q;
    const technique = unneeded ? (unneeded[table.kinds[pair] as number] as number) : 0;
    const cost = reached + (table.move[pair] as number) + technique + openCost * spread + own;
    const target = q * windows;
    if (cost < (nextValues[target] as number)) {
      nextValues[target] = cost;
      back[target] = best * 2;
    }
  }
}

/** The hand stays: its position may open so far that it holds the new grip too. */
function stayOn(search: Search, onward: Onward, { p, first, end, opens }: FromGrip): void {
  const { values, nextValues, alive, windows, side, below: belowOf, above: aboveOf } = search;
  const { table, before, now, size, shift, back, price, changed, opening } = onward;
  const { widest } = search.lattice;
  const [fromLow, fromHigh] = [before.low[p] as number, before.high[p] as number];
  for (let q = 0; q < size; q += 1) {
    const pair = p * size + q;
    const stayed = (table.stay[pair] as number) + ((price[q] as number) + (changed && changed[q] === 1 ? opens : 0));
    if (stayed === Infinity) continue;
    const spread = (now.high[q] as number) - (now.low[q] as number);
    // By how many letters the ends of the new grip lie above those of the old one.
    const down = shift + (now.low[q] as number) - fromLow;
    const up = shift + (now.high[q] as number) - fromHigh;
    const downCost = (table.down[pair] as number) + opening;
    const upCost = (table.up[pair] as number) + opening;
    for (let a = first; a < end; a += 1) {
      const state = alive[a] as number;
      const window = state - p * windows;
      const i = belowOf[window] as number;
      const k = aboveOf[window] as number;
      const below = i + down > 0 ? i + down : 0;
      const above = k - up > 0 ? k - up : 0;
      // A grip wider than the level allows may only be repeated.
      if (spread + below + above > widest && !(window === 0 && down === 0 && up === 0)) continue;
      let cost = (values[state] as number) + stayed;
      // The letters by which the ends of the position lie beyond the old ones.
      if (-down - i > 0) cost += downCost * (-down - i);
      if (up - k > 0) cost += upCost * (up - k);
      const target = q * windows + below * side + above;
      if (cost < (nextValues[target] as number)) {
        nextValues[target] = cost;
        back[target] = state * 2 + 1;
      }
    }
  }
}

/** A transition may give back a little of what its grip costs: no more than this. */
const GIVEN_BACK = 5;

/** The most that a state of the next event may be worth going on from: from the best of them the hand can move to any grip of the event after it, and
 * open there as far as the state would have it. What costs more than that, even if its own way on were free, leads to nothing better. */
function worthGoingOn({ lattice, extra, nextValues, windows, growing }: Search, t: number): number {
  const table = lattice.transitions[t + 1];
  if (!table) return Number.MAX_VALUE;
  const size = (lattice.grips[t] as readonly Grip[]).length * windows;
  let best = 0;
  for (let state = 1; state < size; state += 1)
    if ((nextValues[state] as number) < (nextValues[best] as number)) best = state;
  const p = Math.floor(best / windows);
  const { low, high } = endsOf(lattice.grips[t + 1] as readonly Grip[]);
  let dearest = 0;
  for (let q = 0; q < low.length; q += 1) {
    const cost =
      (table.move[p * low.length + q] as number) + lattice.openCost * ((high[q] as number) - (low[q] as number));
    if (cost > dearest) dearest = cost;
  }
  const unneeded = extra.technique ? Math.max(...(extra.technique.transitions[t + 1] as Float64Array)) : 0;
  return (nextValues[best] as number) + dearest + unneeded + extra.opens + growing * lattice.widest + GIVEN_BACK;
}

/** Lists the states of the next event that are worth going on from, in their order; tells how many there are. A state is dropped where the same grip
 * without its window costs no more at the full price of opening: from there everything can be played that could be played from the state. */
function keepAlive({ nextValues, nextAlive, side, growing }: Search, size: number, most: number): number {
  let count = 0;
  for (let q = 0; q < size; q += 1) {
    const first = q * side * side;
    const closed = nextValues[first] as number;
    if (closed <= most) nextAlive[count++] = first;
    for (let i = 0; i < side; i += 1) {
      for (let k = i === 0 ? 1 : 0; i + k < side; k += 1) {
        const value = nextValues[first + i * side + k] as number;
        if (value <= most && value < closed + growing * (i + k)) nextAlive[count++] = first + i * side + k;
      }
    }
  }
  return count;
}
