export { readyToEdit } from './fine-grid';
export { newScore, readOpening } from './new-piece';
export { carriedIn, voiceTicks, openBar, withEntries } from './open-bar';
export type { Entry, Voice } from './open-bar';
export { barCount } from './score-edit';
export { NO_HISTORY, record, undoOrRedo } from './history';
export type { Edited, History } from './history';
export type { EditLabel } from './label';
export {
  barMiscounts,
  changeVoice,
  changeVoices,
  freeVoice,
  voiceAt,
  staffOfHand,
  voicesOf,
  wantedTicks,
} from './change-voice';
export type { BarMiscount } from './change-voice';
export { withNewBars, withoutBars } from './bar-edits';
export {
  TRIPLET,
  asChord,
  freshIds,
  hasSign,
  isBarRest,
  isRest,
  lengthOf,
  makeBarRest,
  makeEntry,
  withLength,
  withLyric,
  withPitch,
  withTies,
} from './make-entry';
export type { EntryPlace, Length, NewNote } from './make-entry';
export {
  DYNAMICS,
  changeEntry,
  insertEntry,
  overwriteEntries,
  removeEntry,
  toggleSign,
  withDynamic,
  withFinger,
  withNote,
  withWords,
  withoutNote,
} from './entry-edits';
export type { Dynamic, EntryAt } from './entry-edits';
export { toggleSlur } from './slurs';
export {
  copyBars,
  copyRegion,
  isIn,
  moveRegion,
  placesOf,
  paste,
  removeRegion,
  repeatBar,
  rescale,
  toOtherHand,
} from './region';
export type { Clip, Region } from './region';
export { withComposer, withMeter, withPickup, withSignature, withTempo, withTitle } from './frame-edits';
export { normaliseScore } from './normalise';
export { historyOf, keptSince } from './history-file';
export type { KeptChange } from './history-file';
export { notationsOf, withNotations } from './note-xml';
