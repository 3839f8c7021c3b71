import type { EntryResume } from '@/contract/entry-questions';
import type { PieceToEnter } from '@/data';

/** The music and the place in it that a tab shows. */
export interface Shown {
  readonly edition: string | null;
  readonly typing: string;
}

interface StoodHere {
  readonly shown: Shown | null;
  /** Whether the piece was last entered elsewhere, or is another one than is shown. */
  readonly isElsewhere: boolean;
  readonly isAbc: boolean;
}

/** Where entering goes on: where the store says that it stood, if it was last entered elsewhere; else where it stood here. */
export function resumeAt(
  { piece, typing }: PieceToEnter,
  { shown, isElsewhere, isAbc }: StoodHere,
): EntryResume | null {
  const isSame = shown !== null && shown.edition === piece.edition;
  if (typing !== null && isElsewhere) return { typing, how: 'there', isAbc: isAbc && isSame };
  return shown && { typing: shown.typing, how: isSame ? 'there' : 'near', isAbc: isAbc && isSame };
}
