import { parseKey } from '@/core/pitch';
import { type Words } from '@/features/shared/words/use-words';

/** A key where there is little room: `B♭` for major, `B♭ m` for minor, `D dorian`. */
export function shortKey(w: Words, name: string): string {
  const key = parseKey(name, 'major');
  if (!key) return name;
  const tonic = w.says.place(key.tonic);
  if (key.mode === 'major') return tonic;
  return key.mode === 'minor' ? `${tonic} m` : `${tonic} ${key.mode}`;
}
