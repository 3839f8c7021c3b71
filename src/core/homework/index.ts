export { answered, beginEcho, callOf, judgeEcho, phraseMusic } from './echo';
export type { EchoState } from './echo';
export { CLEAN_IN_A_ROW, STEP_KINDS, STEP_OPENINGS, STEP_TEMPO, STEP_WAYS } from './practice-step';
export type { PracticeStep, StepKind, StepOpening, StepWay } from './practice-step';
export { nextStep, outcomeOf, progressOf } from './progress';
export type { StepProgress } from './progress';
export { proposeSteps, stepOf } from './propose-steps';
