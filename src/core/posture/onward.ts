import { nearOf } from './near';
import type { PostureSearch } from './search';
import { inOrder, stepCost, type Step } from './step';

/** The least that the way costs from each posture of each moment on, without the moment itself: the search backwards. O(moments x postures²) time at worst. */
export function onwardCosts({ stages, own, steps }: PostureSearch): readonly Float64Array[] {
  const onward: Float64Array[] = stages.map(({ form }) => new Float64Array(form.gripOf.length));
  for (let t = stages.length - 1; t > 0; t -= 1) {
    const step = steps[t] as Step;
    const price = (onward[t] as Float64Array).map(
      (value, q) => value + ((own[t] as Float64Array)[step.now.form.gripOf[q] as number] as number),
    );
    onward[t - 1] = comeFrom(step, price);
  }
  return onward;
}

function comeFrom(step: Step, price: Float64Array): Float64Array {
  const result = new Float64Array(step.before.form.gripOf.length).fill(Infinity);
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
  const groups = inOrder(now.form, entered);
  for (let p = 0; p < result.length; p += 1) {
    let best = result[p] as number;
    const row = (before.form.gripOf[p] as number) * groups.length;
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
  onward: readonly Float64Array[],
): readonly number[] {
  const places: number[] = [];
  stages.forEach(({ form }, t) => {
    const step = steps[t];
    const cost = step ? stepCost(step) : null;
    let [place, best] = [0, Infinity];
    for (let q = 0; q < form.gripOf.length; q += 1) {
      const coming = cost ? cost(places[t - 1] as number, q) : ((entering[t] as Float64Array)[q] as number);
      const here = (own[t] as Float64Array)[form.gripOf[q] as number] as number;
      const value = coming + here + ((onward[t] as Float64Array)[q] as number);
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
