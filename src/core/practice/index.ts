export { DRILL_HANDS, DRILL_KINDS, DRILL_RHYTHMS } from './drill-kinds';
export type { DrillKind, DrillRhythm } from './drill-kinds';
export { drillPiece } from './drill';
export type { DrillOptions } from './drill';
export { FIND_KINDS, findQuestion, judge } from './finding-game';
export type { FindKind, FindQuestion, Verdict } from './finding-game';
