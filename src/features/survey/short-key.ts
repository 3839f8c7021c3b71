import { namePrint, parseKey } from '@/core/pitch';

/** A key where there is little room: `B♭` for major, `B♭ m` for minor, `D dorian`. */
export function shortKey(name: string): string {
  const key = parseKey(name, 'major');
  if (!key) return name;
  const tonic = namePrint(key.tonic);
  if (key.mode === 'major') return tonic;
  return key.mode === 'minor' ? `${tonic} m` : `${tonic} ${key.mode}`;
}
