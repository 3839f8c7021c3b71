import { fileStem, titleStem, type SheetKind } from '@/core/paper';
import { parseKey } from '@/core/pitch';

interface SheetFile {
  readonly title: string;
  readonly kind: SheetKind;
  /** The stage by its id; null for the whole piece. */
  readonly stage: string | null;
  /** As `Bb-major`; `several` where there is more than one, null where none was chosen. */
  readonly key: string | null;
  readonly ending: string;
}

/** The name of a file of sheets, as the scripting interface has it: `lantern-walk-handout-in-D.pdf`. */
export function sheetFileName({ title, kind, stage, key, ending }: SheetFile): string {
  const what = [stage, kind].filter((part) => part !== null).join('-');
  const named = key === null ? null : parseKey(key, 'major');
  const stem = named ? fileStem(title, named, what) : [titleStem(title), what].join('-');
  return `${stem}${key === 'several' ? '-in-several-keys' : ''}.${ending}`;
}
