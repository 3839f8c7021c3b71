export { USUAL_HANDOUT } from './handout';
export type { SheetPiece } from './handout';
export type {
  Sheet,
  SheetBlock,
  SheetCard,
  SheetFace,
  SheetKey,
  SheetMusic,
  SheetPlace,
  SheetRow,
  SheetStep,
  TextLook,
} from './sheet';
export { keySheet, pieceSheet } from './sheet-of';
export type { SheetRequest } from './sheet-of';
export { weekSheet } from './week';
export type { WeekTold } from './week';
