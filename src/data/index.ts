export { openDatabase } from './database';
export type { StudioDatabase } from './database';
export { redoEdit, undoEdit } from './journal';
export { LOOKS, USUAL_SETTINGS } from './records';
export type { Look, PieceRecord, Settings } from './records';
export { addPieces, allPieces, changeSettings, choosePart, currentSettings, noteKey, overruleKey, pieceById, putDemoAway, removePiece, respellNote, seedOnFirstVisit, setDemo } from './studio';
export { readStudioFile, restoreStudio, studioFileText } from './studio-file';
export { studioDatabase, useHistory, usePiece, usePieces, useSettings } from './use-studio';
