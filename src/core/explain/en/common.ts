import { parseName, stepOfLetter, type Letter } from '../../pitch';
import type { Hand } from '../../score';
import type { Terms } from './terms';

/** What a flag says, and what to do about it. */
export interface FlagWords {
  readonly title: string;
  readonly message: string;
  readonly suggestion: string;
}

/** Words that several files of this language share. */
export const HAND: Readonly<Record<Hand, string>> = { right: 'right hand', left: 'left hand' };

/** A white key by its name. */
export function letterOf(t: Terms, letter: Letter): string {
  return t.place({ step: stepOfLetter(letter), alter: 0 });
}

/** A key of the keyboard by its name as machines write it, `Bb`. */
export function placeOf(t: Terms, text: string): string {
  const name = parseName(text);
  return name ? t.place(name) : text;
}

/** Keys that are played together: `C–F–A`. */
export function chordOf(t: Terms, ...names: readonly string[]): string {
  return names.map((name) => placeOf(t, name)).join('–');
}

const COUNTS = ['no', 'one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight', 'nine'];

export function countWord(count: number): string {
  return COUNTS[count] ?? String(count);
}

/** So many bars or stretches of bars are named one by one. */
const MOST_NAMED = 5;

/** Bars for a sentence: `bar 3`, `bars 1, 3 and 5`; where they are many, neighbours are drawn together, `bars 1–3 and 5–8`, or the rest is counted, `bars 1, 3,
 * 5 and 9 more`. */
export function barsText(t: Terms, bars: readonly string[]): string {
  if (bars.length === 1) return `${t.bar} ${bars[0]}`;
  if (bars.length <= MOST_NAMED) return `${t.bars} ${listed(bars)}`;
  const stretches = barStretches(bars);
  return stretches.length <= MOST_NAMED
    ? `${t.bars} ${listed(stretches)}`
    : `${t.bars} ${listed([...bars.slice(0, 3), `${bars.length - 3} more`])}`;
}

/** Bars for a sentence, with neighbours drawn together: `bars 1–4 and 7`. */
export function barRanges(t: Terms, bars: readonly string[]): string {
  return `${bars.length === 1 ? t.bar : t.bars} ${listed(barStretches(bars))}`;
}

/** Three neighbours or more as one: `1–4`. */
function barStretches(bars: readonly string[]): readonly string[] {
  const runs: string[][] = [];
  for (const bar of bars) {
    const run = runs.at(-1);
    if (run && Number(bar) === Number(run.at(-1)) + 1) run.push(bar);
    else runs.push([bar]);
  }
  return runs.flatMap((run) => (run.length < 3 ? run : [`${run[0]}–${run.at(-1)}`]));
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
