import type { Grip, Stand } from './grip';
import { JOINS, type Join } from './meeting';
import type { JoinTable, Lattice } from './lattice';

/** One moment of a plan: the grip, how the hand came to it, and the letters between which its thumb has to lie. */
export interface Step {
  readonly grip: Grip;
  /** Which grip of its event this is. */
  readonly index: number;
  readonly join: Join | 'begin';
  readonly low: number;
  readonly high: number;
}

export interface Path {
  /** One step an event. */
  readonly steps: readonly Step[];
  readonly cost: number;
}

/** What is added to the cost of the hand: `own` one entry a grip of each event; `changed` marks grips that differ from given
 * fingers, and `opens` is paid where a run of them begins. */
export interface Extra {
  readonly own: readonly Float64Array[] | null;
  /** A second layer of the same, for what is tried on top. */
  readonly wish?: readonly Float64Array[] | null;
  readonly changed: readonly Uint8Array[] | null;
  readonly opens: number;
}

export const NO_EXTRA: Extra = { own: null, changed: null, opens: 0 };

/** The cheapest way through a lattice, exactly, by dynamic programming. A state is a grip with the letters that the position has
 * used so far: by how many the position reaches below and above those of the grip itself. Staying may open the position, moving begins
 * a new one. A state is dropped where the same grip without the reach, at its value and the full price of opening, costs no more: from
 * there everything can be played that could be played from the state; and where moving on from the best state costs no more (`worthGoingOn`). O(events x grips² x openings²) time at most. */
export function solve(lattice: Lattice, extra: Extra): Path {
  const { stands, grips, gripCosts, joins, widest, openCost } = lattice;
  if (stands.length === 0) return { steps: [], cost: 0 };
  const side = widest + 1;
  const windows = side * side;
  const room = roomFor(lattice, windows);
  const { below: belowOf, above: aboveOf } = reaches(side);
  const growing = Math.max(openCost, lattice.contractCost);
  let values = room.values[0] as Float64Array;
  let next = room.values[1] as Float64Array;
  let alive = room.alive[0] as Int32Array;
  let nextAlive = room.alive[1] as Int32Array;
  let count = begin(lattice, extra, windows, values, alive);
  for (let t = 1; t < stands.length; t += 1) {
    const before = endsOf(grips[t - 1] as readonly Grip[]);
    const now = endsOf(grips[t] as readonly Grip[]);
    const size = now.low.length;
    const { stay, move, down: downCosts, up: upCosts } = joins[t] as JoinTable;
    const shift = (stands[t] as Stand).base - (stands[t - 1] as Stand).base;
    const own = gripCosts[t] as Float64Array;
    const added = extra.own?.[t];
    const wish = extra.wish?.[t];
    const changed = extra.changed?.[t];
    const changedBefore = extra.changed?.[t - 1];
    const back = room.backs[t] as Int32Array;
    next.fill(Infinity, 0, size * windows);
    for (let at = 0; at < count; ) {
      const p = Math.floor((alive[at] as number) / windows);
      const fromLow = before.low[p] as number;
      const fromHigh = before.high[p] as number;
      const first = at;
      let best = Infinity;
      let bestState = -1;
      for (; at < count && (alive[at] as number) < (p + 1) * windows; at += 1) {
        const value = values[alive[at] as number] as number;
        if (value < best) {
          best = value;
          bestState = alive[at] as number;
        }
      }
      for (let q = 0; q < size; q += 1) {
        const pair = p * size + q;
        const toLow = now.low[q] as number;
        const toHigh = now.high[q] as number;
        const spread = toHigh - toLow;
        const opens = changed && changed[q] === 1 && changedBefore?.[p] === 0 ? extra.opens : 0;
        const base = (own[q] as number) + (added ? (added[q] as number) : 0) + (wish ? (wish[q] as number) : 0) + opens;
        const moved = best + (move[pair] as number) + openCost * spread + base;
        if (moved < (next[q * windows] as number)) {
          next[q * windows] = moved;
          back[q * windows] = bestState * 2;
        }
        const stayed = (stay[pair] as number) + base;
        if (stayed === Infinity) continue;
        const down = shift + toLow - fromLow;
        const up = shift + toHigh - fromHigh;
        const downCost = downCosts[pair] as number;
        const upCost = upCosts[pair] as number;
        for (let a = first; a < at; a += 1) {
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
          if (cost < (next[target] as number)) {
            next[target] = cost;
            back[target] = state * 2 + 1;
          }
        }
      }
    }
    count = keepAlive(next, nextAlive, size, side, growing, worthGoingOn(lattice, extra, next, t, windows, growing));
    [values, next] = [next, values];
    [alive, nextAlive] = [nextAlive, alive];
  }
  return trace(lattice, room.backs, values, alive.subarray(0, count), windows, side);
}

/** The lowest and highest letters of the grips of an event, close together in memory. */
interface Ends {
  readonly low: Int32Array;
  readonly high: Int32Array;
}

const ends = new WeakMap<readonly Grip[], Ends>();

