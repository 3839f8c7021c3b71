import type { Evidence } from './evidence';

/** A small net with one hidden layer, as a table: what each number of the evidence is on average and how far it strays, then the weights. */
export interface DecisionTable {
  readonly mean: readonly number[];
  readonly spread: readonly number[];
  /** For each hidden unit the weights of the evidence, then its own. */
  readonly hidden: readonly (readonly number[])[];
  /** The weights of the hidden units, then the last one's own. */
  readonly last: readonly number[];
}

/** How likely it is that a key was struck, as log odds: 0 where it is as likely as not. */
export function decide({ mean, spread, hidden, last }: DecisionTable, evidence: Evidence): number {
  let sum = last[hidden.length] as number;
  hidden.forEach((weights, unit) => {
    let own = weights[evidence.length] as number;
    for (let i = 0; i < evidence.length; i += 1)
      own += ((weights[i] as number) * ((evidence[i] as number) - (mean[i] as number))) / (spread[i] as number);
    sum += (last[unit] as number) * Math.tanh(own);
  });
  return sum;
}
