import type { FlagKind } from '../../flags';
import { type PitchName } from '../../pitch';
import type { Finger } from '../../score';
import { kindNames } from './kinds';
import type { Terms } from './terms';

/** One thing about a hand in a bar. */
export type BarFact =
  | { readonly kind: 'black'; readonly finger: Finger | null; readonly keys: readonly PitchName[] }
  | { readonly kind: 'move'; readonly to: PitchName }
  | { readonly kind: 'flag'; readonly flag: FlagKind; readonly isMust: boolean }
  | { readonly kind: 'signs'; readonly count: number };

/** What is so in a bar, in a few words: `4 on B♭`, `moves to G`, `must: out of reach`, `2 accidentals`. */
export function barFactWords(t: Terms, fact: BarFact): string {
  switch (fact.kind) {
    case 'black':
      return `${fact.finger ?? 'a finger'} on ${[...new Set(fact.keys.map(t.name))].join(', ')}`;
    case 'move':
      return `moves to ${t.place(fact.to)}`;
    case 'flag':
      return `${fact.isMust ? 'must: ' : ''}${kindNames(t)[fact.flag]}`;
    case 'signs':
      return fact.count === 1 ? '1 accidental' : `${fact.count} accidentals`;
  }
}
