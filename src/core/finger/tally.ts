import { RULES, type Rule } from './rules.table';
import { SEMITONE_MM } from './spans.table';
import { spanOf, type HandMeasure } from './hand-measure';

/** What a fingering costs, by rule, and how often it breaks a limit of level or reach. */
export interface Tally {
  readonly amounts: Float64Array;
  limits: number;
}

export const RULE_INDEX = Object.fromEntries(RULES.map((rule, i) => [rule, i])) as Readonly<Record<Rule, number>>;

export function emptyTally(): Tally {
  return { amounts: new Float64Array(RULES.length), limits: 0 };
}

export function clear(tally: Tally): void {
  tally.amounts.fill(0);
  tally.limits = 0;
}

export function add(tally: Tally, rule: Rule, amount: number): void {
  tally.amounts[RULE_INDEX[rule]] = (tally.amounts[RULE_INDEX[rule]] as number) + amount;
}

/** Amount times weight, summed. */
export function weigh(tally: Tally, weights: Float64Array): number {
  let sum = 0;
  for (let i = 0; i < weights.length; i += 1) sum += (tally.amounts[i] as number) * (weights[i] as number);
  return sum;
}

const SEMITONE = SEMITONE_MM * 100;

/** How far two fingers are stretched or crowded. `distance` is along the order of the fingers, in hundredths of a mm;
 * `isUnder`: the thumb lies on a white key in front of a finger on a black one, where there is room for both. */
export function addSpan(tally: Tally, measure: HandMeasure, lower: number, higher: number, distance: number, isUnder: boolean, factor: number): void {
  const span = spanOf(measure, lower, higher);
  const hasThumb = lower === 1;
  const stretched = Math.max(0, distance - span.greatestComfortable, span.leastComfortable - distance);
  if (stretched > 0) add(tally, 'stretch', (stretched / SEMITONE) * factor);
  const wide = distance - span.greatestRelaxed;
  if (wide > 0) add(tally, hasThumb ? 'largeThumb' : 'large', (wide / SEMITONE) * factor);
  const close = span.leastRelaxed - distance;
  if (close > 0) add(tally, !hasThumb ? 'small' : isUnder ? 'smallUnder' : 'smallThumb', (close / SEMITONE) * factor);
}
