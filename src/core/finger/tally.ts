import { BROKEN_LIMIT, RULES, type Rule } from './rules.table';
import { SEMITONE_MM } from './spans.table';
import { spanOf, type HandMeasure } from './hand-measure';

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

const SEMITONE = SEMITONE_MM * 100;

/** How far two fingers are stretched or crowded. `distance` is along the order of the fingers, in hundredths of a mm;
 * `isUnder`: the thumb lies on a white key in front of a finger on a black one, where there is room for both. */
export function addSpan(tally: Tally, measure: HandMeasure, lower: number, higher: number, distance: number, isUnder: boolean, factor: number): void {
  const span = spanOf(measure, lower, higher);
  const hasThumb = lower === 1;
  const stretched = Math.max(0, distance - span.greatestComfortable, span.leastComfortable - distance);
  if (stretched > 0) add(tally, RULE.stretch, (stretched / SEMITONE) * factor);
  const wide = distance - span.greatestRelaxed;
  if (wide > 0) add(tally, hasThumb ? RULE.largeThumb : RULE.large, (wide / SEMITONE) * factor);
  const close = span.leastRelaxed - distance;
  if (close > 0) add(tally, !hasThumb ? RULE.small : isUnder ? RULE.smallUnder : RULE.smallThumb, (close / SEMITONE) * factor);
}
