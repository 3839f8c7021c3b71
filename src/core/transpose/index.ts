export { findKey } from './find-key';
export { COURTESIES, drawAccidentals } from './accidentals';
export type { Courtesy } from './accidentals';
export { SPELLINGS } from './respell';
export type { Spelling } from './respell';
export { moveScore } from './move-score';
export type { MoveRequest, MovedScore } from './move-score';
export { signatureLine } from './signatures';
export type { SignatureLine } from './signatures';
