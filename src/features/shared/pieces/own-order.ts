import type { Mode } from '@/core/pitch';

/** The teacher's own order of keys as it is kept: tonics for major (`Bb`), and with the mode for others (`Bb-minor`). An order that was made before modes had
 * orders of their own is that of major. */
export type KeptOrder = readonly string[];

/** The tonics of a mode in the teacher's own order. */
export function ownOrderOf(kept: KeptOrder, mode: Mode): readonly string[] {
  if (mode === 'major') return kept.filter((entry) => !entry.includes('-'));
  const end = `-${mode}`;
  return kept.filter((entry) => entry.endsWith(end)).map((entry) => entry.slice(0, -end.length));
}

/** The same with another order for one mode. */
export function withOwnOrder(kept: KeptOrder, mode: Mode, tonics: readonly string[]): KeptOrder {
  const isOfMode = (entry: string): boolean => (mode === 'major' ? !entry.includes('-') : entry.endsWith(`-${mode}`));
  const others = kept.filter((entry) => !isOfMode(entry));
  return [...others, ...(mode === 'major' ? tonics : tonics.map((tonic) => `${tonic}-${mode}`))];
}
