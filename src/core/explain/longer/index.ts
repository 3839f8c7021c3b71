/** Makes all words of a language a third longer, so that the screens can be tried with a language that needs more space than English. What is said stays
 * readable: every longer word says its end twice. */
export function longer<T>(words: T): T {
  return lengthened(words) as T;
}

function lengthened(said: unknown): unknown {
  if (typeof said === 'string') return longerText(said);
  if (typeof said === 'function')
    return (...facts: unknown[]) => lengthened((said as (...f: unknown[]) => unknown)(...facts));
  if (Array.isArray(said)) return said.map(lengthened);
  if (typeof said !== 'object' || said === null) return said;
  return Object.fromEntries(Object.entries(said).map(([name, one]) => [name, lengthened(one)]));
}

/** Words of so many letters and more are made longer; names of notes and numbers are shorter. */
const LEAST_LETTERS = 3;

function longerText(text: string): string {
  return text.replace(/\p{L}+/gu, (word) =>
    word.length < LEAST_LETTERS ? word : word + word.slice(-Math.ceil(word.length / 3)).toLowerCase(),
  );
}
