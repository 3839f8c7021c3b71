export { drillPiece } from './drill';
export type { DrillTexts, DrillWish } from './drill';
