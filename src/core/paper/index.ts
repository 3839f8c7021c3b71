export { fileStem, titleStem } from './file-name';
export { ID_PREFIXES } from './id-prefixes';
export {
  columnsOn,
  engravedWidthPx,
  MUSIC_SIZES,
  musicScale,
  PAPERS,
  pageSize,
  PRINTS,
  TURNS,
  USUAL_PAPER,
} from './paper';
export type { PageSize, PaperChoice, Print } from './paper';
export {
  CARD_KINDS,
  HANDOUT_PARTS,
  isKeySheet,
  isOneForAllKeys,
  KEY_SHEETS,
  LEFT_OUT,
  PIECE_SHEETS,
  SHEET_KINDS,
} from './sheet-kinds';
export type { CardKind, HandoutPart, KeySheetKind, LeftOut, PieceSheetKind, SheetKind } from './sheet-kinds';
