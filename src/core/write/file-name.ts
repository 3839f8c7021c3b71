import { nameText, type Key } from '../pitch';

/** Letters that are no plain letter with a mark, as they are written without. */
const UNMARKED: Readonly<Record<string, string>> = { ß: 'ss', æ: 'ae', œ: 'oe', ø: 'o', ł: 'l' };

/** The name under which a piece in some key is saved, without its ending: `lantern-walk-in-Bb`,
 * `old-mill-in-Fsharp-minor`. Source: the scripting interface. */
export function fileStem(title: string, key: Key): string {
  const slug = title
    .normalize('NFD')
    .replace(/\p{M}/gu, '')
    .toLowerCase()
    .replace(/[ßæœøł]/g, (letter) => UNMARKED[letter] ?? '')
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-+|-+$/g, '');
  const tonic = nameText(key.tonic).replaceAll('#', 'sharp');
  return `${slug || 'piece'}-in-${tonic}${key.mode === 'major' ? '' : `-${key.mode}`}`;
}
