export { OUTER_SCHOOLS, SEVERITIES } from './flag';
export type { Flag, FlagEvidence, FlagKind, OuterSchool, Severity } from './flag';
export { compareFlags, findFlags } from './find-flags';
export type { FlagInput } from './find-flags';
