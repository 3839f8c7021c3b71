import { nameText, type Key } from '../pitch';

/** Letters that are no plain letter with a mark, as they are written without. */
const UNMARKED: Readonly<Record<string, string>> = { ß: 'ss', æ: 'ae', œ: 'oe', ø: 'o', ł: 'l' };

/** So many letters of a title go into a name: with key, mode, a stage's name and the longest ending it stays under a hundred. */
const MOST_LETTERS = 60;

/** The name under which a piece in some key is saved, without its ending: `lantern-walk-in-Bb`,
 * `old-mill-in-Fsharp-minor`; a stage of it with its id before the key: `lantern-walk-left-alone-in-Bb`. Source: the scripting interface. */
export function fileStem(title: string, key: Key, stage: string | null = null): string {
  const tonic = nameText(key.tonic).replaceAll('#', 'sharp');
  const mode = key.mode === 'major' ? '' : `-${key.mode}`;
  return `${titleStem(title)}${stage === null ? '' : `-${stage}`}-in-${tonic}${mode}`;
}

/** A title as the beginning of a name of a file: plain lower-case letters, digits and hyphens; `piece` where nothing is left of it. */
export function titleStem(title: string): string {
  // A title may be as long as a book: what comes of more letters than these cannot be seen in a name.
  const slug = title
    .slice(0, MOST_LETTERS * 4)
    .normalize('NFD')
    .replace(/\p{M}/gu, '')
    .toLowerCase()
    .replace(/[ßæœøł]/g, (letter) => UNMARKED[letter] ?? '')
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-+|-+$/g, '')
    .slice(0, MOST_LETTERS)
    .replace(/-+$/, '');
  return slug || 'piece';
}
