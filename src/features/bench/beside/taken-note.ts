import type { BenchView, KeyDown } from '@/core/views';
import { momentIndex } from '../commands/use-bench-actions';

/** The notes that are struck at a place of the address, as `3:2`. */
export function struckAt(view: Pick<BenchView, 'momentsAfter'> | null, place: string | null): readonly KeyDown[] {
  const index = view ? momentIndex(view.momentsAfter, place) : null;
  return index === null ? [] : (view?.momentsAfter[index]?.keys.filter(({ isStruck }) => isStruck) ?? []);
}

/** Of notes that are struck together, the one that was taken up, or the first. */
export function takenOf(struck: readonly KeyDown[], takenUp: string | null): KeyDown | null {
  return struck.find(({ noteId }) => noteId === takenUp) ?? struck[0] ?? null;
}
