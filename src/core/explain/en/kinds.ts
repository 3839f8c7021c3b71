import type { FlagKind } from '../../flags';
import type { Terms } from './terms';

/** What kinds of hand notes are called, in English. */
export function kindNames(t: Terms): Readonly<Record<FlagKind, string>> {
  return {
    'finger-change': 'other fingers',
    'position-change': 'moves',
    extension: 'open hand',
    stretch: 'stretches',
    'out-of-reach': 'out of reach',
    hop: 'hops',
    crossing: 'crossings',
    'held-finger': 'held fingers',
    'thumb-on-black': `${t.finger(1)} on black`,
    'fifth-on-black': `${t.finger(5)} on black`,
    'fourth-on-black': `${t.finger(4)} on black`,
    'double-duty': 'one finger, two keys',
    'shared-key': 'shared keys',
    'ledger-lines': 'ledger lines',
    'double-accidental': 'double signs',
    'hands-overlap': 'hands that cross',
    'off-keyboard': 'off the keyboard',
  };
}
