export { alternatives, fingerChanges, forcedMoves, surroundings } from './changes';
export type { Cause, FingerChange } from './changes';
export { fingerChoices } from './finger-choices';
export { likePlaces } from './like-places';
export { compareKeys, costsByRule, totalOf } from './prices';
export type { Comparison, RuleCost } from './prices';
export { whyNotPlayable } from './playable';
export { baselineOf, keepHand, planInKey, studyHand } from './study-hand';
export type { HandBaseline, HandStudy, StudyOptions } from './study-hand';
