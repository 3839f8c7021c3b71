export {
  ROWS,
  INPUT_METHODS,
  barNumber,
  beginSession,
  caretOnset,
  currentEntry,
  isCaret,
  voiceOfCaret,
  partOf,
  rowsFor,
} from './session';
export type { Caret, Next, Row, Session, Typing, InputMethod } from './session';
export { letterUnder } from './seats';
export type { Opening } from './seats';
export { keysUnder } from './pitch-at';
export type { Command, Notice } from './command';
export type { Outcome } from './outcome';
export { press } from './press';
export { resumed, typingText } from './resume';
export { selection } from './caret';
