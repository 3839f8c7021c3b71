import type { MarkKind } from '@/core/annotate';

/** A mark at a note. */
export interface PaperMark {
  readonly kind: MarkKind;
  readonly note: string;
  readonly text: string;
}
