import { nameText, parseKey } from '@/core/pitch';
import type { SheetKind } from '@/core/paper';
import { fileWord } from '../teaching/file-word';

interface SheetFile {
  readonly title: string;
  readonly kind: SheetKind;
  /** As `Bb-major`; null where no key was chosen, any other word as it is. */
  readonly key: string | null;
  readonly ending: string;
}

/** The name of a file of sheets: `lantern-walk-handout-in-D.pdf`. */
export function sheetFileName({ title, kind, key, ending }: SheetFile): string {
  const named = key === null ? null : parseKey(key, 'major');
  const tonic = named ? nameText(named.tonic).replaceAll('#', 'sharp') : key;
  const mode = named && named.mode !== 'major' ? `-${named.mode}` : '';
  return `${fileWord(title)}-${kind}${tonic === null ? '' : `-in-${tonic}${mode}`}.${ending}`;
}
