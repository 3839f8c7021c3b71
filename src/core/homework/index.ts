export { answered, beginEcho, callOf, judgeEcho, phraseMusic } from './echo';
export type { CalledKey, EchoJudgement, EchoState, Phrase } from './echo';
export { CLEAN_IN_A_ROW, STEP_KINDS, STEP_OPENINGS, STEP_WAYS } from './practice-step';
export type { PracticeStep, StepKind, StepOpening, StepWay } from './practice-step';
export { nextStep, outcomeOf, progressOf } from './progress';
export type { StepProgress, StepRun } from './progress';
export { proposeSteps, stepOf } from './propose-steps';
