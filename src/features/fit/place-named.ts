import { parseName } from '@/core/pitch';
import type { Words } from '@/features/shared/words/use-words';

/** A position, known by its letter as the core names it, as this teacher calls it. */
export function placeNamed(w: Words, name: string): string {
  const place = parseName(name);
  return place ? w.says.place(place) : name;
}
