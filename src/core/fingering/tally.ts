import { BROKEN_LIMIT, RULES, type Rule } from './rules.table';

/** What a fingering costs, and how often it breaks a limit of level or reach. `amounts` has one entry a rule where they are wanted. */
export interface Tally {
  readonly weights: Float64Array;
  readonly amounts: Float64Array | null;
  cost: number;
  limits: number;
}

/** The place of each rule in weights and amounts. */
export const RULE = Object.fromEntries(RULES.map((rule, i) => [rule, i])) as Readonly<Record<Rule, number>>;

/** A tally of costs alone: what the search needs. */
export function costTally(weights: Float64Array): Tally {
  return { weights, amounts: null, cost: 0, limits: 0 };
}

/** A tally that keeps the amounts of all rules. */
export function ruleTally(weights: Float64Array): Tally & { readonly amounts: Float64Array } {
  return { weights, amounts: new Float64Array(RULES.length), cost: 0, limits: 0 };
}

export function add(tally: Tally, rule: number, amount: number): void {
  tally.cost += amount * (tally.weights[rule] as number);
  if (tally.amounts) tally.amounts[rule] = (tally.amounts[rule] as number) + amount;
}

/** Everything counted, a broken limit at its price. */
export function totalCost({ cost, limits }: Tally): number {
  return cost + BROKEN_LIMIT * limits;
}
