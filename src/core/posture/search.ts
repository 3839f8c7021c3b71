import { nearOf } from './near';
import type { Stage } from './stages';
import { inOrder, stepCost, type Step } from './step';

/** What a search goes through. */
export interface PostureSearch {
  readonly stages: readonly Stage[];
  /** What each posture costs to take at each moment, wherever the hand came from. */
  readonly entering: readonly Float64Array[];
  /** What each grip of each moment costs by itself. */
  readonly own: readonly Float64Array[];
  /** How the hand comes to each moment from the one before; null at the first. */
  readonly steps: readonly (Step | null)[];
}

/** A way through the postures: that of each moment, by its place in the stage. */
export interface PosturePath {
  readonly places: readonly number[];
  readonly cost: number;
}

/** The least that the way costs from each posture of a moment on, without the moment itself: `base` and what is beyond it, one entry a posture. Rounded down. */
export interface Onward {
  readonly costs: Float64Array;
  readonly base: number;
}

/** What is known before a search: the least that the way costs from each posture on, and what some way costs in whole. */
export interface Bounds {
  readonly onward: readonly Onward[];
  /** What is left after each moment beside that, whatever the way: one entry a moment. */
  readonly ahead: readonly number[];
  readonly most: number;
}

const EPSILON = 1e-9;

/** The cheapest way through all postures, exactly. O(moments x postures²) time at worst; bounds leave out what cannot be part of it. */
export function searchPostures(search: PostureSearch, bounds: Bounds | null): PosturePath {
  const backs: Int16Array[] = [];
  let values = new Float64Array(0);
  search.stages.forEach(({ form }, t) => {
    const own = new Float64Array(form.gripOf.length);
    for (let q = 0; q < own.length; q += 1) own[q] = search.own[t]?.[form.gripOf[q] as number] as number;
    const limit = limitsAt(own, bounds, t);
    const step = search.steps[t];
    const { next, back } = step ? comeTo(step, values, limit) : begin(search.entering[t] as Float64Array, limit);
    for (let q = 0; q < own.length; q += 1) next[q] = (next[q] as number) + (own[q] as number);
    values = next;
    backs.push(back);
  });
  return trace(values, backs);
}

/** The most that may be paid before each posture of a moment. */
function limitsAt(own: Float64Array, bounds: Bounds | null, t: number): Float64Array {
  const limit = new Float64Array(own.length).fill(Infinity);
  const onward = bounds?.onward[t];
  if (!bounds || !onward) return limit;
  const most = bounds.most + EPSILON - (bounds.ahead[t] as number) - onward.base;
  for (let q = 0; q < limit.length; q += 1) limit[q] = most - (onward.costs[q] as number) - (own[q] as number);
  return limit;
}

interface Coming {
  readonly next: Float64Array<ArrayBuffer>;
  readonly back: Int16Array;
}

function begin(entering: Float64Array, limit: Float64Array): Coming {
  const next = new Float64Array(entering.length);
  for (let q = 0; q < next.length; q += 1) {
    const value = entering[q] as number;
    next[q] = value > (limit[q] as number) ? Infinity : value;
  }
  return { next, back: new Int16Array(entering.length).fill(-1) };
}

function comeTo(step: Step, values: Float64Array, limit: Float64Array): Coming {
  const { before, now, entering, isFree, leastMove, pivot, least, leastNear } = step;
  const next = new Float64Array(entering.length).fill(Infinity);
  const back = new Int16Array(entering.length).fill(-1);
  const cost = stepCost(step);
  const near = nearOf(step);
  const { starts } = near;
  const groups = inOrder(before, values);
  const columns = now.grips.length;
  const lowest = Math.min(...groups.map(([p]) => (p === undefined ? Infinity : (values[p] as number))));
  for (let q = 0; q < next.length; q += 1) {
    let best = limit[q] as number;
    let from = -1;
    if (lowest + least > best) continue;
    const same = near.same[q] as number;
    if (same >= 0) {
      const value = (values[same] as number) + cost(same, q);
      if (value <= best) {
        best = value;
        from = same;
      }
    }
    for (let i = starts[q] as number; i < (starts[q + 1] as number); i += 1) {
      const p = near.from[i] as number;
      if ((values[p] as number) + leastNear > best) continue;
      const value = (values[p] as number) + cost(p, q);
      if (value < best) {
        best = value;
        from = p;
      }
    }
    const grip = now.gripOf[q] as number;
    for (let i = 0; i < groups.length; i += 1) {
      const saved = near.pivots[q * groups.length + i] === 1 ? pivot : 0;
      const reach = isFree ? 0 : (entering[q] as number) + (leastMove[i * columns + grip] as number) + saved;
      const group = groups[i] as readonly number[];
      for (let k = 0; k < group.length; k += 1) {
        const p = group[k] as number;
        if ((values[p] as number) + reach > best) break;
        const value = (values[p] as number) + cost(p, q);
        if (value < best) {
          best = value;
          from = p;
        }
      }
    }
    if (from < 0) continue;
    next[q] = best;
    back[q] = from;
  }
  return { next, back };
}

function trace(values: Float64Array, backs: readonly Int16Array[]): PosturePath {
  let place = 0;
  values.forEach((value, q) => {
    if (value < (values[place] as number)) place = q;
  });
  const cost = values[place] ?? 0;
  const places: number[] = [];
  for (let t = backs.length - 1; t >= 0; t -= 1) {
    places.push(place);
    place = backs[t]?.[place] as number;
  }
  return { places: places.reverse(), cost };
}
