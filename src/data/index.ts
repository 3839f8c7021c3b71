export { hasStudio } from './database';
export { decidedFor } from './decided';
export type { Whose } from './decided';
export type { Command, StoreFault } from './door/commands';
export type { HistoryHead } from './door/history-records';
export type { How, UndoRedo } from './door/undo-redo';
export { typedPlace } from './device/typed-words';
export { askToPersist, roomLeft } from './device/browser-store';
export type { Room } from './device/browser-store';
export type { StudioContents, TakingIn } from './file/contents';
export { harmIn } from './file/coming';
export { readStudioFile } from './file/studio-file';
export type { ReadFile, StudioFileTrouble } from './file/studio-file';
export type { Comparison } from './file/take-in';
export { fitName, fitStamp } from './fits';
export type { KeptFit } from './fit-bytes';
export type { SetAside } from './reading';
export { editionAfter, isEntered } from './records/edition';
export { KEYBOARD_SIZES, PUPIL_ORDERS, SHELF_ORDERS } from './records/desk';
export type { Desk, KeyboardSize, PupilOrder, ShelfOrder } from './records/desk';
export type { SheetChoice } from './records/sheet-fields';
export { MOST_TAG_LETTERS, decidedSchema } from './records/records';
export { lessonSchema } from './records/lesson-record';
export { isOf } from './records/whose';
export { MOST_CARD_LETTERS, planEntrySchema } from './records/plan-record';
export type { PlanEntry } from './records/plan-record';
export {
  ABILITIES,
  MOST_GROUP_LETTERS,
  MOST_NAME_LETTERS,
  NAMES_USED,
  USUAL_PUPIL,
  pupilSchema,
} from './records/pupil-record';
export type { Ability, PupilRecord } from './records/pupil-record';
export { factOf } from './records/digest';
export { plainRuns } from './records/plain-run';
export { wordingOf } from './records/settings';
export { homeworkSchema } from './records/homework-field';
export { stagesBesideSchema } from './records/stage-fields';
export type { NewPiece, PieceRecord } from './records/records';
export type { TuningRecord } from './records/ear-records';
export { PLAYED_ON } from './records/run-record';
export type { PlayedOn, RunRecord } from './records/run-record';
export type { Settings } from './records/settings';
export { ownKeysKnown, shelfFits } from './shelf-fits';
export {
  change,
  editsAfter,
  isFirstVisit,
  keepPhoto,
  onRefusal,
  ownSince,
  useDesk,
  useHistoryList,
  useLastSaved,
  useNextUndoRedo,
  usePhotoOf,
  usePiece,
  usePieceCount,
  usePieces,
  usePiecesOf,
  useSetAside,
  useSettings,
  useLostStudio,
  useStoreState,
  useWaiting,
} from './use-studio';
export { isRemoved, putStudioBack, removeEverything, studio, studioState } from './studio-life';
export type { StoreState } from './studio-life';
export {
  erasePupilForGood,
  planAhead,
  useBriefs,
  useConflicts,
  useFacts,
  useFinds,
  useLessons,
  usePlan,
  usePlanOfWeeks,
  usePupils,
  useRun,
  useRunCount,
  useRuns,
  useRunsBetween,
} from './use-pupils';
export {
  compareWithStudio,
  harmOfFile,
  fileText,
  handOverText,
  keepInFile,
  lookOver,
  handedOf,
  takeInHanded,
  pupilText,
  useKeptFile,
} from './use-files';
export type { Handed, LookedOver } from './use-files';
export type { ComingRecord, RecordFacts, RefusedRecord } from './file/coming';
export type { Conflict } from './join/join';
export type { CardChange, DemoRecords, NewCard, PupilChange } from './door/commands';
export { entryStore, pieceToEnter } from './entering';
export type { EntryStore, PieceToEnter } from './entering';
export { pieceLock, withPieceLock } from './device/piece-lock';
export type { LockTold, PieceLock } from './device/piece-lock';
export { storeFaultWords } from './words';
export {
  keepRecording,
  keepTuning,
  markAsWritten,
  recordedBytes,
  tidyRecordings,
  useOwnEarFigures,
  useRecording,
  useTuning,
} from './use-ear';
