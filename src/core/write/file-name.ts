import { nameText, type Key } from '../pitch';

/** The name under which a piece in some key is saved, without its ending: `lantern-walk-in-Bb`,
 * `old-mill-in-Fsharp-minor`. Source: the scripting interface. */
export function fileStem(title: string, key: Key): string {
  const slug = title
    .normalize('NFD')
    .replace(/\p{M}/gu, '')
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-+|-+$/g, '');
  const tonic = nameText(key.tonic).replaceAll('#', 'sharp');
  return `${slug || 'piece'}-in-${tonic}${key.mode === 'major' ? '' : `-${key.mode}`}`;
}
