import type { Moment } from '@/core/views';

/** Which moment sounds last, by the notes that sound; null where none is struck in any. */
export function soundingMoment(moments: readonly Moment[], ids: readonly string[]): number | null {
  const index = moments.findLastIndex(({ keys }) =>
    keys.some(({ noteId, isStruck }) => isStruck && ids.includes(noteId)),
  );
  return index < 0 ? null : index;
}
