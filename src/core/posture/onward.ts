import { lastingMemo } from '../base';
import { nearOf } from './near';
import type { Onward, PostureSearch } from './search';
import { inOrder, stepCost, type Step } from './step';

interface Kept extends Onward {
  /** Equal costs have one number. */
  readonly id: number;
}

/** Costs are rounded down to so much, so that what differs by the last digits alone is one. Unit: cost. */
const GRAIN = 1e-6;

/** After an edit most of a piece is as it was: a few moments before it the ways have come together again, and what each posture costs beyond the cheapest is
 * known. Bars that come again are known too. */
const comings = lastingMemo<Kept>(6000);
const equals = lastingMemo<{ readonly id: number; readonly costs: Float64Array }>(6000);
let lastId = 0;

/** What is left of the way from each moment on: the search backwards. `names` tell steps apart with all that they and their later moments cost, one entry a
 * moment. O(moments x postures²) time at worst. */
export function onwardCosts({ stages, own, steps }: PostureSearch, names: readonly string[]): readonly Onward[] {
  const last = stages.at(-1);
  if (!last) return [];
  const onward: Kept[] = [keptOf(new Float64Array(last.form.gripOf.length))];
  for (let t = stages.length - 1; t > 0; t -= 1) {
    const step = steps[t] as Step;
    const after = onward.at(-1) as Kept;
    const coming = comings.get(`${after.id}<${names[t]}`, () => {
      const price = after.costs.map(
        (value, q) => value + ((own[t] as Float64Array)[step.now.gripOf[q] as number] as number),
      );
      return keptOf(comeFrom(step, price));
    });
    onward.push({ ...coming, base: after.base + coming.base });
  }
  return onward.reverse();
}

function keptOf(costs: Float64Array): Kept {
  let base = Infinity;
  for (const cost of costs) if (cost < base) base = cost;
  const grains = new Int32Array(costs.length);
  for (let q = 0; q < grains.length; q += 1) grains[q] = Math.floor(((costs[q] as number) - base) / GRAIN);
  const { id, costs: known } = equals.get(grains.join(), () => {
    const rounded = new Float64Array(grains.length);
    for (let q = 0; q < rounded.length; q += 1) rounded[q] = (grains[q] as number) * GRAIN;
    return { id: (lastId += 1), costs: rounded };
  });
  return { id, costs: known, base };
}

function comeFrom(step: Step, price: Float64Array): Float64Array {
  const result = new Float64Array(step.before.gripOf.length).fill(Infinity);
  const cost = stepCost(step);
  const near = nearOf(step);
  near.same.forEach((p, q) => {
    if (p >= 0) result[p] = Math.min(result[p] as number, (price[q] as number) + cost(p, q));
  });
  for (let q = 0; q < price.length; q += 1)
    for (let i = near.starts[q] as number; i < (near.starts[q + 1] as number); i += 1) {
      const p = near.from[i] as number;
      if ((price[q] as number) + step.leastNear < (result[p] as number))
        result[p] = Math.min(result[p] as number, (price[q] as number) + cost(p, q));
    }
  const { before, now, isFree, leastMove, pivot } = step;
  const entered = isFree ? price : price.map((value, q) => value + (step.entering[q] as number));
  const groups = inOrder(now, entered);
  for (let p = 0; p < result.length; p += 1) {
    let best = result[p] as number;
    const row = (before.gripOf[p] as number) * groups.length;
    for (let k = 0; k < groups.length; k += 1) {
      const reach = isFree ? 0 : (leastMove[row + k] as number) + pivot;
      for (const q of groups[k] as readonly number[]) {
        if ((entered[q] as number) + reach >= best) break;
        const value = (price[q] as number) + cost(p, q);
        if (value < best) best = value;
      }
    }
    result[p] = best;
  }
  return result;
}

/** The cheapest way, told from what is left from each posture on. */
export function wayOnward(
  { stages, entering, own, steps }: PostureSearch,
  onward: readonly Onward[],
): readonly number[] {
  const places: number[] = [];
  stages.forEach(({ form }, t) => {
    const step = steps[t];
    const cost = step ? stepCost(step) : null;
    let [place, best] = [0, Infinity];
    for (let q = 0; q < form.gripOf.length; q += 1) {
      const coming = cost ? cost(places[t - 1] as number, q) : ((entering[t] as Float64Array)[q] as number);
      const here = (own[t] as Float64Array)[form.gripOf[q] as number] as number;
      const value = coming + here + ((onward[t] as Onward).costs[q] as number);
      if (value < best) [place, best] = [q, value];
    }
    places.push(place);
  });
  return places;
}

/** What a way costs. */
export function costOfPath({ stages, entering, own, steps }: PostureSearch, places: readonly number[]): number {
  return places.reduce((sum, q, t) => {
    const { form } = stages[t] as PostureSearch['stages'][number];
    const here = (own[t] as Float64Array)[form.gripOf[q] as number] as number;
    const step = steps[t];
    const coming = step ? stepCost(step)(places[t - 1] as number, q) : ((entering[t] as Float64Array)[q] as number);
    return sum + here + coming;
  }, 0);
}
