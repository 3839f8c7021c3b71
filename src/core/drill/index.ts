export { DRILL_HANDS, DRILL_RHYTHMS, RHYTHMS, drillPiece } from './drill';
export type { DrillRhythm, DrillTexts, DrillWish } from './drill';
export { DRILL_KINDS } from './patterns';
export type { DrillKind } from './patterns';
