export { findKey, rankKeysOf } from './find-key';
export { SPELLINGS, otherSpelling } from './respell';
export type { Spelling } from './respell';
export { DEGREE_FORMS } from './by-degree';
export type { DegreeForm } from './by-degree';
export { groupMove } from './black-groups';
export { moveScore } from './move-score';
export type { MoveRequest } from './move-score';
