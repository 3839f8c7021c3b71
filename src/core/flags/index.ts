export { SEVERITIES } from './flag';
export type { Flag, FlagDetail, FlagEvidence, FlagKind, Severity } from './flag';
export { compareFlags, findFlags } from './find-flags';
export { hopFlags } from './hand-flags';
export { stretchFlags } from './stretch-flags';
export type { PlayedHand } from './hand-flags';
export { changeFlags, isUnsuitable } from './change-flags';
