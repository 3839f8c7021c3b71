export { alternatives, fingerChanges, forcedMoves, surroundings } from './changes';
export type { Cause, FingerChange } from './changes';
export { compareKeys, costsByRule, totalOf } from './prices';
export type { Comparison, RuleCost } from './prices';
export { whyNotPlayable } from './playable';
export type { NotPlayable } from './playable';
export { groundOf, keepHand, studyHand } from './study-hand';
export type { HandGround, HandStudy } from './study-hand';
