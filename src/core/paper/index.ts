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
export { CARD_KINDS, HANDOUT_PARTS, LEFT_OUT, SHEET_KINDS } from './sheet-kinds';
export type { CardKind, HandoutPart, LeftOut, SheetKind } from './sheet-kinds';
