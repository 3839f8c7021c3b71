export type { RunFact } from './run-fact';
export { KEY_STATES, keyStanding, recordedKeys } from './key-states';
export type { KeyStanding, KeyState } from './key-states';
export { briefOf } from './brief';
export type { RunsBrief } from './brief';
export { glanceOf, judgedKeys } from './glance';
export type { Glance } from './glance';
export { nextKeys } from './next-key';
export type { NextKey } from './next-key';
export { CUTS, cutIntoWeeks } from './cut-weeks';
export type { Cut, PieceParts } from './cut-weeks';
export {
  acrossPupils,
  faultsByBar,
  faultsByKind,
  keysSecured,
  monthOf,
  piecesOverTime,
  weeksOfPractice,
} from './series';
export type { FaultCount, FaultyBar, MonthOfKeys, PieceAcross, PieceOverTime, WeekOfPractice } from './series';
