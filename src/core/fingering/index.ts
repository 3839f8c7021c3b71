export {
  CLOSE_CHORD_SCHOOLS,
  CROSSING_LEVEL,
  DIAL_FACTOR,
  DIALS,
  INNER_SCHOOLS,
  LEVELS,
  OUTER_SCHOOLS,
  REPEAT_SCHOOLS,
  USUAL_PLAYER,
  demandsFor,
  demandsOf,
  FIFTH_SIXTH_SCHOOLS,
  TONIC_HANDS,
} from './player';
export type {
  CloseChordSchool,
  Demands,
  Dial,
  FifthSixthSchool,
  InnerSchool,
  Level,
  OuterSchool,
  Player,
  RepeatSchool,
  TonicHand,
} from './player';
export { spanOf } from './hand-measure';
export { FREE_BOND, passageOf } from './passage';
export type { Passage, PassageEvent, PassageNote } from './passage';
export { colourlessView, neutralView, realView } from './key-view';
export type { View } from './key-view';
export { latticeOf, sliceOf } from './lattice';
export type { Lattice } from './lattice';
export type { KeysDown } from './grip';
export { NO_EXTRA } from './plan-path';
export { solve } from './solve';
export type { Extra, PlannedGrip } from './plan-path';
export { groupsOf, solveConsistent } from './consistent';
export { isKnown, over } from './fingering';
export type { Fingering } from './fingering';
export { planHand, playHand, playSlice, struckAt } from './hand-plan';
export { writtenFingers } from './guide';
export { figuresOf } from './figures';
export type { FigureKind } from './figures';
export type { HandPlan, PlanSlice } from './hand-plan';
export { stepLimits } from './limits';
export type { Limit } from './limits';
export { tallySteps } from './path-tally';
export { BROKEN_LIMIT, RULES } from './rules.table';
export type { Rule } from './rules.table';
export { positionsOf } from './positions';
export type { HandPosition } from './hand-position';
export { placePosition } from './place-position';
export type { PlacedPosition } from './place-position';
export { decidedAhead, moveTime, positionMove } from './position-move';
export type { BlackLanding, MoveTime, PositionMove } from './position-move';
export { sharedKeys } from './shared-keys';
export type { SharedKeys } from './shared-keys';
export { notesInRuns, runsOf } from './runs';
export { CHORD_SHAPES } from './figure.table';
export { PUBLISHED_ARPEGGIOS, PUBLISHED_CHROMATIC, PUBLISHED_SCALES } from './published.table';
export type { PublishedFingering } from './published.table';
