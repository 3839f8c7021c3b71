/** What can be printed. The scripting interface promises `handout`, `rote`, `fingers`, `key`, `cards` and `blank`. */
export const SHEET_KINDS = [
  'handout',
  'rote',
  'fingers',
  'key',
  'position',
  'drill',
  'week',
  'cards',
  'blank',
  'log',
] as const;
export type SheetKind = (typeof SHEET_KINDS)[number];

/** What can stand on a handout, in the usual order. */
export const HANDOUT_PARTS = ['fields', 'places', 'music', 'watch', 'key', 'steps', 'notes'] as const;
export type HandoutPart = (typeof HANDOUT_PARTS)[number];

/** What flash cards ask for. */
export const CARD_KINDS = ['positions', 'keys', 'notes'] as const;
export type CardKind = (typeof CARD_KINDS)[number];

/** What a pupil is to write in on a blank sheet. */
export const LEFT_OUT = ['fingers', 'accidentals', 'names', 'notes'] as const;
export type LeftOut = (typeof LEFT_OUT)[number];
