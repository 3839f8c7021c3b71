import type { FlagKind } from '../flags';

/** What kinds of hand notes are called, in English. */
export const KIND_NAMES: Readonly<Record<FlagKind, string>> = {
  'finger-change': 'other fingers',
  'position-change': 'moves',
  extension: 'open hand',
  stretch: 'stretches',
  'out-of-reach': 'out of reach',
  hop: 'hops',
  crossing: 'crossings',
  'held-finger': 'held fingers',
  'thumb-on-black': 'thumb on black',
  'fifth-on-black': 'finger 5 on black',
  'fourth-on-black': 'finger 4 on black',
  'double-duty': 'one finger, two keys',
  'shared-key': 'shared keys',
  'ledger-lines': 'ledger lines',
  'double-accidental': 'double signs',
  'hands-overlap': 'hands that cross',
  'off-keyboard': 'off the keyboard',
};
