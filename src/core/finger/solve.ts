import type { Grip, Stand } from './grip';
import { JOINS, type Join } from './join-cost';
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
  readonly changed: readonly Uint8Array[] | null;
  readonly opens: number;
}

export const NO_EXTRA: Extra = { own: null, changed: null, opens: 0 };

/** The cheapest way through a lattice, exactly, by dynamic programming. A state is a grip with the letters that the position has
 * used so far; staying may open the position, moving begins a new one. O(events x grips² x openings²) time. */
export function solve(lattice: Lattice, extra: Extra): Path {
  const { stands, grips, widest, openCost } = lattice;
  if (stands.length === 0) return { steps: [], cost: 0 };
  const side = widest + 1;
  const windows = side * side;
  const backs: Int32Array[] = [];
  let values = firstValues(lattice, extra, windows);
  backs.push(new Int32Array(values.length).fill(-1));
  for (let t = 1; t < stands.length; t += 1) {
    const before = grips[t - 1] as readonly Grip[];
    const now = grips[t] as readonly Grip[];
    const { stay, move, down: downCosts, up: upCosts } = lattice.joins[t] as JoinTable;
    const shift = (stands[t] as Stand).base - (stands[t - 1] as Stand).base;
    const own = ownCosts(lattice, extra, t);
    const next = new Float64Array(now.length * windows).fill(Infinity);
    const back = new Int32Array(now.length * windows).fill(-1);
    for (let p = 0; p < before.length; p += 1) {
      const from = before[p] as Grip;
      let bestWindow = -1;
      let best = Infinity;
      for (let w = 0; w < windows; w += 1) {
        const value = values[p * windows + w] as number;
        if (value < best) {
          best = value;
          bestWindow = w;
        }
      }
      if (bestWindow < 0) continue;
      for (let q = 0; q < now.length; q += 1) {
        const to = now[q] as Grip;
        const spread = to.high - to.low;
        const opens = extra.changed && extra.changed[t]?.[q] === 1 && extra.changed[t - 1]?.[p] === 0 ? extra.opens : 0;
        const base = (own[q] as number) + opens;
        const moved = best + (move[p * now.length + q] as number) + openCost * spread + base;
        if (moved < (next[q * windows] as number)) {
          next[q * windows] = moved;
          back[q * windows] = (p * windows + bestWindow) * 2;
        }
        const stayed = stay[p * now.length + q] as number;
        if (stayed === Infinity) continue;
        const downCost = downCosts[p * now.length + q] as number;
        const upCost = upCosts[p * now.length + q] as number;
        const down = shift + to.low - from.low;
        const up = shift + to.high - from.high;
        for (let i = 0; i < side; i += 1) {
          for (let k = 0; i + k < side; k += 1) {
            const value = values[p * windows + i * side + k] as number;
            if (value === Infinity) continue;
            const below = Math.max(0, i + down);
            const above = Math.max(0, k - up);
            const isSame = below === 0 && above === 0 && i + k === 0 && down === 0 && up === 0;
            if (spread + below + above > widest && !isSame) continue;
            // The letters by which the ends of the position lie beyond the old ones.
            const cost = value + stayed + downCost * Math.max(0, -down - i) + upCost * Math.max(0, up - k) + base;
            const at = q * windows + below * side + above;
            if (cost < (next[at] as number)) {
              next[at] = cost;
              back[at] = (p * windows + i * side + k) * 2 + 1;
            }
          }
        }
      }
    }
    values = next;
    backs.push(back);
  }
  return trace(lattice, backs, values, windows, side);
}

function firstValues(lattice: Lattice, extra: Extra, windows: number): Float64Array {
  const grips = lattice.grips[0] ?? [];
  const own = ownCosts(lattice, extra, 0);
  const values = new Float64Array(grips.length * windows).fill(Infinity);
  grips.forEach((grip, g) => {
    const opens = extra.changed?.[0]?.[g] === 1 ? extra.opens : 0;
    values[g * windows] = (own[g] as number) + opens + lattice.openCost * (grip.high - grip.low);
  });
  return values;
}

function ownCosts(lattice: Lattice, extra: Extra, t: number): Float64Array {
  const costs = lattice.gripCosts[t] as Float64Array;
  const own = extra.own?.[t];
  return own ? costs.map((cost, g) => cost + (own[g] as number)) : costs;
}

function trace(lattice: Lattice, backs: readonly Int32Array[], values: Float64Array, windows: number, side: number): Path {
  let state = 0;
  values.forEach((value, i) => {
    if (value < (values[state] as number)) state = i;
  });
  const cost = values[state] as number;
  const steps: Step[] = [];
  for (let t = backs.length - 1; t >= 0; t -= 1) {
    const grips = lattice.grips[t] ?? [];
    const base = lattice.stands[t]?.base ?? 0;
    const g = Math.floor(state / windows);
    const window = state % windows;
    const grip = grips[g] as Grip;
    const back = backs[t]?.[state] as number;
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
