/** Something that can be done, in the words by which it is found. */
export interface Choice {
  readonly words: string;
  readonly act: () => void;
  /** The key that does the same, where there is one. */
  readonly key?: string;
}

/** So many are offered at most. */
const MOST_OFFERED = 40;

/** The choices that every typed word begins a word of, those first in which least is missing from it: `e` is E before it is E♭, and E♭ before “every”. Signs of keys are found by the letters that are typed for
 * them: `eb` and `e flat` find E♭, `f#` and `f sharp` find F♯. */
export function findChoices(typed: string, choices: readonly Choice[]): readonly Choice[] {
  const wanted = wordsOf(typed);
  if (wanted.length === 0) return choices.slice(0, MOST_OFFERED);
  const found = choices.flatMap((choice) => {
    const own = wordsOf(choice.words);
    const distances = wanted.flatMap((word) => nearestWord(word, own) ?? []);
    if (distances.length < wanted.length) return [];
    return [{ choice, weight: distances.reduce((sum, distance) => sum + distance, 0) }];
  });
  return found
    .toSorted((a, b) => a.weight - b.weight)
    .slice(0, MOST_OFFERED)
    .map(({ choice }) => choice);
}

/** How far a typed word is from the nearest word that it begins: the letters that are missing, then its place. Null where it begins none. */
function nearestWord(typed: string, words: readonly string[]): number | null {
  const distances = words.flatMap((word, place) =>
    word.startsWith(typed) ? [(word.length - typed.length) * 100 + place] : [],
  );
  return distances.length === 0 ? null : Math.min(...distances);
}

/** The words of a text as they are compared: small letters, signs as they are typed. */
export function wordsOf(text: string): readonly string[] {
  return text
    .toLowerCase()
    .replaceAll('♯', '#')
    .replaceAll('♭', 'b')
    .replaceAll(/[“”‘’"…]/g, '')
    .replaceAll('–', '-')
    .replaceAll(/\b([a-g]) ?flat\b/g, '$1b')
    .replaceAll(/\b([a-g]) ?sharp\b/g, '$1#')
    .split(/[\s,:;()]+/)
    .filter(Boolean);
}

/** The numbers in a text of the form `bars 3–4`, `hear bar 3`, `3 to 4`; null where there are none. */
export function barsIn(typed: string): readonly [from: string, to: string] | null {
  const found = /(\d+)(?:\s*(?:-|–|to|\s)\s*(\d+))?/.exec(typed);
  return found?.[1] === undefined ? null : [found[1], found[2] ?? found[1]];
}
