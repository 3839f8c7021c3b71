/** Sheets of a piece in a key, and sheets of keys alone. The scripting interface promises `handout`, `rote`, `fingers`, `key`, `cards` and `blank`. */
export const PIECE_SHEETS = ['handout', 'rote', 'fingers', 'key', 'blank'] as const;
export const KEY_SHEETS = ['position', 'drill', 'cards', 'log'] as const;
export type PieceSheetKind = (typeof PIECE_SHEETS)[number];
export type KeySheetKind = (typeof KEY_SHEETS)[number];

/** What can be printed of a piece, in the order in which it is offered; the week’s sheet is made where weeks are planned. */
export const SHEET_KINDS = [...PIECE_SHEETS, ...KEY_SHEETS] as const;
export type SheetKind = (typeof SHEET_KINDS)[number];

export function isKeySheet(kind: SheetKind): kind is KeySheetKind {
  return KEY_SHEETS.some((one) => one === kind);
}

/** Whether such a sheet is one for all keys that are wanted; the others have pages for each. */
export function isOneForAllKeys(kind: SheetKind): boolean {
  return kind === 'key' || isKeySheet(kind);
}

/** What can stand on a handout, in the usual order. */
export const HANDOUT_PARTS = ['fields', 'places', 'music', 'watch', 'key', 'steps', 'notes'] as const;
export type HandoutPart = (typeof HANDOUT_PARTS)[number];

/** What flash cards ask for. */
export const CARD_KINDS = ['positions', 'keys', 'notes'] as const;
export type CardKind = (typeof CARD_KINDS)[number];

/** What a pupil is to write in on a blank sheet. */
export const LEFT_OUT = ['fingers', 'accidentals', 'names', 'notes'] as const;
export type LeftOut = (typeof LEFT_OUT)[number];
