export { ROWS, WAYS, barNumber, beginSession, caretOnset, currentEntry, isCaret, laneOf, partOf, rowsFor } from './session';
export type { Caret, Found, Next, Row, Session, Typing, Way } from './session';
export { letterUnder } from './seats';
export type { Opening } from './seats';
export { keysUnder, pitchAt } from './pitch-at';
export type { Command, Notice } from './command';
export type { Outcome } from './outcome';
export { press } from './press';
export { selection } from './walk';
