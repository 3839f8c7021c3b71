import { parseKey } from '@/core/pitch';
import type { Words } from '@/features/shared/words/use-words';

/** A key by its name as machines write it, in words. */
export function keyWords(w: Words, name: string): string {
  const key = parseKey(name, 'major');
  return key ? w.says.key(key) : name;
}
