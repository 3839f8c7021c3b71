import { memoOf } from '../base';
import { neutralView, playHand, RULES, tallySteps, type HandPlan, type Rule, type PlanSlice } from '../fingering';

/** What one rule adds to the cost of a stretch. */
export interface RuleCost {
  readonly rule: Rule;
  readonly cost: number;
}

/** Two ways to play a stretch, with what each costs by rule. `fingers`: the old ones against the new ones, on the keys of this key.
 * `keys`: the same fingers on the keys of this key against the white keys of their letters. Costs that are 0 are left out. */
export interface Comparison {
  readonly between: 'fingers' | 'keys';
  readonly worse: readonly RuleCost[];
  readonly better: readonly RuleCost[];
}

/** What the events of a plan cost by rule, from one to another, both included, with the transitions into and out of them. */
export function costsByRule(plan: PlanSlice, from: number, to: number): readonly RuleCost[] {
  const { weights } = plan.lattice.demands;
  const { amounts } = tallySteps(plan.lattice, plan.steps, from, Math.min(to + 1, plan.steps.length - 1));
  return RULES.flatMap((rule, i) => {
    const cost = rounded((amounts[i] as number) * (weights[i] as number));
    return cost === 0 ? [] : [{ rule, cost }];
  });
}

/** The same for some events of a plan, each with the transitions into and out of it. */
export function costsAtEvents(plan: HandPlan, events: readonly number[]): readonly RuleCost[] {
  const { weights } = plan.lattice.demands;
  const steps = new Set(events.flatMap((t) => [t, t + 1]).filter((t) => t < plan.steps.length));
  const tallies = [...steps].map((t) => tallySteps(plan.lattice, plan.steps, t, t).amounts);
  return RULES.flatMap((rule, i) => {
    const cost = rounded(tallies.reduce((sum, amounts) => sum + (amounts[i] as number), 0) * (weights[i] as number));
    return cost === 0 ? [] : [{ rule, cost }];
  });
}

/** What the colour and spacing of the keys add to the cost of fingers at some events. */
export function compareKeys(played: HandPlan, events: readonly number[]): Comparison {
  return { between: 'keys', worse: costsAtEvents(played, events), better: costsAtEvents(onWhiteKeys(played), events) };
}

/** The same fingers on the white keys of the letters; worked out once for a plan. */
const onWhiteKeys = memoOf(({ lattice: { passage, demands }, fingering }: HandPlan): HandPlan =>
  playHand(passage, neutralView(passage), demands, fingering),
);

/** Several comparisons of one kind as one, rule by rule. */
export function summed(comparisons: readonly Comparison[]): Comparison {
  const sum = (lists: readonly (readonly RuleCost[])[]): readonly RuleCost[] =>
    RULES.flatMap((rule) => {
      const cost = rounded(lists.flat().reduce((all, one) => (one.rule === rule ? all + one.cost : all), 0));
      return cost === 0 ? [] : [{ rule, cost }];
    });
  return {
    between: comparisons[0]?.between ?? 'keys',
    worse: sum(comparisons.map(({ worse }) => worse)),
    better: sum(comparisons.map(({ better }) => better)),
  };
}

export function totalOf(costs: readonly RuleCost[]): number {
  return rounded(costs.reduce((sum, { cost }) => sum + cost, 0));
}

/** Four places tell costs apart, and print the same everywhere. */
export function rounded(cost: number): number {
  return Math.round(cost * 1e4) / 1e4;
}