function endsOf(grips: readonly Grip[]): Ends {
  const known = ends.get(grips);
  if (known) return known;
  const made = { low: Int32Array.from(grips, ({ low }) => low), high: Int32Array.from(grips, ({ high }) => high) };
  ends.set(grips, made);
  return made;
}

/** By how many letters each window reaches below and above its grip. */
function reaches(side: number): { readonly below: Int32Array; readonly above: Int32Array } {
  const windows = Array.from({ length: side * side }, (_, window) => window);
  return { below: Int32Array.from(windows, (window) => Math.floor(window / side)), above: Int32Array.from(windows, (window) => window % side) };
}

/** Memory that the search writes into: as much as the widest event needs, and the way back for each. It is used again by the next search
 * through the same lattice. */
interface Room {
  readonly values: readonly Float64Array[];
  readonly alive: readonly Int32Array[];
  readonly backs: readonly Int32Array[];
}

const rooms = new WeakMap<Lattice['grips'], Room>();

function roomFor({ grips }: Lattice, windows: number): Room {
  const known = rooms.get(grips);
  if (known) return known;
  const most = Math.max(...grips.map((own) => own.length)) * windows;
  const room = {
    values: [new Float64Array(most), new Float64Array(most)],
    alive: [new Int32Array(most), new Int32Array(most)],
    backs: grips.map((own) => new Int32Array(own.length * windows)),
  };
  rooms.set(grips, room);
  return room;
}

function begin(lattice: Lattice, extra: Extra, windows: number, values: Float64Array, alive: Int32Array): number {
  const own = lattice.gripCosts[0] as Float64Array;
  const grips = lattice.grips[0] as readonly Grip[];
  grips.forEach((grip, g) => {
    const opens = extra.changed?.[0]?.[g] === 1 ? extra.opens : 0;
    values[g * windows] = (own[g] as number) + (extra.own?.[0]?.[g] ?? 0) + (extra.wish?.[0]?.[g] ?? 0) + opens + lattice.openCost * (grip.high - grip.low);
    alive[g] = g * windows;
  });
  return grips.length;
}

/** A join may give back a little of what its grip costs: no more than this. */
const GIVEN_BACK = 5;

/** The most that a state may be worth going on from: from the best state the hand can move to any grip of the next event, and open there as
 * far as the state would have it. What costs more than that, even if its own way on were free, leads to nothing better. */
function worthGoingOn(lattice: Lattice, extra: Extra, values: Float64Array, t: number, windows: number, growing: number): number {
  const joins = lattice.joins[t + 1];
  if (!joins) return Number.MAX_VALUE;
  const size = (lattice.grips[t] as readonly Grip[]).length * windows;
  let best = 0;
  for (let state = 1; state < size; state += 1) if ((values[state] as number) < (values[best] as number)) best = state;
  const p = Math.floor(best / windows);
  const { low, high } = endsOf(lattice.grips[t + 1] as readonly Grip[]);
  let dearest = 0;
  for (let q = 0; q < low.length; q += 1) {
    const cost = (joins.move[p * low.length + q] as number) + lattice.openCost * ((high[q] as number) - (low[q] as number));
    if (cost > dearest) dearest = cost;
  }
  return (values[best] as number) + dearest + extra.opens + growing * lattice.widest + GIVEN_BACK;
}

/** Lists the states that are worth going on from, in their order; tells how many there are. */
function keepAlive(values: Float64Array, alive: Int32Array, size: number, side: number, growing: number, most: number): number {
  let count = 0;
  for (let q = 0; q < size; q += 1) {
    const first = q * side * side;
    const closed = values[first] as number;
    if (closed <= most) alive[count++] = first;
    for (let i = 0; i < side; i += 1) {
      for (let k = i === 0 ? 1 : 0; i + k < side; k += 1) {
        const value = values[first + i * side + k] as number;
        if (value <= most && value < closed + growing * (i + k)) alive[count++] = first + i * side + k;
      }
    }
  }
  return count;
}

function trace(lattice: Lattice, backs: readonly Int32Array[], values: Float64Array, alive: Int32Array, windows: number, side: number): Path {
  let state = alive[0] as number;
  for (const other of alive) if ((values[other] as number) < (values[state] as number)) state = other;
  const cost = values[state] as number;
  const steps: Step[] = [];
  for (let t = lattice.grips.length - 1; t >= 0; t -= 1) {
    const base = lattice.stands[t]?.base ?? 0;
    const g = Math.floor(state / windows);
    const window = state % windows;
    const grip = lattice.grips[t]?.[g] as Grip;
    const back = t === 0 ? -1 : (backs[t]?.[state] as number);
    steps.push({ grip, index: g, join: joinOf(lattice, t, back, g, windows), low: base + grip.low - Math.floor(window / side), high: base + grip.high + (window % side) });
    state = back >> 1;
  }
  return { steps: steps.reverse(), cost };
}

function joinOf(lattice: Lattice, t: number, back: number, g: number, windows: number): Step['join'] {
  if (back < 0) return 'begin';
  if (back % 2 === 1) return 'stay';
  const before = Math.floor((back >> 1) / windows);
  const now = lattice.grips[t]?.length ?? 0;
  return JOINS[lattice.joins[t]?.kinds[before * now + g] as number] as Join;
}
