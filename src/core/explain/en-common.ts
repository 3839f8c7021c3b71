import type { Finger, Hand } from '../score';

/** What a flag says, and what to do about it. */
export interface FlagWords {
  readonly title: string;
  readonly message: string;
  readonly suggestion: string;
}

/** Words that several files of this language share. */
export const HAND: Readonly<Record<Hand, string>> = { right: 'right hand', left: 'left hand' };
export const FINGER: Readonly<Record<Finger, string>> = {
  1: 'thumb',
  2: 'finger 2',
  3: 'finger 3',
  4: 'finger 4',
  5: 'finger 5',
};

const COUNTS = ['no', 'one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight', 'nine'];

export function countWord(count: number): string {
  return COUNTS[count] ?? String(count);
}

/** Bars for a sentence: `bar 3`, `bars 1, 3 and 5`, `bars 1, 2, 3 and 9 more`. */
export function barsText(bars: readonly string[]): string {
  if (bars.length === 1) return `bar ${bars[0]}`;
  const shown = bars.length > 5 ? [...bars.slice(0, 3), `${bars.length - 3} more`] : bars;
  return `bars ${shown.slice(0, -1).join(', ')} and ${shown.at(-1)}`;
}

/** Bars for a sentence, with neighbours drawn together: `bars 1–4 and 7`. */
export function barRanges(bars: readonly string[]): string {
  const runs: string[][] = [];
  for (const bar of bars) {
    const run = runs.at(-1);
    if (run && Number(bar) === Number(run.at(-1)) + 1) run.push(bar);
    else runs.push([bar]);
  }
  const told = runs.flatMap((run) => (run.length < 3 ? run : [`${run[0]}–${run.at(-1)}`]));
  return `${bars.length === 1 ? 'bar' : 'bars'} ${listed(told)}`;
}

export function capital(text: string): string {
  return text.charAt(0).toUpperCase() + text.slice(1);
}

/** `A`, `A and B`, `A, B and C`. */
export function listed(items: readonly string[]): string {
  return items.length < 2 ? items.join('') : `${items.slice(0, -1).join(', ')} and ${items.at(-1)}`;
}

/** So many letters of what a file or an address says are told at most. */
const MOST_LETTERS = 200;

/** A text that is told: cut where it is longer than anyone reads. */
export function shortened(text: string): string {
  return text.length > MOST_LETTERS ? `${text.slice(0, MOST_LETTERS - 1)}…` : text;
}

/** Facts that are told, each text in them cut: a file may hold a title or a number of fifty thousand letters. */
export function toldFacts<T extends object>(facts: T): T {
  const told = Object.entries(facts).map(([name, fact]: [string, unknown]) => [
    name,
    typeof fact === 'string' ? shortened(fact) : fact,
  ]);
  return Object.fromEntries(told) as T;
}
