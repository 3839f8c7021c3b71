export { hasStudio } from './database';
export { decidedFor } from './decided';
export type { Whose } from './decided';
export type { Command } from './door/commands';
export type { HistoryHead } from './door/history-records';
export type { How, UndoRedo } from './door/undo-redo';
export { askToPersist, roomLeft } from './device/browser-store';
export type { Room } from './device/browser-store';
export type { TakingIn } from './file/contents';
export { readStudioFile } from './file/studio-file';
export type { ReadFile, StudioFileTrouble } from './file/studio-file';
export type { Comparison } from './file/take-in';
export { fitName, fitStamp } from './fits';
export type { KeptFit } from './fit-bytes';
export type { SetAside } from './reading';
export { editionAfter, isEntered } from './records/edition';
export { KEYBOARD_SIZES, SHELF_ORDERS } from './records/desk';
export type { Desk, KeyboardSize, ShelfOrder } from './records/desk';
export { MOST_TAG_LETTERS, decidedSchema, pupilSchema } from './records/records';
export { wordingOf } from './records/settings';
export { homeworkSchema } from './records/homework-field';
export { stagesBesideSchema } from './records/stage-fields';
export type { NewPiece, PieceRecord, PlanEntry, PupilRecord } from './records/records';
export type { PlayedOn, RunRecord } from './records/run-record';
export type { Settings } from './records/settings';
export { shelfFits } from './shelf-fits';
export {
  change,
  editsAfter,
  isFirstVisit,
  keepPhoto,
  onRefusal,
  ownSince,
  pieceToEnter,
  studio,
  useDesk,
  useEdition,
  useFinds,
  useHistoryList,
  useLastSaved,
  useNextUndoRedo,
  usePhotoOf,
  usePiece,
  usePieceCount,
  usePieces,
  usePlan,
  usePupils,
  useRuns,
  useSetAside,
  useSettings,
  useStoreState,
  useWaiting,
} from './use-studio';
export { compareWithStudio, fileText, handOverText, keepInFile, takeInHandOver, useKeptFile } from './use-files';
export type { PieceToEnter } from './use-studio';
export { storeFaultWords } from './words';
